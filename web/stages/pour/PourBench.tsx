import { troublesOf } from '#core/pourlog';
import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { Headline } from './Headline.tsx';
import { PourActs } from './PourActs.tsx';
import { PourRows } from './PourRows.tsx';

/** Sheets are fetched when one is opened; like all scripts they are kept for use without signal. */
const GoingOn = lazily(() => import('./GoingOn.tsx'));
const Balance = lazily(() => import('./Balance.tsx'));
const Placing = lazily(() => import('./Placing.tsx'));
const Tasks = lazily(() => import('./tasks/Tasks.tsx'));
const LoadCard = lazily(() => import('./loads/LoadCard.tsx'));
const NextLoad = lazily(() => import('./loads/NextLoad.tsx'));
const TroubleNow = lazily(() => import('./trouble/TroubleNow.tsx'));
const PourSheets = lazily(() => import('./sheets/PourSheets.tsx'));

/** What decides the next minutes, the load at the chute, what is logged by a press, and how the pour stands. */
export function PourBench() {
  const v = usePour();
  const { progress, loads } = v;
  const { sheet } = useFocus();
  const trouble = troublesOf(v.state).some((t) => t.over === null);
  const here = loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  const waiting = loads.filter((l) => l.stage === 'due');
  return (
    <div className="flex flex-col gap-3">
      {trouble && <TroubleNow />}
      <Headline />
      <GoingOn />
      {here && <LoadCard load={here} />}
      {!here && waiting[0] && progress.finishedMs === null && <NextLoad load={waiting[0]} />}
      <PourActs here={here} next={waiting[0]?.id} />
      <Placing />
      <Balance />
      <Tasks />
      <PourRows />
      {sheet && <PourSheets />}
    </div>
  );
}

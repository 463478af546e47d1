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
  const { closed } = usePour();
  const { sheet } = useFocus();
  return (
    <div className="flex flex-col gap-3">
      {closed ? <ClosedDay /> : <OpenDay />}
      {sheet && <PourSheets />}
    </div>
  );
}

/** A pour that is closed is read: nothing is logged any more, and nothing is offered. */
function ClosedDay() {
  return (
    <>
      <Headline />
      <p className="text-ink2">
        This pour is closed. Its tasks and troubles stand on the report; on Cure it can be opened
        again.
      </p>
      <Balance />
      <PourRows />
    </>
  );
}

function OpenDay() {
  const v = usePour();
  const { progress, loads } = v;
  const trouble = troublesOf(v.state).some((t) => t.over === null);
  const here = loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  );
  const waiting = loads.filter((l) => l.stage === 'due');
  return (
    <>
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
    </>
  );
}

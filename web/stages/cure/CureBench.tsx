import { entries } from '#core/log';
import { strengthOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { Working } from '../../ui/Working.tsx';
import { CureActs } from './CureActs.tsx';
import { Standing } from './Standing.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { lazily } from '../../ui/lazily.tsx';

const Record = lazily(() => import('./Record.tsx'));

/** Few pours have any. */
const Defects = lazily(() => import('./Defects.tsx'));
/** Sheets are fetched when one is opened; like all scripts they are kept for use without signal. */
const CureSheets = lazily(() => import('./sheets/CureSheets.tsx'));

export function CureBench() {
  const v = usePour();
  const { sheet } = useFocus();
  const c = v.curing;
  return (
    <div className="flex flex-col gap-3">
      {c ? (
        <>
          <Standing c={c} />
          <CureActs c={c} />
          <Working {...strengthOrigin(v)}>Strength, worked out</Working>
        </>
      ) : (
        <p className="text-[18px] leading-6">
          {v.progress.finishedMs === null
            ? 'Nothing to cure yet. When the last run is full, its strength by temperature stands here, and when the forms may come off.'
            : 'Reading the air it cures in…'}
        </p>
      )}
      {entries(v.state, 'defect').length > 0 && <Defects />}
      <Record />
      {sheet && <CureSheets />}
    </div>
  );
}

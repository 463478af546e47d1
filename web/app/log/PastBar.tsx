import { timeline } from '#core/log';
import { entryText } from '#core/words';
import { momentText } from '#core/view';
import { localDate, midnightMs } from '#core/weather';
import { T } from '../../ui/Text.tsx';
import { usePour } from '../pour-context.tsx';
import { lookAt } from '../../sync/past.ts';

const MIN_MS = 60_000;
const DAY_MS = 24 * 60 * MIN_MS;

/**
 * The pour as it was: a slider over its whole log, an entry at a time by the keys beside it, and
 * the way back to now.
 */
export default function PastBar() {
  const v = usePour();
  const { past, record, clock } = v;
  const all = timeline(v.store.snapshot().state);
  const first = Date.parse(all[0]?.at ?? '');
  if (past === null || !Number.isFinite(first)) return null;
  const go = (ms: number | null) => {
    lookAt(record.id, ms);
  };
  const { timeZone } = record.site;
  // The slider runs over one day; the keys beside it lead into the days before and after.
  const dayMs = midnightMs(localDate(past, timeZone), timeZone);
  const fromMs = Math.max(first, dayMs);
  const toMs = Math.max(past, Math.min(clock.nowMs, dayMs + DAY_MS));
  const before = all.findLast((e) => Date.parse(e.at) < past);
  const after = all.find((e) => Date.parse(e.at) > past);
  const last = all.findLast((e) => Date.parse(e.at) <= past);
  return (
    <section aria-label="As it was" className="mb-3 border-2 border-ink bg-void p-3">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b className="head text-[22px] leading-7" data-past>
          As it was {momentText(v, past)}
        </b>
        <span className="min-w-0 flex-1 truncate text-ink2">
          <T>{last ? `${last.actor}: ${entryText(last, v.units)}` : ''}</T>
        </span>
      </p>
      <input
        type="range"
        className="h-12 w-full accent-ink"
        aria-label="Moment of the log"
        aria-valuetext={momentText(v, past)}
        min={0}
        max={Math.max(1, Math.ceil((toMs - fromMs) / MIN_MS))}
        value={Math.ceil((past - fromMs) / MIN_MS)}
        onChange={(e) => {
          go(Math.min(toMs, fromMs + Number(e.target.value) * MIN_MS));
        }}
      />
      <div className="grid grid-cols-3 gap-2">
        <button
          type="button"
          className="key fn"
          disabled={!before}
          onClick={() => {
            go(Date.parse(before?.at ?? ''));
          }}
        >
          Entry before
        </button>
        <button
          type="button"
          className="key fn"
          disabled={!after}
          onClick={() => {
            go(Date.parse(after?.at ?? ''));
          }}
        >
          Entry after
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => {
            go(null);
          }}
        >
          Back to now
        </button>
      </div>
    </section>
  );
}

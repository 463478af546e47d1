import { X } from 'lucide-react';
import { runOf } from '#core/model';
import { anotherBulkhead, stopEndsOf } from '#core/pourplan';
import { counted, distanceText, M_PER_FT } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';

/** Planned bulkheads: where the walls are closed off, moved along their run, and taken out again. */
export default function Bulkheads() {
  const v = usePour();
  const { plan, settings, record, change } = usePlanned();
  const stepM = v.units === 'us' ? M_PER_FT : 0.25;
  const { bulkheads } = settings;
  const put = (list: typeof bulkheads) => {
    void change({ bulkheads: list });
  };
  const more = anotherBulkhead(record.site, plan.route, bulkheads);
  if (!plan.route.legs.some((l) => l.kind === 'run')) return null;
  return (
    <section aria-label="Planned bulkheads" className="flex flex-col gap-2">
      <h2 className="head border-b-2 border-ink pb-0.5">Planned bulkheads</h2>
      <p className="text-ink2">
        {bulkheads.length
          ? `${counted(stopEndsOf(plan.route), 'stop end')} to build, each with keyway or dowels as drawn; the joint is cleaned before the next part.`
          : 'None: all of it is one placement. The engineer says where a joint may be.'}
      </p>
      <ul className="rows">
        {bulkheads.map((b, i) => {
          const run = runOf(record.site, b.element);
          const leg = plan.route.legs.find((l) => l.elementId === b.element);
          const lengthM = leg?.lengthM ?? 1;
          const move = (by: number) => {
            const share = Math.min(1, Math.max(0, b.share + by / lengthM));
            put(bulkheads.map((x, k) => (k === i ? { ...x, share } : x)));
          };
          return (
            <li key={i} className="flex items-center gap-2 py-1" data-bulkhead={b.element}>
              <span className="min-w-0 flex-1">
                <b className="font-semibold">{b.element}</b>,{' '}
                <T>{`${distanceText(b.share * lengthM, v.units)} from ${run?.from ?? 'its start'}`}</T>
              </span>
              <button
                type="button"
                className="key w-12"
                aria-label={`Bulkhead in ${b.element} back`}
                onClick={() => {
                  move(-stepM);
                }}
              >
                −
              </button>
              <button
                type="button"
                className="key w-12"
                aria-label={`Bulkhead in ${b.element} on`}
                onClick={() => {
                  move(stepM);
                }}
              >
                +
              </button>
              <button
                type="button"
                className="key w-12"
                aria-label={`Take out the bulkhead in ${b.element}`}
                onClick={() => {
                  put(bulkheads.filter((_, k) => k !== i));
                }}
              >
                <X size={18} />
              </button>
            </li>
          );
        })}
      </ul>
      {more && (
        <button
          type="button"
          className="btn soft"
          onClick={() => {
            put([...bulkheads, more]);
          }}
        >
          Part it at {bulkheads.length ? 'another' : 'a'} bulkhead
        </button>
      )}
    </section>
  );
}

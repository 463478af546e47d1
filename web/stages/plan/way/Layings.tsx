import { useMemo } from 'react';
import { layings } from '#core/pourplan';
import { layingName, layingText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { usePlanned } from '../planned.tsx';

/** Ways round that the tool lays, each with what it comes to; one press goes that way. */
export default function Layings() {
  const v = usePour();
  const { record, change, trying } = usePlanned();
  const { mix, plant } = v;
  const stands = v.record;
  // While something is tried by hand the proposals stay as they stand.
  const on = trying ? stands : record;
  const found = useMemo(() => layings(on.site, on.pour, mix, plant, on.duskMin), [on, mix, plant]);
  if (found.length === 0) return null;
  return (
    <section aria-label="Other ways round" className="flex flex-col">
      <h2 className="head border-b-2 border-ink pb-0.5">Laid another way</h2>
      <ul className="rows">
        {found.map((l) => (
          <li key={l.how} className="flex items-center gap-3 py-1.5">
            <Mark verdict={l.worstShare > 1 ? 'out' : 'good'} />
            <span className="min-w-0 flex-1">
              <b className="font-semibold">{layingName(l)}</b>
              <br />
              <span className="text-ink2">{layingText(l)}</span>
            </span>
            <button
              type="button"
              className="btn line"
              data-laying={l.how}
              onClick={() => {
                void change(l.change);
              }}
            >
              Go this way
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

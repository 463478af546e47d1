import { wayNotes } from '#core/pourplan';
import { distanceText } from '#core/units';
import { wayNoteText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';

/** What to mind along the way, where it is met. */
export default function WayNotes() {
  const v = usePour();
  const { plan, record } = usePlanned();
  const notes = wayNotes(record.site, plan);
  if (notes.length === 0) return null;
  return (
    <section aria-label="Along the way">
      <h2 className="head border-b-2 border-ink pb-0.5">Along the way</h2>
      <ul className="rows">
        {notes.map((n, i) => (
          <li key={i} className="flex gap-3 py-1.5" data-note={n.kind}>
            <b className="w-24 shrink-0 text-right tnum font-semibold">
              <T>{distanceText(n.atM, v.units)}</T>
            </b>
            <span>
              <T>{wayNoteText(n, v.units)}</T>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

import { entries } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';

export default function Defects() {
  const v = usePour();
  const defects = entries(v.state, 'defect');
  if (defects.length === 0) return null;
  return (
    <section>
      <h2 className="head border-b-2 border-ink pb-1">Defects</h2>
      <div className="rows">
        {defects.map((d) => (
          <p key={d.id} className="flex gap-3 py-2">
            <Mark verdict="tight" />
            <span className="flex-1">
              <b>{d.body.elementId}</b> <T>{d.body.what}</T>
            </span>
          </p>
        ))}
      </div>
    </section>
  );
}

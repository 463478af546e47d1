import type { SketchFigures } from '#core/begin';
import { textOf, type UnitSystem, volume } from '#core/units';

/** Concrete length by length, as a bar that grows. */
export function FigureStrip({ figures, units }: { figures: SketchFigures; units: UnitSystem }) {
  const { after, concreteM3, whole } = figures;
  const most = Math.max(concreteM3, 1e-9);
  return (
    <section className="border-t-2 border-ink px-4 pb-3 pt-2" aria-label="Figure by figure">
      <div className="flex justify-between">
        <h2 className="head">Figure by figure</h2>
        <span className="text-[14px] text-ink2">neat, drawn to scale</span>
      </div>
      <div className="mt-1 flex h-7 border-2 border-ink">
        {after.map((a, i) => {
          return (
            <span
              key={a.id}
              className={`flex items-center overflow-hidden whitespace-nowrap border-r border-ink pl-2 text-[14px] font-semibold ${i % 2 ? 'bg-fresh-2' : 'bg-fresh text-[var(--on-fresh)]'}`}
              style={{ width: `${(a.addedM3 / most) * 100}%` }}
            >
              {a.id} {textOf(volume(a.concreteM3, units, 1))}
            </span>
          );
        })}
      </div>
      <p className="mt-2 text-[14px] leading-[18px] text-ink2">
        {whole ? 'Waste, mix and trucks come in Plan; nothing is ordered here. ' : ''}
        Jactum measures and works out. The drawings, the engineer and the local code rule.
      </p>
    </section>
  );
}

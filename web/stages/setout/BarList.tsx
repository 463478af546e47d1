import { useMemo } from 'react';
import { type BarLine, barList } from '#core/steel';
import { barText, distanceText, lengthText, mass, textOf, type UnitSystem } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { T } from '../../ui/Text.tsx';

/** How one line of bar is cut, and how long its laps are. */
function cutText(b: BarLine, units: UnitSystem): string {
  const one = b.cuts.length === 1 && b.cuts[0]?.count === 1;
  const cuts = b.cuts
    .map((c) => `${c.count === 1 ? '' : `${c.count} × `}${distanceText(c.lengthM, units)}`)
    .join(' + ');
  const lapped = b.lapM === null ? ', coupled' : `, lap ${lengthText(b.lapM * 1000, units)}`;
  const joined = b.laps === 0 ? '' : lapped;
  return `${cuts}${one ? ' each' : ''}${joined}`;
}

function Bars({ bars, units }: { bars: BarLine[]; units: UnitSystem }) {
  return (
    <ul className="rows flex-1">
      {bars.map((b, i) => (
        <li key={i} className="grid grid-cols-[1fr_auto] items-baseline gap-x-3 py-1.5">
          <span>
            <b className="tnum font-semibold">{b.count}</b> × {barText(b.bar)} {b.what}
          </span>
          <b className="tnum text-right font-semibold">{textOf(mass(b.massKg, units))}</b>
          <span className="text-ink2">
            <T>{cutText(b, units)}</T>
          </span>
          <span className="tnum text-right text-ink2">
            <T>{distanceText(b.totalLengthM, units)}</T>
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Bars to cut and bend, run by run: how many, of what, cut how, and what they weigh. */
export function BarList() {
  const v = usePour();
  const { site, pour } = v.record;
  const bars = useMemo(
    () => barList({ site, pour }, v.mix.cylinderMPa),
    [site, pour, v.mix.cylinderMPa],
  );
  const totalKg = bars.reduce((s, b) => s + b.massKg, 0);
  return (
    <section aria-label="Bars to cut">
      <h2 className="head flex justify-between border-b-2 border-ink">
        <span>Bars to cut</span>
        <span className="tnum">{textOf(mass(totalKg, v.units))}</span>
      </h2>
      <ul className="rows">
        {pour.elements.flatMap((id) => {
          const own = bars.filter((b) => b.elementId === id);
          return own.length === 0
            ? []
            : [
                <li key={id} className="flex gap-3">
                  <b className="head w-14 shrink-0 pt-1.5 [overflow-wrap:anywhere]">{id}</b>
                  <Bars bars={own} units={v.units} />
                </li>,
              ];
        })}
      </ul>
      {bars.length === 0 && <p className="py-2 text-ink2">No bars are drawn in this pour.</p>}
    </section>
  );
}

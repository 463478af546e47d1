import type { ScaleLinear, ScalePower } from 'd3';
import type { Curing } from '#core/cure';
import { strength, type UnitSystem } from '#core/units';

/** Cylinders that were broken. */
export default function StrengthBreaks({
  curing,
  x,
  y,
  units,
}: {
  curing: Curing;
  x: ScalePower<number, number>;
  y: ScaleLinear<number, number>;
  units: UnitSystem;
}) {
  return curing.breaks.map((b, i) => (
    <g key={i}>
      <circle
        cx={x(b.ageDays * 24)}
        cy={y(b.strengthMPa)}
        r="7"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <text
        x={x(b.ageDays * 24) - 12}
        y={y(b.strengthMPa) - 10}
        textAnchor="end"
        fontSize="15"
        className="halo b"
      >
        {b.ageDays} day break {strength(b.strengthMPa, units).value}
      </text>
    </g>
  ));
}

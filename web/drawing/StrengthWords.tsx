import { type Line, type ScaleLinear, type ScalePower } from 'd3';
import type { Curing } from '#core/cure';
import { temperatureFigure, type UnitSystem } from '#core/units';

export default function StrengthWords({
  height,
  tempH,
  units,
  temps,
  m,
  ty,
  tpath,
  curing,
  readUntilH,
  x,
  untilH,
}: {
  height: number;
  tempH: number;
  units: UnitSystem;
  temps: number[];
  m: { l: number; r: number; t: number };
  ty: ScaleLinear<number, number>;
  tpath: Line<{ timeH: number; tempC: number }>;
  curing: Curing;
  readUntilH: number;
  x: ScalePower<number, number>;
  untilH: number;
}) {
  const [least, most] = [Math.min(...temps), Math.max(...temps)];
  // Two figures on one line are one.
  const ends = Math.abs(ty(least) - ty(most)) < 16 ? [most] : [least, most];
  return (
    <>
      <text x="16" y={height - tempH - 12} className="a" fontSize="16">
        Concrete
      </text>
      <text x="92" y={height - tempH - 12} fontSize="14" className="q">
        {temperatureFigure(0, units).unit}
      </text>
      {ends.map((c) => (
        <text key={c} x={m.l - 10} y={ty(c) + 5} textAnchor="end" className="m q" fontSize="14">
          {temperatureFigure(c, units).value}°
        </text>
      ))}
      <path
        d={tpath(curing.history.filter((h) => h.timeH <= readUntilH)) ?? ''}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path
        d={tpath(curing.history.filter((h) => h.timeH >= readUntilH)) ?? ''}
        fill="none"
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray="5 4"
      />
      {curing.readings.map((h) => (
        <circle
          key={h.timeH}
          cx={x(Math.min(untilH, h.timeH))}
          cy={ty(h.tempC)}
          r="3"
          fill="var(--ink)"
        />
      ))}
    </>
  );
}

import { line as d3line, scaleLinear, scalePow } from 'd3';
import type { Curing } from '../../core/cure/curing.ts';
import { strength, temperatureFigure, textOf, type UnitSystem } from '../../core/units/index.ts';

const DAYS = [0.333, 1, 2, 3, 7, 14, 28];

/** Ages on the axis that are said otherwise than by their number, days. */
const DAY_WORDS = new Map([
  [0.333, '8 h'],
  [1, '1 d'],
  [28, '28 days'],
]);

/** Strength by temperature against time, with the limit at which forms may come off, cylinder breaks, and the temperatures below. */
export function StrengthCurve({
  width,
  height,
  curing,
  fcMPa,
  units,
  stripLabel,
}: {
  width: number;
  height: number;
  curing: Curing;
  fcMPa: number;
  units: UnitSystem;
  stripLabel: string;
}) {
  if (width < 200 || height < 130) return null;
  // In a phone's band only the curve itself has room.
  const small = height < 320;
  const m = { l: 64, r: 22, t: small ? 26 : 44 };
  const tempH = Math.min(110, height * 0.22);
  const base = small ? height - 42 : height - tempH - 64;
  const untilH = curing.curve.at(-1)?.timeH ?? 672;
  // Early hours decide stripping: the axis gives them room (square root of time).
  const x = scalePow()
    .exponent(0.5)
    .domain([0, untilH])
    .range([m.l, width - m.r]);
  const y = scaleLinear(
    [
      0,
      Math.max(
        fcMPa * 1.1,
        ...curing.curve.map((c) => c.strengthMPa),
        ...curing.breaks.map((b) => b.strengthMPa),
      ),
    ],
    [base, m.t],
  );
  const path = d3line<{ timeH: number; strengthMPa: number }>()
    .x((c) => x(c.timeH))
    .y((c) => y(c.strengthMPa));
  const past = curing.curve.filter((c) => c.timeH <= curing.ageH);
  const nowX = x(Math.max(0, Math.min(untilH, curing.ageH)));
  const step = units === 'us' ? 6.894757293 : 10;
  const ticks: number[] = [];
  for (let s = step; s < (y.domain()[1] ?? 0); s += step) ticks.push(s);
  const stripH = curing.stripMs === null ? null : (curing.stripMs - curing.startMs) / 3_600_000;
  // After the last reading the line is a forecast.
  const readUntilH = curing.readings.at(-1)?.timeH ?? 0;
  const temps = curing.history.map((h) => h.tempC);
  const ty = scaleLinear(
    [Math.min(...temps) - 4, Math.max(...temps) + 4],
    [height - 30, height - tempH],
  );
  const tpath = d3line<{ timeH: number; tempC: number }>()
    .x((h) => x(Math.min(untilH, h.timeH)))
    .y((h) => ty(h.tempC));
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Strength now ${textOf(strength(curing.strengthMPa, units))}, forms may come off ${stripLabel}`}
    >
      <defs>
        <filter id="chalkcure">
          <feTurbulence type="fractalNoise" baseFrequency="0.9" numOctaves="2" seed="5" />
          <feDisplacementMap in="SourceGraphic" scale="3.5" />
        </filter>
      </defs>
      {!small && (
        <text x="16" y="26" className="a" fontSize="18">
          Strength
        </text>
      )}
      {!small && (
        <text x="92" y="26" fontSize="14" className="q">
          {strength(1, units).unit},{' '}
          {curing.measured
            ? 'from the temperatures as read'
            : 'from the temperatures expected: none is read yet'}
        </text>
      )}
      {ticks.map((s) => (
        <g key={s}>
          <path d={`M${m.l} ${y(s)}H${width - m.r}`} stroke="var(--hair)" />
          <text x={m.l - 10} y={y(s) + 5} textAnchor="end" className="m q" fontSize="14">
            {strength(s, units).value}
          </text>
        </g>
      ))}
      <path d={`M${m.l} ${y(fcMPa)}H${width - m.r}`} stroke="var(--ink)" strokeWidth="1.25" />
      <text x={width - m.r - 8} y={y(fcMPa) - 7} textAnchor="end" fontSize="15" className="b halo">
        f′c {textOf(strength(fcMPa, units))} at 28 days
      </text>
      <path d={`M${m.l} ${base}H${width - m.r}`} stroke="var(--ink)" strokeWidth="1.5" />
      {DAYS.filter((d) => d * 24 <= untilH + 1).map((d) => (
        <g key={d}>
          <path d={`M${x(d * 24)} ${base}v6`} stroke="var(--ink)" />
          <text
            x={x(d * 24)}
            y={base + 22}
            textAnchor={d === 28 ? 'end' : 'middle'}
            fontSize="14"
            className="q"
          >
            {DAY_WORDS.get(d) ?? d}
          </text>
        </g>
      ))}
      <path
        d={`M${m.l} ${y(curing.stripMPa)}H${stripH === null ? width - m.r : x(Math.min(untilH, stripH))}V${base}`}
        fill="none"
        stroke="var(--chalk)"
        strokeWidth="2"
      />
      {stripH !== null && (
        <text
          x={x(Math.min(untilH, stripH)) + (x(stripH) > width * 0.6 ? -8 : 8)}
          y={base - 10}
          textAnchor={x(stripH) > width * 0.6 ? 'end' : 'start'}
          className="b halo"
          fontSize="15"
          style={{ fill: 'var(--chalk-t)' }}
        >
          forms off {textOf(strength(curing.stripMPa, units))}, {stripLabel}
        </text>
      )}
      <path
        d={path(curing.curve) ?? ''}
        fill="none"
        stroke="var(--fresh)"
        strokeWidth="2.5"
        strokeDasharray="6 4"
      />
      <path d={path(past) ?? ''} fill="none" stroke="var(--fresh)" strokeWidth="5" />
      {curing.breaks.map((b, i) => (
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
      ))}
      {!small && (
        <>
          <text x="16" y={height - tempH - 12} className="a" fontSize="16">
            Concrete
          </text>
          <text x="92" y={height - tempH - 12} fontSize="14" className="q">
            {temperatureFigure(0, units).unit}
          </text>
          {[Math.min(...temps), Math.max(...temps)].map((c, i) => (
            <text key={i} x={m.l - 10} y={ty(c) + 5} textAnchor="end" className="m q" fontSize="14">
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
      )}
      <rect
        x={nowX - 2}
        y={m.t - 8}
        width="4"
        height={(small ? base : height - 12) - m.t + 8}
        fill="var(--chalk)"
        filter="url(#chalkcure)"
      />
      <circle cx={nowX} cy={y(curing.strengthMPa)} r="7" fill="var(--ink)" />
      <text
        x={nowX > width * 0.85 ? nowX - 12 : nowX + 14}
        y={y(curing.strengthMPa) + 34}
        textAnchor={nowX > width * 0.85 ? 'end' : 'start'}
        className="a halo"
        fontSize="26"
      >
        {strength(curing.strengthMPa, units).value}
      </text>
    </svg>
  );
}

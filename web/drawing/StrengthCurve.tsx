import { useId } from 'react';
import { strengthScales } from './strength-scales.ts';
import { type ScalePower } from 'd3';
import type { Curing } from '#core/cure';
import { strength, textOf, type UnitSystem } from '#core/units';
import { lazily } from '../ui/lazily.tsx';

/** The temperatures under the curve: a phone has no room for them. */
const StrengthWords = lazily(() => import('./StrengthWords.tsx'));
/** Few pours have any. */
const StrengthBreaks = lazily(() => import('./StrengthBreaks.tsx'));

const DAYS = [0.333, 1, 2, 3, 7, 14, 28];

/** Ages on the axis that are said otherwise than by their number, days. */
const DAY_WORDS = new Map([
  [0.333, '8 h'],
  [1, '1 d'],
  [28, '28 days'],
]);

/**
 * Strength by temperature against time, with the limit at which forms may come off, cylinder
 * breaks, and the temperatures below.
 */
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
  const chalk = useId();
  if (width < 200 || height < 130) return null;
  const sc = strengthScales(width, height, curing, fcMPa, units);
  const { small, m, tempH, base, untilH, x, y, path, ticks, temps, ty, tpath } = sc;
  const past = curing.curve.filter((c) => c.timeH <= curing.ageH);
  const nowX = x(Math.max(0, Math.min(untilH, curing.ageH)));
  const stripH = curing.stripMs === null ? null : (curing.stripMs - curing.startMs) / 3_600_000;
  // After the last reading the line is a forecast.
  const readUntilH = curing.readings.at(-1)?.timeH ?? 0;
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label={`Strength now ${textOf(strength(curing.strengthMPa, units))}, forms may come off ${stripLabel}`}
    >
      <defs>
        <filter id={chalk}>
          <feTurbulence type="fractalNoise" baseFrequency="0.9" numOctaves="2" seed="5" />
          <feDisplacementMap in="SourceGraphic" scale="3.5" />
        </filter>
      </defs>
      <Title small={small} />
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
      <Days untilH={untilH} x={x} base={base} />
      <path
        d={`M${m.l} ${y(curing.stripMPa)}H${stripH === null ? width - m.r : x(Math.min(untilH, stripH))}V${base}`}
        fill="none"
        stroke="var(--chalk)"
        strokeWidth="2"
      />
      <StripMoment
        stripH={stripH}
        x={x}
        untilH={untilH}
        width={width}
        base={base}
        curing={curing}
        units={units}
        stripLabel={stripLabel}
      />
      <path
        d={path(curing.curve) ?? ''}
        fill="none"
        stroke="var(--fresh)"
        strokeWidth="2.5"
        strokeDasharray="6 4"
      />
      <path d={path(past) ?? ''} fill="none" stroke="var(--fresh)" strokeWidth="5" />
      {curing.breaks.length > 0 && <StrengthBreaks curing={curing} x={x} y={y} units={units} />}
      {!small && (
        <StrengthWords
          height={height}
          tempH={tempH}
          units={units}
          temps={temps}
          m={m}
          ty={ty}
          tpath={tpath}
          curing={curing}
          readUntilH={readUntilH}
          x={x}
          untilH={untilH}
        />
      )}
      <rect
        x={nowX - 2}
        y={m.t - 8}
        width="4"
        height={(small ? base : height - 12) - m.t + 8}
        fill="var(--chalk)"
        filter={`url(#${chalk})`}
      />
      <Now x={nowX} y={y(curing.strengthMPa)} width={width} base={base}>
        {strength(curing.strengthMPa, units).value}
      </Now>
    </svg>
  );
}

/** The strength as it is now, on the curve. */
function Now({
  x,
  y,
  width,
  base,
  children,
}: {
  x: number;
  y: number;
  width: number;
  base: number;
  children: string;
}) {
  const atEnd = x > width * 0.85;
  return (
    <>
      <circle cx={x} cy={y} r="7" fill="var(--ink)" />
      <text
        x={atEnd ? x - 12 : x + 14}
        // Under the curve, and above the axis' own words where it begins.
        y={Math.min(y + 34, base - 12)}
        textAnchor={atEnd ? 'end' : 'start'}
        className="a halo"
        fontSize="26"
      >
        {children}
      </text>
    </>
  );
}

function Title({ small }: { small: boolean }) {
  return (
    !small && (
      <text x="16" y="26" className="a" fontSize="18">
        Strength
      </text>
    )
  );
}

/** When forms may come off. */
function StripMoment({
  stripH,
  x,
  untilH,
  width,
  base,
  curing,
  units,
  stripLabel,
}: {
  stripH: number | null;
  x: ScalePower<number, number>;
  untilH: number;
  width: number;
  base: number;
  curing: Curing;
  units: UnitSystem;
  stripLabel: string;
}) {
  return (
    stripH !== null && (
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
    )
  );
}

function Days({
  untilH,
  x,
  base,
}: {
  untilH: number;
  x: ScalePower<number, number>;
  base: number;
}) {
  return DAYS.filter((d) => d * 24 <= untilH + 1).map((d) => (
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
  ));
}

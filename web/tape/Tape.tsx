import { scaleLinear } from 'd3';
import type { Verdict } from '#core/check';
import { lengthText, MM_PER_IN, type UnitSystem } from '#core/units';
import { MarkAt } from '../ui/Mark.tsx';
import { TSpans } from '../ui/Text.tsx';

interface Props {
  units: UnitSystem;
  width: number;
  wantedMm: number;
  lowMm: number | null;
  highMm: number | null;
  readings: { mm: number; verdict: Verdict }[];
  typedMm: number | null;
}

const STEPS_MM = {
  us: [1 / 8, 1 / 4, 1 / 2, 1, 2, 3, 6, 12, 24].map((i) => i * MM_PER_IN),
  metric: [1, 2, 5, 10, 20, 50, 100, 200, 500],
};

/** A stretch of tape with the allowed range on it, and every reading at its mark. */
export function Tape({ units, width, wantedMm, lowMm, highMm, readings, typedMm }: Props) {
  const low = lowMm ?? wantedMm;
  const reach = Math.max(
    Math.abs(wantedMm - low) * 2.2,
    highMm === null ? 0 : (highMm - wantedMm) * 1.6,
    units === 'us' ? MM_PER_IN : 20,
  );
  const all = [
    wantedMm - reach,
    wantedMm + reach,
    ...readings.map((r) => r.mm),
    ...(typedMm === null ? [] : [typedMm]),
  ];
  const from = Math.max(wantedMm > 0 && low >= 0 ? 0 : -Infinity, Math.min(...all));
  const to = Math.max(...all);
  const x = scaleLinear([from, to], [8, width - 8]);
  const step = STEPS_MM[units].find((s) => x(from + s) - x(from) >= 9) ?? 1000;
  const label = STEPS_MM[units].find((s) => s >= step && x(from + s) - x(from) >= 70) ?? step * 10;
  const ticks: number[] = [];
  for (let t = Math.ceil(from / step) * step; t <= to + 1e-6; t += step) ticks.push(t);
  if (width < 40) return null;
  const end = highMm ?? to;
  // A figure that one of the lines would strike through stands beside it.
  const lines = [low, wantedMm, ...(highMm === null ? [] : [highMm])].map((mm) => x(mm));
  const struck = (t: number) => lines.some((l) => Math.abs(l - x(t)) < 8);
  const names = x(wantedMm) - x(low) > 60;
  return (
    <svg
      width={width}
      height="72"
      role="img"
      aria-label={`Wanted ${lengthText(wantedMm, units)}, least ${lengthText(low, units)}${highMm === null ? '' : `, most ${lengthText(highMm, units)}`}`}
    >
      <rect
        x="1"
        y="22"
        width={width - 2}
        height="34"
        fill="var(--ground)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <rect
        x={x(low)}
        y="23"
        width={Math.max(0, x(end) - x(low))}
        height="32"
        fill="var(--good-2)"
      />
      {ticks.map((t) => {
        const major = Math.abs(t / label - Math.round(t / label)) < 1e-6;
        return (
          <g key={t}>
            <path d={`M${x(t)} 56v${major ? -18 : -9}`} stroke="var(--ink2)" />
            {major && x(t) > 22 && x(t) < width - 22 && (
              <text
                x={x(t) + (struck(t) ? 5 : 0)}
                y="36"
                fontSize="14"
                textAnchor={struck(t) ? 'start' : 'middle'}
                className="b"
              >
                <TSpans>{lengthText(t, units).replace(/ (in|mm)$/, '')}</TSpans>
              </text>
            )}
          </g>
        );
      })}
      {[low, ...(highMm === null ? [] : [highMm])].map((l) => (
        <path key={l} d={`M${x(l)} 16V60`} stroke="var(--chalk)" strokeWidth="2.5" />
      ))}
      <path
        d={`M${x(wantedMm)} 22V56`}
        stroke="var(--ink)"
        strokeWidth="1.5"
        strokeDasharray="5 4"
      />
      {typedMm !== null && (
        <path d={`M${x(typedMm)} 12V60`} stroke="var(--press)" strokeWidth="3" />
      )}
      {readings.map((r, i) => (
        <MarkAt key={i} verdict={r.verdict} x={x(r.mm)} y={10} />
      ))}
      <text
        x={Math.max(18, Math.min(width - 30, x(low)))}
        y="71"
        fontSize="14"
        textAnchor="middle"
        className="q"
      >
        least
      </text>
      {names && (
        <text
          x={Math.min(width - 30, x(wantedMm))}
          y="71"
          fontSize="14"
          textAnchor="middle"
          className="q"
        >
          wanted
        </text>
      )}
      {highMm !== null && x(highMm) - x(names ? wantedMm : low) > (names ? 55 : 42) && (
        <text
          x={Math.min(width - 22, x(highMm))}
          y="71"
          fontSize="14"
          textAnchor="middle"
          className="q"
        >
          most
        </text>
      )}
    </svg>
  );
}

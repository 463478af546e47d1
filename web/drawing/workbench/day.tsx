import { scaleLinear, type ScaleLinear } from 'd3';
import { clockText, type UnitSystem, volume } from '#core/units';
import { type DrawProps, list, num } from './parts.tsx';

/** Hours of a day: loads on the road, weather that allows or not, or daylight. */
export function DayDrawing({ id, input, result, units, width, height }: DrawProps) {
  const loads =
    id === 'truck-plan'
      ? list<{ volumeM3: number; batchMin: number; arriveMin: number }>(result, 'loads')
      : list<{ arriveMin: number; endMin: number | null }>(
          (result.timetable ?? {}) as Record<string, unknown>,
          'loads',
        ).map((l) => ({ volumeM3: 0, batchMin: l.arriveMin, arriveMin: l.endMin ?? l.arriveMin }));
  const hours = list<{ timeMin: number; level: string; reasons: string[] }>(result, 'hours');
  const rate = num(input, 'placingRateM3PerH');
  const sun =
    id === 'daylight'
      ? ([num(result, 'sunriseMin'), num(result, 'sunsetMin'), num(result, 'duskMin')] as const)
      : null;
  const span = (): [number, number] => {
    if (sun) return [0, 1440];
    if (hours.length) return [hours[0]?.timeMin ?? 0, (hours.at(-1)?.timeMin ?? 0) + 60];
    const emptied = (l: (typeof loads)[number]) =>
      l.arriveMin + (rate ? (l.volumeM3 / rate) * 60 : 0);
    return [Math.min(...loads.map((l) => l.batchMin)), Math.max(...loads.map(emptied))];
  };
  const all = span();
  const x = scaleLinear([all[0], Math.max(all[1], all[0] + 1)], [60, width - 30]);
  const step = Math.min(38, (height - 90) / Math.max(1, loads.length));
  const top = 30;
  const FILL: Record<string, string> = {
    go: 'var(--good-2)',
    caution: 'var(--ochre-2)',
    no: 'var(--chalk-2)',
  };
  const [first = 0, last = 0] = all;
  const every = [5, 10, 15, 30, 60, 120, 180, 240].find((m) => (last - first) / m <= 9) ?? 360;
  const ticks = Array.from(
    { length: 12 },
    (_, i) => Math.ceil(first / every) * every + i * every,
  ).filter((m) => m <= last);
  return (
    <svg width={width} height={height} role="img" aria-label="Hours of the day">
      {hours.map((h) => (
        <g key={h.timeMin}>
          <rect
            x={x(h.timeMin)}
            y={top}
            width={x(h.timeMin + 60) - x(h.timeMin)}
            height={height * 0.5}
            fill={FILL[h.level]}
            stroke="var(--ground)"
          />
          <text
            x={(x(h.timeMin) + x(h.timeMin + 60)) / 2}
            y={top + 26}
            textAnchor="middle"
            fontSize="15"
            className="a"
          >
            {h.level}
          </text>
        </g>
      ))}
      <SunHours sun={sun} x={x} top={top} height={height} />
      <LoadBars loads={loads} id={id} rate={rate} top={top} step={step} x={x} units={units} />
      {ticks.map((m) => (
        <g key={m}>
          <path d={`M${x(m)} ${height - 40}v8`} stroke="var(--ink)" />
          <text x={x(m)} y={height - 14} textAnchor="middle" fontSize="14" className="q">
            {clockText(m)}
          </text>
        </g>
      ))}
      <path d={`M60 ${height - 40}H${width - 30}`} stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}

/** Each load from its batch until it is empty. */
function LoadBars({
  loads,
  id,
  rate,
  top,
  step,
  x,
  units,
}: {
  loads: { volumeM3: number; batchMin: number; arriveMin: number }[];
  id: string;
  rate: number;
  top: number;
  step: number;
  x: ScaleLinear<number, number>;
  units: UnitSystem;
}) {
  return loads.map((l, i) => {
    const done = id === 'truck-plan' && rate ? l.arriveMin + (l.volumeM3 / rate) * 60 : l.arriveMin;
    const y = top + i * step;
    return (
      <g key={i}>
        <rect
          x={x(l.batchMin)}
          y={y}
          width={Math.max(2, x(l.arriveMin) - x(l.batchMin))}
          height={step * 0.62}
          fill={id === 'truck-plan' ? 'var(--stiff)' : 'var(--fresh)'}
        />
        <rect
          x={x(l.arriveMin)}
          y={y}
          width={Math.max(0, x(done) - x(l.arriveMin))}
          height={step * 0.62}
          fill="var(--fresh)"
        />
        <text x="52" y={y + step * 0.5} textAnchor="end" fontSize="15" className="b">
          L{i + 1}
        </text>
        {id === 'truck-plan' && (
          <text
            x={x(l.arriveMin) + 6}
            y={y + step * 0.5}
            fontSize="14"
            style={{ fill: 'var(--on-fresh)' }}
          >
            {volume(l.volumeM3, units, 1).value}
          </text>
        )}
      </g>
    );
  });
}

/** Night, dawn, day and dusk. */
function SunHours({
  sun,
  x,
  top,
  height,
}: {
  sun: readonly [number, number, number] | null;
  x: ScaleLinear<number, number>;
  top: number;
  height: number;
}) {
  return (
    sun && (
      <>
        <rect x={x(0)} y={top} width={x(1440) - x(0)} height={height * 0.45} fill="var(--stiff)" />
        <rect
          x={x(sun[0])}
          y={top}
          width={x(sun[2]) - x(sun[0])}
          height={height * 0.45}
          fill="var(--stiff-2)"
        />
        <rect
          x={x(sun[0])}
          y={top}
          width={x(sun[1]) - x(sun[0])}
          height={height * 0.45}
          fill="var(--sheet)"
          stroke="var(--ink)"
        />
        {(['sunrise', 'sunset', 'dusk'] as const).map((word, i) => (
          <text
            key={word}
            x={x(sun[i] ?? 0)}
            y={top + height * 0.45 + 24 + i * 20}
            textAnchor="middle"
            fontSize="16"
            className="b halo"
          >
            {word} {clockText(sun[i] ?? 0)}
          </text>
        ))}
      </>
    )
  );
}

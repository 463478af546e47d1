import type { LoadState } from '#core/pourlog';
import type { PourPlan } from '#core/pourplan';
import { type UnitSystem, volume } from '#core/units';

interface LoadBarProps {
  index: number;
  of: number;
  x: number;
  width: number;
  id: string;
  plan: PourPlan;
  t: (m: number) => number;
  units: UnitSystem;
  maxAgeMin: number;
  actual: LoadState | undefined;
  minuteOf: ((ms: number) => number) | undefined;
  nowMin: number | null;
  bottom: number;
  strip: boolean;
}

/** Room a load's number takes, px. */
const NAME_PX = 20;
/** Where many batches stand close, every second, fifth, tenth … is named. */
const everyNth = (pitch: number): number =>
  [1, 2, 5, 10, 20, 50, 100].find((n) => n * pitch >= NAME_PX) ?? 200;

/** One load from batching to its end: on the road hollow, discharging solid, its age limit struck in chalk. */
export function LoadBar({
  index,
  of,
  x,
  width,
  id,
  plan,
  t,
  units,
  maxAgeMin,
  actual,
  minuteOf,
  nowMin,
  bottom,
  strip,
}: LoadBarProps) {
  const pitch = Math.min(40, (width - 14) / of);
  const named = index % everyNth(pitch) === everyNth(pitch) - 1;
  const cx = x + pitch * (index + 0.5);
  const planned = plan.timetable.loads.find((l) => l.id === id);
  const sim = plan.simulation.loads[index];
  if (!planned || !sim) return null;
  const ms = (iso: string | null | undefined) =>
    iso && minuteOf ? minuteOf(Date.parse(iso)) : null;
  const batch = ms(actual?.batchedAt) ?? sim.batchMin + sim.plantDelay.medianMin;
  const arrive = ms(actual?.arrivedAt) ?? planned.arriveMin;
  const here = actual?.arrivedAt !== null && actual?.arrivedAt !== undefined;
  const start = ms(actual?.firstPlacedAt) ?? (here ? null : planned.startMin);
  const end = ms(actual?.endedAt) ?? (here ? nowMin : planned.endMin);
  const w = Math.min(22, pitch * 0.6);
  const solid = !actual || here;
  const age = batch + maxAgeMin;
  return (
    <g>
      {named && (
        <text x={cx} y={strip ? 40 : 12} textAnchor="middle" className="a" fontSize="17">
          {id.replace(/^L/, '')}
        </text>
      )}
      {pitch >= 28 && (
        <text x={cx} y={strip ? 60 : 26} textAnchor="middle" fontSize="14">
          {String(Number(volume(actual?.volumeM3 ?? sim.volumeM3, units).value))}
        </text>
      )}
      <rect
        x={cx - w / 4}
        y={t(batch)}
        width={w / 2}
        height={Math.max(0, t(arrive) - t(batch))}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.25"
        strokeDasharray={solid ? undefined : '4 3'}
      />
      {start !== null && (
        <path d={`M${cx} ${t(arrive)}V${t(start)}`} stroke="var(--ink)" strokeWidth="1.5" />
      )}
      {start !== null && end !== null && (
        <rect
          x={cx - w / 2}
          y={t(start)}
          width={w}
          height={Math.max(1, t(end) - t(start))}
          fill={solid ? 'var(--fresh)' : 'none'}
          stroke={solid ? 'none' : 'var(--fresh)'}
          strokeWidth="1.5"
        />
      )}
      {actual?.decision === 'reject' && (
        <path
          d={`M${cx - 8} ${t(arrive)}l16 16M${cx + 8} ${t(arrive)}l-16 16`}
          stroke="var(--chalk)"
          strokeWidth="3"
        />
      )}
      {t(age) < bottom && (
        <g>
          <path
            d={`M${cx - w * 0.7} ${t(age)}H${cx + w * 0.7}`}
            stroke="var(--chalk)"
            strokeWidth="2.5"
          />
          {index === of - 1 && t(age) + 16 < bottom && (
            <text
              x={Math.min(cx + 22, x + width - 8)}
              y={t(age) + 15}
              textAnchor="end"
              fontSize="14"
              style={{ fill: 'var(--chalk-t)' }}
            >
              {maxAgeMin} min
            </text>
          )}
        </g>
      )}
    </g>
  );
}

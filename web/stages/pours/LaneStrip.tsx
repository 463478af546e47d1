import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { clockText, counted, strength } from '#core/units';
import type { Lane } from '#core/view';
import { pourDayMs } from '#core/weather';
import { momentDay, NOW_X, StripDays, stripScale } from './strip.tsx';
import type { LaneRow } from './useLanes.ts';

const HOUR = 3_600_000;
const H = 100;

/** When a pour begins and ends, as it was or as it is planned; null where it has no day. */
function stretchOf(lane: Lane, dayMs: number | null): { start: number; end: number } | null {
  if (dayMs === null) return null;
  const { startedMs, finishedMs } = lane.progress;
  return {
    start: startedMs ?? dayMs + lane.plan.firstLoadMin * 60_000,
    end: finishedMs ?? dayMs + lane.plan.finishMin * 60_000,
  };
}

/** The lane's own stretch of the strip: when it is checked and poured, and how its strength grows. */
export function LaneStrip({
  site,
  pour,
  row,
  todayMs,
  width,
}: {
  site: SiteSummary;
  pour: PourSummary;
  row: LaneRow | undefined;
  todayMs: number;
  width: number;
}) {
  const lane = row?.lane;
  if (!lane || lane === 'wait' || width < 60) return null;
  const { units, timeZone } = site;
  const x = stripScale(todayMs, width);
  const dayMs = pour.date === null ? null : pourDayMs(pour.date, lane.plan.firstLoadMin, timeZone);
  const stretch = stretchOf(lane, dayMs);
  const [start, end] = [stretch?.start ?? null, stretch?.end ?? null];
  const c = lane.curing;
  const foot = H - 12;
  const narrow = start !== null && Math.abs(start - todayMs - 12 * HOUR) > 12 * HOUR;
  const label = (): string => {
    if (start === null || end === null) return '';
    if (narrow) return momentDay(start, timeZone);
    const doneMin = (end - (dayMs ?? 0)) / 60_000;
    return `${clockText(lane.plan.firstLoadMin)}, ${counted(lane.plan.loads, 'load')}, done ${clockText(doneMin)}`;
  };
  const right = start !== null && x(start) > width * 0.72;
  return (
    <svg width={width} height={H} aria-hidden="true" className="block">
      <StripDays todayMs={todayMs} scale={x} height={H} />
      <path d={`M0 ${foot}H${width}`} stroke="var(--hair)" />
      {c && (
        <>
          <path
            d={`M${c.curve.map((p) => `${x(c.startMs + p.timeH * HOUR)} ${foot - (p.strengthMPa / lane.cylinderMPa) * (H - 40)}`).join('L')}`}
            fill="none"
            stroke="var(--fresh)"
            strokeWidth="2.5"
            strokeDasharray="6 4"
          />
          <path d={`M0 ${foot - (H - 40)}H${width}`} stroke="var(--chalk)" />
          <text
            x={width - 4}
            y={foot - (H - 40) - 5}
            textAnchor="end"
            fontSize="14"
            className="halo"
            style={{ fill: 'var(--chalk-t)' }}
          >
            f′c {strength(lane.cylinderMPa, units).value}
          </text>
        </>
      )}
      {start !== null && end !== null && (
        <>
          <rect
            x={x(start)}
            y="26"
            width={Math.max(6, x(end) - x(start))}
            height={foot - 26}
            fill={lane.progress.startedMs === null ? 'var(--fresh-2)' : 'var(--fresh)'}
            stroke="var(--fresh)"
            strokeWidth="2"
          />
          <text
            x={right ? x(end) : x(start)}
            y="19"
            textAnchor={right ? 'end' : 'start'}
            fontSize="15"
            className="b halo"
          >
            {label()}
          </text>
        </>
      )}
      {dayMs === null && (
        <text x={x(todayMs + 7 * HOUR)} y={foot - 22} fontSize="15" className="q">
          no date yet
        </text>
      )}
      <path
        d={`M0 0V${H}`}
        stroke="var(--chalk)"
        strokeWidth="3"
        style={{ transform: `translateX(var(${NOW_X}))` }}
      />
    </svg>
  );
}

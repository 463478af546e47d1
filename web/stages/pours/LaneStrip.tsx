import type { PourAnswer } from '../../../contract/index.ts';
import { clockText, counted, strength } from '#core/units';
import { pourDayMs } from '#core/weather';
import { momentDay, StripDays, stripScale } from './strip.tsx';
import { useLane } from './useLane.ts';

const HOUR = 3_600_000;
const H = 100;

/** The lane's own stretch of the strip: when it is checked and poured, and how its strength grows. */
export function LaneStrip({
  record,
  nowMs,
  todayMs,
  width,
}: {
  record: PourAnswer;
  nowMs: number;
  todayMs: number;
  width: number;
}) {
  const lane = useLane(record, nowMs);
  if (!lane || lane === 'reading' || width < 60) return null;
  const x = stripScale(todayMs, width);
  const dayMs =
    record.pour.date === null
      ? null
      : pourDayMs(record.pour.date, record.pour.settings.firstLoadMin, record.site.timeZone);
  const start =
    dayMs === null
      ? null
      : (lane.progress.startedMs ?? dayMs + record.pour.settings.firstLoadMin * 60_000);
  const end =
    dayMs === null
      ? null
      : (lane.progress.finishedMs ?? dayMs + lane.plan.timetable.finishMin * 60_000);
  const c = lane.curing;
  const foot = H - 12;
  const narrow = start !== null && Math.abs(start - todayMs - 12 * HOUR) > 12 * HOUR;
  const label = (): string => {
    if (start === null || end === null) return '';
    if (narrow) return momentDay(start, record.site.timeZone);
    const doneMin = (end - (dayMs ?? 0)) / 60_000;
    return `${clockText(record.pour.settings.firstLoadMin)}, ${counted(lane.plan.loadIds.length, 'load')}, done ${clockText(doneMin)}`;
  };
  const right = start !== null && x(start) > width * 0.72;
  return (
    <svg width={width} height={H} aria-hidden="true" className="block">
      <StripDays todayMs={todayMs} scale={x} height={H} />
      <path d={`M0 ${foot}H${width}`} stroke="var(--hair)" />
      {c && (
        <>
          <path
            d={`M${c.curve.map((p) => `${x(c.startMs + p.timeH * HOUR)} ${foot - (p.strengthMPa / lane.mix.cylinderMPa) * (H - 40)}`).join('L')}`}
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
            f′c {strength(lane.mix.cylinderMPa, record.site.units).value}
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
      <path d={`M${x(nowMs)} 0V${H}`} stroke="var(--chalk)" strokeWidth="3" />
    </svg>
  );
}

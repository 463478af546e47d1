import { extent, scaleLinear, type ScaleLinear } from 'd3';
import type { WeatherHour } from '../../../contract/index.ts';
import { COLD_AIR_C } from '#core/concrete';
import { temperatureFigure, type UnitSystem } from '#core/units';
import { dailyWeather } from '#core/weather';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** The working day is drawn wide: from five to eight in the evening. */
const WIDE = { fromH: 5, toH: 20 };

/** One time strip for all lanes: two weeks back and ahead narrow, today wide. */
export const stripScale = (todayMs: number, width: number): ScaleLinear<number, number> =>
  scaleLinear(
    [
      todayMs - 14 * DAY,
      todayMs + WIDE.fromH * HOUR,
      todayMs + WIDE.toH * HOUR,
      todayMs + 16 * DAY,
    ],
    [0, width * 0.2, width * 0.72, width],
  ).clamp(true);

/** Where now is on the strip: a property of the whole list, so that a minute moves a line and draws nothing anew. */
export const NOW_X = '--now-x';

/** A day as people say it: "Fri 2 Oct". */
export const momentDay = (ms: number, timeZone: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone,
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  }).format(ms);

/** Today's ground, and days off in the rest of the strip. */
export function StripDays({
  todayMs,
  scale,
  height,
}: {
  todayMs: number;
  scale: ScaleLinear<number, number>;
  height: number;
}) {
  const days = Array.from({ length: 31 }, (_, i) => todayMs + (i - 14) * DAY).filter(
    (d) => d !== todayMs && [0, 6].includes(new Date(d + 12 * HOUR).getUTCDay()),
  );
  const [a, b] = [scale(todayMs + WIDE.fromH * HOUR), scale(todayMs + WIDE.toH * HOUR)];
  return (
    <g>
      {days.map((d) => (
        <rect
          key={d}
          x={scale(d)}
          width={Math.max(0, scale(d + DAY) - scale(d))}
          height={height}
          fill="var(--void)"
        />
      ))}
      <rect x={a} width={b - a} height={height} fill="var(--sheet)" />
      {[a, b].map((x) => (
        <path key={x} d={`M${x} 0V${height}`} stroke="var(--stiff)" strokeWidth="1.5" />
      ))}
    </g>
  );
}

/** Dates, hours and the weather over the lanes. */
export function StripAxis({
  width,
  scale,
  todayMs,
  nowMs,
  timeZone,
  units,
  hours,
}: {
  width: number;
  scale: ScaleLinear<number, number>;
  todayMs: number;
  nowMs: number;
  timeZone: string;
  units: UnitSystem;
  hours: WeatherHour[];
}) {
  if (width < 60) return null;
  const H = 112;
  const times = [6, 8, 10, 12, 14, 16, 18];
  const days = (width > 700 ? [-12, -7, -3, 4, 8, 13] : [-11, -4, 4, 12]).map(
    (d) => todayMs + d * DAY,
  );
  const today = hours.filter(
    (h) =>
      Date.parse(h.at) >= todayMs + WIDE.fromH * HOUR &&
      Date.parse(h.at) <= todayMs + WIDE.toH * HOUR,
  );
  const [low = 0, high = 20] = extent(hours, (h) => h.airTempC);
  const y = scaleLinear([low, high], [H - 10, 46]);
  const byDay = dailyWeather(hours, timeZone)
    .map((d): StripDay => ({ at: d.atMs, range: [d.lowC, d.highC], rain: d.rainMm }))
    .filter((d) => d.at < todayMs || d.at > todayMs + DAY);
  const rain = today.filter((h) => h.rainMmH > 0);
  return (
    <svg width={width} height={H} role="img" aria-label="Dates, hours and weather">
      <StripDays todayMs={todayMs} scale={scale} height={H} />
      {days.map((d) => (
        <text key={d} x={scale(d)} y="18" textAnchor="middle" fontSize="14" className="q">
          {new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric' }).format(d + 12 * HOUR)}
        </text>
      ))}
      {times
        .filter((h) => width > 480 || h % 6 === 0)
        .map((h) => (
          <text
            key={h}
            x={scale(todayMs + h * HOUR)}
            y="18"
            textAnchor="middle"
            fontSize="14"
            className="m b"
          >
            {String(h).padStart(2, '0')}
          </text>
        ))}
      <DayWeather byDay={byDay} scale={scale} y={y} H={H} />
      {hours.length === 0 && (
        <text x={scale(todayMs + 12 * HOUR)} y="70" textAnchor="middle" fontSize="15" className="q">
          no forecast yet
        </text>
      )}
      {hours.length > 0 && low < COLD_AIR_C && (
        <>
          <path d={`M0 ${y(COLD_AIR_C)}H${width}`} stroke="var(--line)" strokeDasharray="2 4" />
          <text x="2" y={y(COLD_AIR_C) - 4} fontSize="14" className="q halo">
            {temperatureFigure(COLD_AIR_C, units).value}° cold rules
          </text>
        </>
      )}
      {rain.map((h) => (
        <rect
          key={h.at}
          x={scale(Date.parse(h.at))}
          width={scale(Date.parse(h.at) + HOUR) - scale(Date.parse(h.at))}
          y={H - h.rainMmH * 6}
          height={h.rainMmH * 6}
          fill="var(--fresh)"
        />
      ))}
      {rain[0] && (
        <text
          x={scale(Date.parse(rain[0].at)) + 4}
          y={H - 26}
          fontSize="15"
          className="b halo-sheet"
        >
          rain
        </text>
      )}
      {today.length > 1 && (
        <path
          d={`M${today.map((h) => `${scale(Date.parse(h.at))} ${y(h.airTempC)}`).join('L')}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.5"
        />
      )}
      {today
        .filter((_, i) => i % 4 === 2)
        .map((h) => (
          <text
            key={h.at}
            x={scale(Date.parse(h.at))}
            y={y(h.airTempC) - 8}
            textAnchor="middle"
            fontSize="15"
            className="b halo-sheet"
          >
            {temperatureFigure(h.airTempC, units).value}°
          </text>
        ))}
      <path d={`M${scale(nowMs)} 26V${H}`} stroke="var(--chalk)" strokeWidth="3" />
    </svg>
  );
}

/** A day that is drawn narrow. */
interface StripDay {
  at: number;
  range: [number, number];
  rain: number;
}

function DayWeather({
  byDay,
  scale,
  y,
  H,
}: {
  byDay: StripDay[];
  scale: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  H: number;
}) {
  return byDay.map((d) => (
    <g key={d.at}>
      <rect
        x={scale(d.at) - 2.5}
        y={y(d.range[1])}
        width="5"
        height={Math.max(2, y(d.range[0]) - y(d.range[1]))}
        fill="var(--stiff)"
      />
      {d.rain > 1 && (
        <rect
          x={scale(d.at) - 4}
          y={H - 6 - Math.min(14, d.rain)}
          width="8"
          height={Math.min(14, d.rain) + 6}
          fill="var(--fresh)"
        />
      )}
    </g>
  ));
}

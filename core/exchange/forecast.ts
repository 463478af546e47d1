import { instantOf, numberOf } from './line.ts';

/** An hour as it stands in a file: universal time, and what the line gave. */
interface ForecastLine {
  at: string;
  airTempC: number;
  humidity?: number;
  windKmH?: number;
  rainMmH?: number;
}
export interface ForecastRead {
  hours: ForecastLine[];
  /** What is wrong with which line, counted from 1. */
  problems: { line: number; message: string }[];
}

/**
 * Reads a forecast from the lines of a table: time, air °C, humidity in 100, wind km/h, rain mm/h;
 * the last three may be left out. A first line of words is a head.
 */
export function readForecast(rows: readonly string[][], timeZone: string): ForecastRead {
  const out: ForecastRead = { hours: [], problems: [] };
  rows.forEach((row, i) => {
    if (row.every((c) => c.trim() === '')) return;
    const ms = instantOf(row[0] ?? '', timeZone);
    const [air, humidity, wind, rain] = row.slice(1, 5).map(numberOf);
    if (ms === null && i === 0) return;
    const say = (message: string) => {
      out.problems.push({ line: i + 1, message });
    };
    if (ms === null) say('does not begin with a time as 2026-09-24 06:00');
    else if (air === undefined || Number.isNaN(air)) say('has no air temperature after its time');
    else if ([humidity, wind, rain].some((n) => Number.isNaN(n)))
      say('holds words where a number belongs');
    else
      out.hours.push({
        at: new Date(ms).toISOString(),
        airTempC: air,
        ...(humidity === undefined ? {} : { humidity: humidity / 100 }),
        ...(wind === undefined ? {} : { windKmH: wind }),
        ...(rain === undefined ? {} : { rainMmH: rain }),
      });
  });
  out.hours.sort((a, b) => a.at.localeCompare(b.at));
  return out;
}

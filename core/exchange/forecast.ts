import { fromShown, type Quantity, shownUnit, type UnitSystem } from '#core/units';
import { instantOf, numberOf } from './line.ts';

/** What a line holds after its time, in its order. */
const COLUMNS = ['C', null, 'KmH', 'MmH'] as const satisfies (Quantity | null)[];
/** Units that a head may name over a column: the system whose unit it is. */
const UNIT_IN_HEAD: [RegExp, UnitSystem][] = [
  [/°\s*F\b|\bmph\b|\bin\/h\b/i, 'us'],
  [/°\s*C\b|\bkm\/h\b|\bmm\/h\b/i, 'metric'],
];

/** The columns of a forecast as they are typed in a unit system. */
export const forecastColumns = (units: UnitSystem): string =>
  `time, air ${shownUnit('C', units)}, humidity in 100, wind ${shownUnit('KmH', units)}, rain ${shownUnit('MmH', units)}`;

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
 * Reads a forecast from the lines of a table: time, air, humidity in 100, wind, rain; the last three
 * may be left out. A first line of words is a head.
 * @param units the site's units, in which figures are read where a head names no other over them
 */
export function readForecast(
  rows: readonly string[][],
  timeZone: string,
  units: UnitSystem,
): ForecastRead {
  const out: ForecastRead = { hours: [], problems: [] };
  const head = rows[0] && instantOf(rows[0][0] ?? '', timeZone) === null ? rows[0] : [];
  const read = (cell: string, column: number): number | undefined => {
    const n = numberOf(cell);
    const quantity = COLUMNS[column];
    if (n === undefined || Number.isNaN(n) || !quantity) return n;
    const named = UNIT_IN_HEAD.find(([unit]) => unit.test(head[column + 1] ?? ''))?.[1];
    return fromShown(n, quantity, named ?? units);
  };
  rows.forEach((row, i) => {
    if (row.every((c) => c.trim() === '')) return;
    const ms = instantOf(row[0] ?? '', timeZone);
    const [air, humidity, wind, rain] = row.slice(1, 5).map(read);
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

import { localDate, midnightMs } from '#core/weather';

const DAY_MS = 86_400_000;
const DATE = /^\d{4}-\d{2}-\d{2}$/;
const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/;

/** A calendar date so many days on. */
export const dateAfter = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Days from one calendar date to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);

/** A moment so many days on, at the same time of day where the site is, over any change of summer time. */
function momentAfter(moment: string, days: number, timeZone: string): string {
  const ms = Date.parse(moment);
  const date = localDate(ms, timeZone);
  const sinceMidnight = ms - midnightMs(date, timeZone);
  return new Date(midnightMs(dateAfter(date, days), timeZone) + sinceMidnight).toISOString();
}

/** Everything a record says of dates and moments, so many days on; for made-up records that are to be of today. */
export function shifted<T>(value: T, days: number, timeZone: string): T {
  const walk = (v: unknown): unknown => {
    if (typeof v === 'string') {
      if (DATE.test(v)) return dateAfter(v, days);
      return MOMENT.test(v) && !Number.isNaN(Date.parse(v)) ? momentAfter(v, days, timeZone) : v;
    }
    if (Array.isArray(v)) return v.map(walk);
    if (typeof v === 'object' && v !== null)
      return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, walk(x)]));
    return v;
  };
  return walk(value) as T;
}

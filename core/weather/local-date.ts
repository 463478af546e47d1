import { TZDate } from '@date-fns/tz';

const MIN_MS = 60_000;
const HALF_DAY_MS = 12 * 3_600_000;

/**
 * Epoch milliseconds from which the minutes of a date (2026-09-23) count as its clocks show them:
 * midnight, by the clock of that day's noon. On a day on which clocks change in the night, 07:30
 * is so 450 minutes after it.
 */
export function midnightMs(date: string, timeZone: string): number {
  const [y, m, d] = date.split('-').map(Number);
  return new TZDate(y ?? 1970, (m ?? 1) - 1, d ?? 1, 12, timeZone).getTime() - HALF_DAY_MS;
}

/**
 * The instant at which the clocks of a date show so many minutes after midnight; past 24 h, those of
 * the days after. A time that is skipped when clocks go forward is the one an hour later, of one
 * that comes twice it is the first.
 */
export function wallMs(date: string, min: number, timeZone: string): number {
  const [y, m, d] = date.split('-').map(Number);
  const whole = Math.floor(min);
  return (
    new TZDate(y ?? 1970, (m ?? 1) - 1, d ?? 1, 0, whole, timeZone).getTime() +
    (min - whole) * MIN_MS
  );
}

/**
 * From when the minutes of a pour count, epoch ms: its first load is at its own minute by the clock
 * on the wall, and from there on every minute is one, also where clocks change while it goes on.
 */
export const pourDayMs = (date: string, firstLoadMin: number, timeZone: string): number =>
  wallMs(date, firstLoadMin, timeZone) - firstLoadMin * MIN_MS;

/** What the clocks show at an instant, minutes after midnight. */
export function minuteOfDay(ms: number, timeZone: string): number {
  const t = new TZDate(ms, timeZone);
  return (
    t.getHours() * 60 + t.getMinutes() + (t.getSeconds() * 1000 + t.getMilliseconds()) / MIN_MS
  );
}

/** The local date (2026-09-23) at an instant. */
export function localDate(ms: number, timeZone: string): string {
  const t = new TZDate(ms, timeZone);
  return `${t.getFullYear()}-${String(t.getMonth() + 1).padStart(2, '0')}-${String(t.getDate()).padStart(2, '0')}`;
}

/** An instant as ISO 8601 by the clock of a zone, with the zone: 2026-09-23T06:40:00-05:00. */
export const localIso = (ms: number, timeZone: string): string =>
  new TZDate(ms, timeZone).toISOString().replace('.000', '');

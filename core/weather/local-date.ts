import { TZDate } from '@date-fns/tz';

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

/** The local date (2026-09-23) at an instant. */
export function localDate(ms: number, timeZone: string): string {
  const t = new TZDate(ms, timeZone);
  return `${t.getFullYear()}-${String(t.getMonth() + 1).padStart(2, '0')}-${String(t.getDate()).padStart(2, '0')}`;
}

/** An instant as ISO 8601 by the clock of a zone, with the zone: 2026-09-23T06:40:00-05:00. */
export const localIso = (ms: number, timeZone: string): string =>
  new TZDate(ms, timeZone).toISOString().replace('.000', '');

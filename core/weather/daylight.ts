import { TZDate } from '@date-fns/tz';
import { getTimes } from 'suncalc';

/** Epoch milliseconds of local midnight at the start of a date (2026-09-23) in a time zone. */
export function midnightMs(date: string, timeZone: string): number {
  const [y, m, d] = date.split('-').map(Number);
  return new TZDate(y ?? 1970, (m ?? 1) - 1, d ?? 1, timeZone).getTime();
}

/** The local date (2026-09-23) at an instant. */
export function localDate(ms: number, timeZone: string): string {
  const t = new TZDate(ms, timeZone);
  return `${t.getFullYear()}-${String(t.getMonth() + 1).padStart(2, '0')}-${String(t.getDate()).padStart(2, '0')}`;
}

/** Sunrise, sunset and civil dusk at a place on a date, in minutes after local midnight; null where the sun does not do so. */
export function daylight(date: string, timeZone: string, latitude: number, longitude: number): { sunriseMin: number | null; sunsetMin: number | null; duskMin: number | null } {
  const start = midnightMs(date, timeZone);
  const times = getTimes(new Date(start + 12 * 3600_000), latitude, longitude);
  const minutes = (t: Date | null): number | null => (t === null || Number.isNaN(t.getTime()) ? null : (t.getTime() - start) / 60000);
  return { sunriseMin: minutes(times.sunrise), sunsetMin: minutes(times.sunset), duskMin: minutes(times.dusk) };
}

import { timeOfDay } from '#core/units';
import { localDate } from '#core/weather';
import type { PourNow } from './stage.ts';

const WEEKDAY = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTH = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');
const DAY_MS = 86_400_000;

/** A day as it is said on site: "Tue 6 Oct". */
export function dayText(date: string): string {
  const [, m = 1, d = 1] = date.split('-').map(Number);
  const day = WEEKDAY[new Date(`${date}T12:00:00Z`).getUTCDay()] ?? '';
  return `${day} ${d} ${MONTH[m - 1] ?? ''}`;
}

/**
 * A moment as people on site say it: "14:05" today, "Thu 05:20" on another day within the week,
 * with the date further off.
 */
export function momentText(
  { record, nowMs }: { record: Pick<PourNow['record'], 'site'>; nowMs: number },
  ms: number,
): string {
  const { timeZone } = record.site;
  const date = localDate(ms, timeZone);
  const minutes = timeOfDay(ms, timeZone);
  if (date === localDate(nowMs, timeZone)) return minutes;
  const day = WEEKDAY[new Date(`${date}T12:00:00Z`).getUTCDay()] ?? '';
  return Math.abs(ms - nowMs) < 6 * DAY_MS ? `${day} ${minutes}` : `${dayText(date)} ${minutes}`;
}

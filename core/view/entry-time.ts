import { clockText } from '#core/units';
import { localDate, minuteOfDay } from '#core/weather';

/** Midnight by the clock of the pour may be an hour into the day before. */
const NOON_MS = 12 * 3_600_000;

/** A moment with its date, by the site's clock: "2026-09-10 07:32". `ms` is epoch ms. */
export function stampText(ms: number, timeZone: string): string {
  return `${localDate(ms, timeZone)} ${clockText(minuteOfDay(ms, timeZone))}`;
}

/**
 * When an entry of a pour happened, the same on screen, report and card: a time on the day of the
 * pour, any other moment with its date, by the site's clock.
 * @param dayMs from when the minutes of the pour count, epoch ms
 */
export const entryTimeText = (ms: number, dayMs: number, timeZone: string): string =>
  localDate(ms, timeZone) === localDate(dayMs + NOON_MS, timeZone)
    ? clockText(minuteOfDay(ms, timeZone))
    : stampText(ms, timeZone);

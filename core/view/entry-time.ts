import { clockText } from '#core/units';
import { localDate, midnightMs } from '#core/weather';

/** A moment with its date, by the site's clock: "2026-09-10 07:32". `ms` is epoch ms. */
export function stampText(ms: number, timeZone: string): string {
  const date = localDate(ms, timeZone);
  return `${date} ${clockText((ms - midnightMs(date, timeZone)) / 60_000)}`;
}

/**
 * When an entry of a pour happened, the same on screen, report and card: a time on the day of the
 * pour, any other moment with its date, by the site's clock.
 * @param dayMs midnight of the day of the pour, epoch ms
 */
export const entryTimeText = (ms: number, dayMs: number, timeZone: string): string =>
  localDate(ms, timeZone) === localDate(dayMs, timeZone)
    ? clockText((ms - dayMs) / 60_000)
    : stampText(ms, timeZone);

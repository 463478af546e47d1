import { LATE_MS, writtenMs } from './time.ts';

/** By so much clocks differ anyhow, ms (2 min: site practice). */
const CLOCKS_DIFFER_MS = 2 * 60_000;

/** An entry is of the past: what is yet to happen is not in a log. Times are epoch ms. */
export const refuseHappened = (atMs: number, nowMs: number): string | null =>
  atMs - nowMs > CLOCKS_DIFFER_MS ? 'is still to come: an entry is of what has happened' : null;

/** When an entry was written that was written late, epoch ms; null where it was written as it happened. */
export const writtenLateMs = (e: { at: string; writtenAt?: string | null }): number | null =>
  writtenMs(e) - Date.parse(e.at) > LATE_MS ? writtenMs(e) : null;

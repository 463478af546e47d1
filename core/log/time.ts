import type { EventKind } from './events.ts';

const MIN = 60_000;
const DAY = 24 * 60 * MIN;
/**
 * A device's clock may run so far ahead of the server's before an entry counts as of when it came,
 * ms (10 min: site practice).
 */
const AHEAD_MS = 10 * MIN;
/** A signature is not dated ahead: no more than clocks differ anyhow, ms. */
const SIGN_AHEAD_MS = 2 * MIN;
/** Further off than this it is no clock that is wrong but a slip, ms. */
const FAR_AHEAD_MS = DAY;
const LONG_AGO_MS = 366 * DAY;
/** A signature made without signal comes within the time that somebody stays signed in, ms. */
const SIGN_AGO_MS = 14 * DAY;

/** Why an entry cannot be of that time; null when it can. Times are epoch ms, `nowMs` the server's. */
export function refuseTime(kind: EventKind, atMs: number, nowMs: number): string | null {
  const ahead = atMs - nowMs;
  if (kind === 'sign' && ahead > SIGN_AHEAD_MS)
    return 'A sign-off is not dated ahead: set the clock of this device.';
  if (kind === 'sign' && -ahead > SIGN_AGO_MS)
    return 'A sign-off is not dated back: set the clock of this device.';
  if (ahead > FAR_AHEAD_MS) return 'That is more than a day ahead: set the clock of this device.';
  if (-ahead > LONG_AGO_MS) return 'That is more than a year ago: set the clock of this device.';
  return null;
}

/** When an entry was written down: as it happened, unless it says a later time of its own, epoch ms. */
export const writtenMs = (e: { at: string; writtenAt?: string | null }): number =>
  Date.parse(e.writtenAt ?? e.at);

/** Why an entry cannot have been written when it says; null when it can, or says no time of its own. */
export const refuseWritten = (e: { at: string; writtenAt?: string | null }): string | null =>
  writtenMs(e) < Date.parse(e.at)
    ? 'An entry is written when it happens or after, not before.'
    : null;

/** What is written so much later than it happened says when it was, ms (1 min: site practice). */
export const LATE_MS = MIN;

/** The times of an entry of what happened at one moment and is written at another, epoch ms. */
export const timesOf = (atMs: number, nowMs: number): { at: string; writtenAt?: string } => ({
  at: new Date(atMs).toISOString(),
  ...(nowMs - atMs > LATE_MS ? { writtenAt: new Date(nowMs).toISOString() } : {}),
});

/** What of a stored entry its time hangs on. */
interface Timed {
  at: string;
  /** When the server took it; missing while it has not. */
  recordedAt?: string;
  /** What the device's clock said, where it is not believed. */
  saidAt?: string;
}

/**
 * An entry as it counts. None is later than it was recorded, so that a clock which runs ahead
 * overrules nothing that the log has after it; one that ran far ahead keeps what its clock said. An
 * entry that was made earlier than it came, without signal, is of when it was made: a device's own
 * order stays.
 */
export function asCounted<E extends Timed>(e: E): E {
  if (e.recordedAt === undefined || e.saidAt !== undefined) return e;
  const ahead = Date.parse(e.at) - Date.parse(e.recordedAt);
  if (ahead <= 0) return e;
  return { ...e, at: e.recordedAt, ...(ahead > AHEAD_MS ? { saidAt: e.at } : {}) };
}

/** A device's clock that is further off than this is said with its entries, ms (2 min: site practice). */
const DRIFT_MS = 2 * MIN;
const NOTED = / clock ([+-]\d+) s$/;

/** A device as its entries name it: with how far its clock was off as it sent them, where that is much. */
export function deviceNoted(device: string, sentMs: number | null, nowMs: number): string {
  const aheadMs = sentMs === null ? 0 : sentMs - nowMs;
  if (Math.abs(aheadMs) <= DRIFT_MS) return device;
  const s = Math.round(aheadMs / 1000);
  return `${device} clock ${s > 0 ? '+' : ''}${s} s`;
}

/** How far the clock of the device was ahead that sent an entry, ms; null when it was near enough, or is not known. */
export function driftNoted(device: string | undefined): number | null {
  const found = device === undefined ? null : NOTED.exec(device);
  return found ? Number(found[1]) * 1000 : null;
}

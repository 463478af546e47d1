import type { Invitation } from '../../contract/index.ts';

/** For what somebody was asked here alone, as it is stored; null for no limit. */
export const invitationOf = (stored: string | null): Invitation | null =>
  stored === null ? null : (JSON.parse(stored) as Invitation);

/** Whether the time somebody was asked for has passed, by the machine's clock. */
export const isOver = (invited: Invitation | null, nowMs: number): boolean =>
  invited?.until != null && Date.parse(invited.until) <= nowMs;

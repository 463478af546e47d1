import { useSyncExternalStore } from 'react';

/**
 * The moment at which a pour is looked at, where that is not now. It is not in the address: a
 * reload is always of now.
 */
let at: { pourId: string; ms: number } | null = null;
const heard = new Set<() => void>();

/** Looks at a pour as it was at a moment; null goes back to now. */
export function lookAt(pourId: string, ms: number | null): void {
  at = ms === null ? null : { pourId, ms };
  for (const tell of heard) tell();
}

const subscribe = (tell: () => void) => {
  heard.add(tell);
  return () => {
    heard.delete(tell);
  };
};

/** Why nothing is changed while a pour is looked at as it was. */
export const AS_IT_WAS = 'This is the pour as it was. Go back to now, then enter it.';

/** Whether a request would change a pour that is looked at as it was. What was entered before is still sent. */
export const changesThePast = (path: string): boolean =>
  at !== null && path.startsWith(`/api/pours/${at.pourId}/`) && !path.endsWith('/events');

/** The past moment a pour is looked at, epoch ms; null for now. */
export const usePast = (pourId: string): number | null =>
  useSyncExternalStore(subscribe, () => (at?.pourId === pourId ? at.ms : null));

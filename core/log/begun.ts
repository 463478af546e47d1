import { entries, type PourState } from './state.ts';

/** Elements in which placing has begun, by entries that nobody took back. */
export const begunElements = (state: PourState): ReadonlySet<string> =>
  new Set(entries(state, 'place-start').map((e) => e.body.elementId));

/** Whether a pour is being poured or has been: placing has begun, and nobody took that back. */
export const isBegun = (state: PourState): boolean => entries(state, 'place-start').length > 0;

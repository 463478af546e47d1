import type { TroubleKind } from '#core/log';
import type { LoadState } from '#core/pourlog';

/** Troubles while which nothing is placed: what is on the road grows old, and what is batched now comes too soon. */
const STANDS: ReadonlySet<TroubleKind> = new Set<TroubleKind>([
  'form-open',
  'pump-down',
  'hose-blocked',
  'rain',
]);

/** How the note begins by which it is known that the plant was told. */
const TOLD = 'The plant was told to wait';

/** What is asked of the plant while a pour stands, and how that is written down. */
interface ToldToWait {
  ask: string;
  note: string;
}

const names = (loads: readonly LoadState[]): string =>
  loads.map((l) => l.id.replace(/^L/, '')).join(', ');

/**
 * Loads that are still to come while a pour stands: they are asked to wait. Null where nothing
 * stands still or nothing is to come.
 */
export function toldToWait(what: TroubleKind, loads: readonly LoadState[]): ToldToWait | null {
  const coming = loads.filter((l) => l.stage === 'due');
  if (!STANDS.has(what) || coming.length === 0) return null;
  const which = coming.length === 1 ? `load ${names(coming)}` : `loads ${names(coming)}`;
  return {
    ask: `Ring the plant: ${which} to come. Hold what is not batched, keep turning what is on the road.`,
    note: `${TOLD}: ${which}.`,
  };
}

/** Whether a note says that the plant was told to wait. */
export const saysToldToWait = (text: string): boolean => text.startsWith(TOLD);

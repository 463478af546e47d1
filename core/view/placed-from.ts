import type { PourView } from './pour-view.ts';

/** What of a load is placed already, m³ of concrete, with the use measured so far. */
export const placedFrom = ({ progress }: Pick<PourView, 'progress'>, loadId: string): number =>
  (progress.placedFrom.get(loadId) ?? 0) * progress.usePerNeat;

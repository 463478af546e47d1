import { liftVolumeM3 } from '#core/pourplan';
import type { PourView } from './pour-view.ts';

/** What of a load is placed already, m³ of concrete, with the use measured so far. */
export const placedFrom = ({ progress }: Pick<PourView, 'progress'>, loadId: string): number =>
  (progress.placedFrom.get(loadId) ?? 0) * progress.usePerNeat;

/** A run and lift that holds concrete of a load, and how much of it, neat m³. */
export interface PlacedPart {
  elementId: string;
  lift: number;
  volumeM3: number;
}

/** Where the concrete of a load lies, in the order it was placed. */
export function placedWhere(
  { progress, plan }: Pick<PourView, 'progress' | 'plan'>,
  loadId: string,
): PlacedPart[] {
  const parts: PlacedPart[] = [];
  for (const p of progress.placements) {
    if (p.loadId !== loadId || p.toRatio <= p.fromRatio) continue;
    const volumeM3 = (p.toRatio - p.fromRatio) * liftVolumeM3(plan.route, p.elementId, p.lift);
    const known = parts.find((x) => x.elementId === p.elementId && x.lift === p.lift);
    if (known) known.volumeM3 += volumeM3;
    else parts.push({ elementId: p.elementId, lift: p.lift, volumeM3 });
  }
  return parts;
}

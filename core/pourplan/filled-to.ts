import { concreteBetween } from '#core/takeoff';
import type { Route } from './route.ts';

/**
 * Heights at which a wall is stopped between its lifts, as they may be told: rising, above its foot
 * and under its top.
 * @param tops m above the foot; null where one is not told or cannot be read
 * @returns null where they cannot be so
 */
export function stopHeights(tops: readonly (number | null)[], heightM: number): number[] | null {
  const told = tops.filter((t) => t !== null);
  const rising = told.every((t, i) => t > (told[i - 1] ?? 0));
  return rising && told.length === tops.length && (told.at(-1) ?? 0) < heightM ? told : null;
}

/** How far a lift came, as a crew tells it. */
export type FilledTo = { by: 'length' | 'height'; m: number } | { by: 'courses'; count: number };

/**
 * Share of a lift that is full when it was filled to a length from where it is begun, or evenly to a
 * height above the foot of the run (openings taken off where they lie), or to so many courses.
 * @param courseM height of a course, where its forms have any
 * @returns 0 to 1; null where that lies outside the lift
 */
export function filledShare(
  { legs, takeoff }: Pick<Route, 'legs' | 'takeoff'>,
  elementId: string,
  lift: number,
  to: FilledTo,
  courseM?: number,
): number | null {
  const leg = legs.find((l) => l.elementId === elementId);
  const span = leg?.liftSpans[lift];
  if (!leg || !span) return null;
  const inside = (share: number) => (share > 0 && share <= 1 + 1e-9 ? Math.min(1, share) : null);
  if (to.by === 'length') return inside(to.m / leg.lengthM);
  const topM = to.by === 'courses' ? to.count * (courseM ?? NaN) : to.m;
  if (!(topM > span.fromM && topM <= span.toM + 1e-6)) return null;
  const between = (toM: number) =>
    concreteBetween(takeoff, elementId, leg.bottomM + span.fromM, leg.bottomM + toM);
  const all = between(span.toM);
  return inside(all > 0 ? between(topM) / all : (topM - span.fromM) / (span.toM - span.fromM));
}

import type { PourDoc, PourSettings, SitePlan } from '#core/model';
import { routeOf } from './route.ts';

/** What a leg that was to go to another place of the way comes to. */
type MovedLeg =
  | { change: Pick<PourSettings, 'sequence' | 'startAt' | 'reverse'> }
  /** It stays where it is: what carries it, or what it carries, is filled in another turn. */
  | { stays: string };

/**
 * Moves a leg of the way to another place. What carries is filled before what stands on it: a leg
 * that this keeps where it is says so.
 * @param from which leg, and `to` which place, counted from 0 along the way
 */
export function movedLeg(site: SitePlan, pour: PourDoc, from: number, to: number): MovedLeg {
  const order = routeOf(site, pour).legs.map((l) => l.elementId);
  const moved = order.filter((_, i) => i !== from);
  const id = order[from] ?? '';
  moved.splice(to, 0, id);
  const change = { sequence: moved, startAt: 0, reverse: false };
  const legs = routeOf(site, { ...pour, settings: { ...pour.settings, ...change } }).legs;
  if (legs.some((l, i) => l.elementId !== order[i])) return { change };
  const other = order[to] ?? '';
  return {
    stays: `${id} stays there: what carries is filled before what stands on it, and ${other} is of the other turn.`,
  };
}

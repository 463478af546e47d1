import type { PourDoc, SitePlan } from '#core/model';
import { type Leg, routeOf } from './route.ts';

/** What of a leg says where its concrete lies: its lifts, which way it was filled, where it was closed off. */
const layOf = ({ liftSpans, reversed, cuts }: Leg): string =>
  JSON.stringify([liftSpans.map((l) => [l.fromM.toFixed(6), l.toM.toFixed(6)]), reversed, cuts]);

/** Settings that a pour may have, or why not. */
export type PlacedKept = { settings: PourDoc['settings'] } | { refused: string; elementId: string };

/**
 * Other settings of a pour that has begun: what was placed keeps its cells. A count of lifts for all
 * walls goes to those that are not begun; what would lay concrete elsewhere that is in the form
 * already is refused.
 * @param begun elements in which something was placed
 */
export function keepPlaced(
  site: SitePlan,
  was: PourDoc,
  next: PourDoc['settings'],
  begun: ReadonlySet<string>,
): PlacedKept {
  const before = routeOf(site, was).legs.filter((l) => begun.has(l.elementId));
  const kept = before.filter(
    ({ elementId: id }) =>
      next.liftsByElement[id] === was.settings.liftsByElement[id] &&
      next.liftTopsByElement[id] === undefined,
  );
  const settings = {
    ...next,
    liftsByElement: {
      ...next.liftsByElement,
      ...Object.fromEntries(kept.map((l) => [l.elementId, l.lifts])),
    },
  };
  const after = new Map(
    routeOf(site, { ...was, settings }).legs.map((l) => [l.elementId, layOf(l)]),
  );
  const moved = before.find((l) => after.get(l.elementId) !== layOf(l));
  return moved
    ? {
        refused: `Concrete lies in ${moved.elementId}: its lifts, its way and its bulkheads stay as they were placed.`,
        elementId: moved.elementId,
      }
    : { settings };
}

import { padUnder, runOf, type SitePlan } from '#core/model';
import { madeOncePer } from '#core/kit';
import { standsOn } from '#core/siteplan';

/**
 * What carries an element within one pour: the footings and grade beams a wall stands on, the pad under a pier.
 * Only elements of the list count; what was poured before carries without being waited for.
 */
function carriersOf(site: SitePlan, elements: string[], id: string): string[] {
  const run = runOf(site, id);
  if (run?.kind === 'wall')
    return elements.filter((other) => {
      const footing = runOf(site, other);
      return footing !== undefined && standsOn(site, run, footing) !== null;
    });
  const pier = site.piers.find((p) => p.id === id);
  const pad = pier && padUnder(site.pads, pier);
  return pad && elements.includes(pad.id) ? [pad.id] : [];
}

const kept = madeOncePer((site: SitePlan) =>
  madeOncePer((elements: string[]): ReadonlyMap<string, number> => {
    const storeys = new Map<string, number>();
    // A pour of one kind carries nothing of itself: most pours, and the large ones.
    const kinds = new Set(elements.map((id) => runOf(site, id)?.kind ?? 'stand'));
    for (const id of elements) {
      const carried = kinds.size > 1 || kinds.has('stand');
      storeys.set(id, carried && carriersOf(site, elements, id).length > 0 ? 1 : 0);
    }
    return storeys;
  }),
);

/**
 * In which turn each element of a pour is filled: 0 for what stands on the ground or on older
 * concrete, 1 for what stands on an element of the same pour. Concrete is placed in what carries
 * before it is placed in what is carried.
 */
export const storeysOf = (site: SitePlan, elements: string[]): ReadonlyMap<string, number> =>
  kept(site)(elements);

/** Elements of the same pour that carry this one, in the order of the pour; empty when none does. */
export const carriedBy = (site: SitePlan, elements: string[], id: string): string[] =>
  storeysOf(site, elements).get(id) ? carriersOf(site, elements, id) : [];

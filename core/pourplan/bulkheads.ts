import { runOf, type PourSettings, type SitePlan } from '#core/model';
import type { Leg, Route } from './route.ts';

/** A bulkhead keeps off corners and openings, m: it wants straight steel and a whole panel. */
const OFF_CORNER_M = 0.9;
const OFF_OPENING_M = 0.6;
/** A stop end has to be built and its joint cleaned: no more of them than this, proposed. */
const MOST_PROPOSED = 4;

type Bulkhead = PourSettings['bulkheads'][number];

/** Stretches of a leg where none may stand, m from its start as it is placed. */
function taken(site: SitePlan, leg: Leg): [number, number][] {
  const openings = runOf(site, leg.elementId)?.openings ?? [];
  return [
    [-Infinity, OFF_CORNER_M],
    [leg.lengthM - OFF_CORNER_M, Infinity],
    ...openings.map((o): [number, number] => {
      const from = leg.reversed ? leg.lengthM - o.atM - o.widthM : o.atM;
      return [from - OFF_OPENING_M, from + o.widthM + OFF_OPENING_M];
    }),
  ];
}

/** The nearest place on a leg where one may stand, m from its start as it is placed; null where there is none. */
function freeSpot(site: SitePlan, leg: Leg, wantedM: number): number | null {
  const no = taken(site, leg);
  const free = (m: number) => m >= 0 && m <= leg.lengthM && no.every(([a, b]) => m <= a || m >= b);
  const spots = [wantedM, ...no.flat()].filter((m) => Number.isFinite(m) && free(m));
  return spots.length
    ? spots.reduce((a, b) => (near(b, wantedM) < near(a, wantedM) ? b : a))
    : null;
}
const near = (a: number, b: number): number => Math.abs(a - b);

const bulkheadAt = (leg: Leg, m: number): Bulkhead => {
  const share = m / leg.lengthM;
  return { element: leg.elementId, share: leg.reversed ? 1 - share : share };
};

/**
 * Where walls, or footings, could be closed off so that each part is small enough: parts of about
 * the same volume, each bulkhead moved off corners and openings. On a ring the place where it
 * begins is one too; it lies at the corner the steel runs round.
 * @param parts into how many, 2 to 5
 */
export function proposedBulkheads(site: SitePlan, route: Route, parts: number): Bulkhead[] {
  const runs = route.legs.filter((l) => l.kind === 'run');
  // Walls where there are any: what they stand on can be closed off at the same place.
  const walls = runs.some((l) => l.wall) ? runs.filter((l) => l.wall) : runs;
  const total = walls.reduce((s, l) => s + l.volumeM3, 0);
  const count = Math.min(MOST_PROPOSED, Math.max(1, Math.round(parts) - 1));
  const out: Bulkhead[] = [];
  for (let i = 1; i <= count; i += 1) {
    let left = (total * i) / (count + 1);
    const leg = walls.find((l) => {
      if (left <= l.volumeM3) return true;
      left -= l.volumeM3;
      return false;
    });
    const at = leg && freeSpot(site, leg, (left / leg.volumeM3) * leg.lengthM);
    if (leg && at !== null && at !== undefined) out.push(bulkheadAt(leg, at));
  }
  return out;
}

/** Where a bulkhead lies along the route, m; null where its element is not on it. */
function alongRoute(route: Route, b: Bulkhead): number | null {
  const leg = route.legs.find((l) => l.elementId === b.element);
  return leg ? leg.fromM + leg.lengthM * (leg.reversed ? 1 - b.share : b.share) : null;
}

/**
 * One bulkhead more than stand: of those that would be proposed the one farthest from any. Null
 * where there is no room.
 */
export function anotherBulkhead(
  site: SitePlan,
  route: Route,
  standing: readonly Bulkhead[],
): Bulkhead | null {
  const at = standing.flatMap((b) => alongRoute(route, b) ?? []);
  const room = (b: Bulkhead) => {
    const m = alongRoute(route, b) ?? 0;
    return Math.min(Infinity, ...at.map((x) => Math.abs(x - m)));
  };
  const found = proposedBulkheads(site, route, standing.length + 2).filter(
    (b) => room(b) > 2 * OFF_CORNER_M,
  );
  return found.length ? found.reduce((a, b) => (room(b) > room(a) ? b : a)) : null;
}

/** How many stop ends that takes: one a bulkhead, and on a ring one where it begins. */
export const stopEndsOf = (route: Pick<Route, 'legs' | 'closed'>): number => {
  const cuts = route.legs.reduce((n, l) => n + l.cuts.length, 0);
  return cuts > 0 && route.closed ? cuts + 1 : cuts;
};

import {
  elementSpots,
  type Mix,
  type Plant,
  type PourDoc,
  type PourSettings,
  type SitePlan,
} from '#core/model';
import type { Place } from './places.ts';
import { type PourPlan, planPour } from './plan.ts';
import { type Leg, type Route, routeOf, sequenceOf } from './route.ts';
import { carriedBy } from './storeys.ts';

/** A way round that the tool lays, and what it comes to. */
export interface Laying {
  how: 'low-side' | 'far-end' | 'other-end' | 'two-fronts' | 'pier-by-pad';
  change: Partial<PourSettings>;
  /** Where it begins: a node, or an element that has none. */
  from: string;
  /** The longest wait of a seam as a share of its window: over 1 it is cold. */
  worstShare: number;
  finishMin: number;
}

/** So that this alone decides the order. */
const AS_TOLD = { startAt: 0, reverse: false };

/** The longest wait of any seam as a share of its window; 0 without seams. */
const worstShareOf = (plan: Pick<PourPlan, 'timetable'>): number =>
  Math.max(0, ...plan.timetable.seams.map((s) => s.gapMaxMin / s.knitMin));

const chainOf = (route: Route): Leg[] | null => {
  const legs = route.legs.filter((l) => l.storey === Math.max(...route.legs.map((x) => x.storey)));
  const joined = legs.every(
    (l, i) => i === 0 || (l.startNode !== null && l.startNode === legs[i - 1]?.endNode),
  );
  return joined && legs.length > 1 ? legs : null;
};

/** After how many legs of a line half its concrete is placed, as near as it goes. */
function halfWay(chain: readonly Leg[]): number {
  const half = chain.reduce((s, l) => s + l.volumeM3, 0) / 2;
  let sum = 0;
  const off = chain.slice(0, -1).map((l) => {
    sum += l.volumeM3;
    return Math.abs(sum - half);
  });
  return 1 + off.indexOf(Math.min(...off));
}

/** Two fronts of a line of legs that leave one node: from its middle, or round a ring both ways at once. */
function frontsOf(
  chain: readonly Leg[],
  ring: boolean,
  from: number,
): { ahead: Leg[]; back: Leg[] } {
  const turned = ring ? [...chain.slice(from), ...chain.slice(0, from)] : [...chain];
  const k = halfWay(turned);
  return ring
    ? { ahead: turned.slice(0, k), back: turned.slice(k).reverse() }
    : { ahead: turned.slice(k), back: turned.slice(0, k).reverse() };
}

/**
 * Two fronts that leave one node, a leg on one side and then a leg on the other, so that neither end
 * waits for the whole way: from the middle of an open line of walls, or both ways round a ring. Null
 * where the walls do not hang together.
 * @param from which leg of a ring the fronts begin at, from 0
 */
export function twoFronts(site: SitePlan, pour: PourDoc, from = 0): Partial<PourSettings> | null {
  const route = routeOf(site, pour);
  const chain = chainOf(route);
  if (!chain || from >= chain.length) return null;
  const { ahead, back } = frontsOf(chain, route.closed, from);
  const told = Array.from({ length: Math.max(ahead.length, back.length) }, (_, i) => [
    ...(ahead[i] ? [{ leg: ahead[i], leaves: ahead[i].startNode }] : []),
    ...(back[i] ? [{ leg: back[i], leaves: back[i].endNode }] : []),
  ]).flat();
  const others = sequenceOf(pour).filter((id) => !told.some((t) => t.leg.elementId === id));
  const change = {
    ...AS_TOLD,
    sequence: [...others, ...told.map((t) => t.leg.elementId)],
    turned: [] as string[],
  };
  // Every leg leads away from the middle: one that would run back to it is turned, which may turn those after it.
  for (const { leg, leaves } of told) {
    const laid = routeOf(site, { ...pour, settings: { ...pour.settings, ...change } });
    if (laid.legs.find((l) => l.elementId === leg.elementId)?.startNode !== leaves)
      change.turned = [...change.turned, leg.elementId];
  }
  return change;
}

/** Two fronts are looked for from so many legs of a ring at most. */
const MOST_FRONTS = 8;

/** Two fronts from wherever they may leave: of an open line its middle, of a ring each of its corners. */
function allFronts(site: SitePlan, pour: PourDoc): Partial<PourSettings>[] {
  const froms = routeOf(site, pour).closed ? Array.from({ length: MOST_FRONTS }, (_, i) => i) : [0];
  return froms.flatMap((from) => twoFronts(site, pour, from) ?? []);
}

/** Each pier right after the pad it stands on, so that it follows while the pad is fresh; none without piers. */
function pierByPad(site: SitePlan, pour: PourDoc): Partial<PourSettings>[] {
  const order = routeOf(site, pour).legs.filter((l) => l.kind === 'stand' || l.storey === 0);
  const carried = order.filter((l) => l.standsOn.length > 0).map((l) => l.elementId);
  if (carried.length === 0) return [];
  const on = (pad: string) =>
    carried.filter((id) => carriedBy(site, pour.elements, id).includes(pad));
  const stands = order
    .map((l) => l.elementId)
    .filter((id) => !carried.includes(id))
    .flatMap((id) => [id, ...on(id)]);
  const others = sequenceOf(pour).filter((id) => !stands.includes(id));
  return [{ ...AS_TOLD, sequence: [...stands, ...others] }];
}

/** Orders that the search tries beside the pour's own: fronts on both sides, and piers with their pads. */
export const otherOrders = (site: SitePlan, pour: PourDoc): Partial<PourSettings>[] => [
  ...allFronts(site, pour),
  ...pierByPad(site, pour),
];

/** Where the way could begin: as the pour lists its elements, from each end of it, or from the lowest. */
function starts(
  site: SitePlan,
  pour: PourDoc,
): Omit<Laying, 'from' | 'worstShare' | 'finishMin'>[] {
  const own = { sequence: [], turned: [] };
  const route = routeOf(site, { ...pour, settings: { ...pour.settings, ...own, ...AS_TOLD } });
  const n = pour.elements.length;
  const low = Math.min(...route.legs.map((l) => l.bottomM));
  const stepped = route.legs.some((l) => l.storey === 0 && l.bottomM > low + 1e-6);
  const lowest = pour.elements.findIndex(
    (id) => (route.legs.find((l) => l.elementId === id)?.bottomM ?? Infinity) <= low + 1e-6,
  );
  const { setUp } = pour.settings;
  const far = setUp ? farthestFrom(site, pour.elements, setUp) : -1;
  return [
    ...(stepped && lowest >= 0
      ? [{ how: 'low-side' as const, change: { ...own, startAt: lowest, reverse: false } }]
      : []),
    ...(far < 0
      ? []
      : [{ how: 'far-end' as const, change: { ...own, startAt: far, reverse: far === n - 1 } }]),
    ...(route.closed || n < 2
      ? []
      : [{ how: 'other-end' as const, change: { ...own, startAt: n - 1, reverse: true } }]),
  ];
}

/** Which element lies farthest from a place; −1 where none is drawn. */
function farthestFrom(site: SitePlan, elements: readonly string[], from: Place): number {
  let found = { at: -1, m: -1 };
  elements.forEach((id, at) => {
    const m = Math.max(
      -1,
      ...elementSpots(site, id).map((p) => Math.hypot(p.xM - from.xM, p.yM - from.yM)),
    );
    if (m > found.m + 1e-6) found = { at, m };
  });
  return found.at;
}

/**
 * The ways round that the tool would lay, each with its longest wait and its end, the one with the
 * most time left at its seams first: from the low side of a step, from the end farthest from the
 * pump, from the other end, on two fronts, each pier right after its pad. What already stands is
 * left out.
 */
export function layings(
  site: SitePlan,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
): Laying[] {
  const ways = [
    ...pierByPad(site, pour).map((change) => ({ how: 'pier-by-pad' as const, change })),
    ...starts(site, pour),
    ...allFronts(site, pour).map((change) => ({ how: 'two-fronts' as const, change })),
  ];
  const orderOf = (route: Route) =>
    route.legs.map((l) => `${l.elementId}${l.reversed ? '<' : '>'}`).join(' ');
  const taken = new Set([orderOf(routeOf(site, pour))]);
  return ways
    .flatMap((w): Laying[] => {
      const changed = { ...pour, settings: { ...pour.settings, ...w.change } };
      const plan = planPour(site, changed, mix, plant, duskMin);
      const key = orderOf(plan.route);
      if (taken.has(key)) return [];
      taken.add(key);
      const [first] = plan.route.legs;
      return [
        {
          ...w,
          from: first?.startNode ?? first?.elementId ?? '',
          worstShare: worstShareOf(plan),
          finishMin: plan.timetable.finishMin,
        },
      ];
    })
    .sort((a, b) => a.worstShare - b.worstShare)
    .filter((w, i, all) => all.findIndex((x) => x.how === w.how) === i);
}

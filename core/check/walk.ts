import type { PointState } from './judge.ts';
import { TRADES, WHOLE_POUR, type CheckPoint } from './points/index.ts';

/** One stop of the walk. */
export interface Stop {
  point: PointState;
  place: number;
}

export type Walk = 'route' | 'kind';

/** Stations closer than this along a run are read in one stop, m. */
const ONE_STOP_M = 0.6;

/** One place of one check, by their numbers. */
interface Spot {
  point: number;
  place: number;
}

function spotsOf(points: CheckPoint[], walk: Walk): Spot[] {
  const spots = points.flatMap(({ places }, point) =>
    places.map((_, place): Spot => ({ point, place })),
  );
  if (walk === 'kind') return spots;
  const runOrder = new Map<string, number>();
  for (const p of points)
    if (!runOrder.has(p.elementId))
      runOrder.set(p.elementId, p.elementId === WHOLE_POUR ? Infinity : runOrder.size);
  const key = (spot: Spot): [number, number, number] => {
    const point = points[spot.point] as CheckPoint;
    const atM = point.places[spot.place]?.atM ?? null;
    return [
      runOrder.get(point.elementId) ?? 0,
      atM === null ? -1 : Math.floor(atM / ONE_STOP_M),
      TRADES.indexOf(point.trade),
    ];
  };
  return spots
    .map((spot) => ({ spot, k: key(spot) }))
    .sort((a, b) => (a.k[0] === b.k[0] ? 0 : a.k[0] - b.k[0]) || a.k[1] - b.k[1] || a.k[2] - b.k[2])
    .map((x) => x.spot);
}

/** The order hangs on the checks alone and not on what was read: it is kept for the checks that were walked last. */
let last: { points: CheckPoint[]; walk: Walk; spots: Spot[] } | null = null;
function orderOf(states: PointState[], walk: Walk): Spot[] {
  if (
    !last ||
    last.walk !== walk ||
    last.points.length !== states.length ||
    !states.every((s, i) => s.point === last?.points[i])
  ) {
    const points = states.map((s) => s.point);
    last = { points, walk, spots: spotsOf(points, walk) };
  }
  return last.spots;
}

/**
 * All places in the order they are walked: by kind, each check to its end before the next; or along
 * the route, everything that is read at one spot before the next spot. What has no spot of its own
 * comes at the start of its run, and what belongs to the whole pour last.
 */
export const walkOrder = (points: PointState[], walk: Walk): Stop[] =>
  orderOf(points, walk).map(({ point, place }) => ({ point: points[point] as PointState, place }));

/** The next place to read: what failed and was fixed, then what is unread, along the walk from the place in hand. */
export function nextStop(
  points: PointState[],
  walk: Walk,
  from: { check: string; place: number } | null,
): Stop | null {
  const order = orderOf(points, walk);
  const placeOf = (s: Spot) => points[s.point]?.places[s.place];
  const stop = (s: Spot | undefined): Stop | null =>
    s ? { point: points[s.point] as PointState, place: s.place } : null;
  const again = points.some((p) => p.verdict === 'out')
    ? order.find((s) => placeOf(s)?.verdict === 'out' && placeOf(s)?.fix)
    : undefined;
  if (again) return stop(again);
  const start =
    from === null
      ? 0
      : Math.max(
          0,
          order.findIndex(
            (s) => s.place === from.place && points[s.point]?.point.id === from.check,
          ),
        );
  const unread = (s: Spot) => placeOf(s)?.verdict === 'unread';
  return stop(order.find((s, i) => i >= start && unread(s)) ?? order.find(unread));
}

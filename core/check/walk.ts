import type { PointState } from './judge.ts';
import { TRADES, WHOLE_POUR } from './points/index.ts';

/** One stop of the walk. */
export interface Stop { point: PointState; place: number }

export const WALKS = ['route', 'kind'] as const;
export type Walk = (typeof WALKS)[number];

/** Stations closer than this along a run are read in one stop, m. */
const ONE_STOP_M = 0.6;

/**
 * All places in the order they are walked: by kind, each check to its end before the next; or along the route, everything
 * that is read at one spot before the next spot. What has no spot of its own comes at the start of its run, and what
 * belongs to the whole pour last.
 */
export function walkOrder(points: PointState[], walk: Walk): Stop[] {
  const stops = points.flatMap((point) => point.places.map((p): Stop => ({ point, place: p.index })));
  if (walk === 'kind') return stops;
  const runOrder = new Map<string, number>();
  for (const p of points) if (!runOrder.has(p.point.elementId)) runOrder.set(p.point.elementId, p.point.elementId === WHOLE_POUR ? Infinity : runOrder.size);
  const key = ({ point, place }: Stop): [number, number, number] => {
    const atM = point.point.places[place]?.atM ?? null;
    return [runOrder.get(point.point.elementId) ?? 0, atM === null ? -1 : Math.floor(atM / ONE_STOP_M), TRADES.indexOf(point.point.trade)];
  };
  return stops.map((stop) => ({ stop, k: key(stop) })).sort((a, b) => (a.k[0] === b.k[0] ? 0 : a.k[0] - b.k[0]) || a.k[1] - b.k[1] || a.k[2] - b.k[2]).map((x) => x.stop);
}

/** The next place to read: what failed and was fixed, then what is unread, along the walk from the place in hand. */
export function nextStop(points: PointState[], walk: Walk, from: { check: string; place: number } | null): Stop | null {
  const order = walkOrder(points, walk);
  const again = order.find(({ point, place }) => point.places[place]?.verdict === 'out' && point.places[place].fix);
  if (again) return again;
  const start = from === null ? 0 : Math.max(0, order.findIndex((s) => s.point.point.id === from.check && s.place === from.place));
  return [...order.slice(start), ...order.slice(0, start)].find(({ point, place }) => point.places[place]?.verdict === 'unread') ?? null;
}

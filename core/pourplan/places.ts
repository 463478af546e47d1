import { endsOf, runOf, type SitePlan, standsOf } from '#core/model';
import type { RouteCell } from './cells.ts';
import type { Leg, Route } from './route.ts';

export interface Place {
  xM: number;
  yM: number;
}

/** Where a share (0 to 1) of a leg lies on the plan, in the direction of placing. */
function along(site: SitePlan, leg: Leg, share: number): Place | null {
  const run = runOf(site, leg.elementId);
  const ends = run && endsOf(site, run);
  if (!run || !ends) {
    const stand = standsOf(site).find((s) => s.id === leg.elementId);
    return stand ? { xM: stand.xM, yM: stand.yM } : null;
  }
  const [a, b] = leg.reversed ? [ends[1], ends[0]] : ends;
  return { xM: a.xM + (b.xM - a.xM) * share, yM: a.yM + (b.yM - a.yM) * share };
}

/** A cell with its two ends on the plan and the level of its top. */
export interface PlacedCell {
  cell: RouteCell;
  ends: [Place, Place];
  topM: number;
}

/** Every cell of a route on the plan; one whose element is not drawn is left out. */
export function placesOf(site: SitePlan, route: Route, cells: RouteCell[]): PlacedCell[] {
  const legs = new Map(route.legs.map((l) => [l.elementId, l]));
  return cells.flatMap((cell): PlacedCell[] => {
    const leg = legs.get(cell.elementId);
    const from = leg && along(site, leg, cell.fromShare);
    const to = leg && along(site, leg, cell.toShare);
    return from && to ? [{ cell, ends: [from, to], topM: cell.bottomM + cell.heightM }] : [];
  });
}

/** Distance from a place to a straight piece, m. */
export function distanceTo(p: Place, [a, b]: readonly [Place, Place]): number {
  const [dx, dy] = [b.xM - a.xM, b.yM - a.yM];
  const length2 = dx * dx + dy * dy;
  const t =
    length2 > 0 ? Math.min(1, Math.max(0, ((p.xM - a.xM) * dx + (p.yM - a.yM) * dy) / length2)) : 0;
  return Math.hypot(p.xM - a.xM - t * dx, p.yM - a.yM - t * dy);
}

import type { Drawn } from './drawn.ts';
import { endsOf } from './geometry.ts';
import type { PlanEdit } from './edit.ts';

/** Something the plan seems to lack, and the act that would put it in. */
export interface Offer { id: string; elementId: string; text: string; edit: PlanEdit }

/** How far a footing may lie from the foot of its wall to count as under it, m. */
const UNDER_M = 0.01;

/** Walls without a footing under them: one of the type most used is offered. */
export function offersOf(plan: Drawn, elements: string[], pour: string | null): Offer[] {
  const footings = plan.runs.filter((r) => r.kind !== 'wall');
  const uses = new Map<string, number>();
  for (const f of footings) uses.set(f.type, (uses.get(f.type) ?? 0) + 1);
  const type = plan.footingTypes.reduce<(typeof plan.footingTypes)[number] | null>((best, t) => (best === null || (uses.get(t.mark) ?? 0) > (uses.get(best.mark) ?? 0) ? t : best), null);
  if (!type) return [];
  const depth = new Map(plan.footingTypes.map((t) => [t.mark, t.depthM]));
  return plan.runs.filter((w) => w.kind === 'wall' && elements.includes(w.id)).flatMap((w): Offer[] => {
    const ends = endsOf(plan, w);
    if (!ends) return [];
    const mid = { xM: (ends[0].xM + ends[1].xM) / 2, yM: (ends[0].yM + ends[1].yM) / 2 };
    const under = footings.some((f) => {
      const e = endsOf(plan, f);
      if (!e) return false;
      const topM = f.topM ?? f.bottomM + (depth.get(f.type) ?? 0);
      if (Math.abs(topM - w.bottomM) > 0.06) return false;
      const [dx, dy] = [e[1].xM - e[0].xM, e[1].yM - e[0].yM];
      const len2 = dx * dx + dy * dy || 1;
      const t = ((mid.xM - e[0].xM) * dx + (mid.yM - e[0].yM) * dy) / len2;
      return t >= -1e-6 && t <= 1 + 1e-6 && Math.hypot(e[0].xM + t * dx - mid.xM, e[0].yM + t * dy - mid.yM) <= (plan.footingTypes.find((x) => x.mark === f.type)?.widthM ?? 0) / 2 + UNDER_M;
    });
    if (under) return [];
    return [{ id: `footing:${w.id}`, elementId: w.id, text: `${w.id} has no footing under it.`, edit: { do: 'addRun', kind: 'footing', type: type.mark, from: w.from, to: w.to, bottomM: w.bottomM - type.depthM, pour } }];
  });
}

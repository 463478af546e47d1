import type { UnitSystem } from '#core/units';
import type { Drawn } from './drawn.ts';
import { roundM, type Spot } from '#core/model';

/** Where a dragged node comes to lie, and on what it caught. */
export interface Snapped extends Spot {
  onto: string | null;
  caught: ('node' | 'upright' | 'level' | 'length')[];
}

/** Lengths are caught at whole inches, or centimetres. */
const STEP_M: Record<UnitSystem, number> = { us: 0.0254, metric: 0.01 };

/**
 * Catches a dragged node: on another node; upright or level with the nodes it is joined to (then
 * with any other); and at a round length of the run it ends. `reachM` is how near is near, in
 * metres on the ground.
 */
export function snapNode(
  plan: Pick<Drawn, 'nodes' | 'runs'>,
  id: string | null,
  at: Spot,
  reachM: number,
  units: UnitSystem,
): Snapped {
  const others = plan.nodes.filter((n) => n.id !== id);
  const nearest = others.reduce<{ id: string; d: number } | null>((best, n) => {
    const d = Math.hypot(n.xM - at.xM, n.yM - at.yM);
    return best === null || d < best.d ? { id: n.id, d } : best;
  }, null);
  if (nearest && nearest.d <= reachM) {
    const n = others.find((x) => x.id === nearest.id) as Spot;
    return { xM: n.xM, yM: n.yM, onto: nearest.id, caught: ['node'] };
  }
  const joined = new Set(
    plan.runs.flatMap((r) => {
      if (r.from === id) return [r.to];
      return r.to === id ? [r.from] : [];
    }),
  );
  const ranked = [
    ...others.filter((n) => joined.has(n.id)),
    ...others.filter((n) => !joined.has(n.id)),
  ];
  const caught: Snapped['caught'] = [];
  let { xM, yM } = at;
  const onX = ranked.find((n) => Math.abs(n.xM - at.xM) <= reachM);
  const onY = ranked.find((n) => Math.abs(n.yM - at.yM) <= reachM);
  if (onX) {
    xM = onX.xM;
    caught.push('upright');
  }
  if (onY) {
    yM = onY.yM;
    caught.push('level');
  }
  // One direction is free: the length of the run that lies along it comes to a round figure.
  const step = STEP_M[units];
  const anchor = others.find(
    (n) => joined.has(n.id) && ((onX && !onY && n.xM === xM) || (onY && !onX && n.yM === yM)),
  );
  if (anchor) {
    const length = Math.hypot(xM - anchor.xM, yM - anchor.yM);
    const round = Math.round(length / step) * step;
    if (length > 0 && round > 0) {
      xM = anchor.xM + ((xM - anchor.xM) * round) / length;
      yM = anchor.yM + ((yM - anchor.yM) * round) / length;
      caught.push('length');
    }
  }
  return { xM: roundM(xM), yM: roundM(yM), onto: null, caught };
}

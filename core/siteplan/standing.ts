import { endsOf, padUnder, type Pier, type Run, type SitePlan, wallRuns } from '#core/model';

type Plan = Pick<SitePlan, 'nodes' | 'runs' | 'footingTypes'>;

/** A wall that stands on a footing, and the stretch of the footing it takes, metres from the footing's first node. */
export interface Standing {
  wall: Run;
  fromM: number;
  toM: number;
}

/** How far beside the footing's edge the middle of a wall may lie and still stand on it, m. */
const BESIDE_M = 0.01;
/** How far a wall's foot may be off the top of its footing, m: leveling grout, a rounded level. */
const FOOT_M = 0.06;
/** A stretch shorter than this is a corner that laps over, not a wall that stands there, m. */
const LEAST_M = 0.1;

/** Level of the top of a footing or grade beam, m. */
export const footingTopM = (plan: Pick<SitePlan, 'footingTypes'>, f: Run): number =>
  f.topM ?? f.bottomM + (plan.footingTypes.find((t) => t.mark === f.type)?.depthM ?? 0);

/** The stretch of a footing that a wall stands on; null when it does not. */
export function standsOn(plan: Plan, wall: Run, footing: Run): Standing | null {
  if (wall.kind !== 'wall' || footing.kind === 'wall') return null;
  return Math.abs(footingTopM(plan, footing) - wall.bottomM) > FOOT_M
    ? null
    : liesOver(plan, wall, footing);
}

/** Further apart than this they are not meant for each other, m. */
const APART_M = 0.6;

/**
 * How far a wall's foot is off the top of the footing that lies under it in plan, m: above 0 it
 * hangs over it, below 0 it is in it. Null where it stands on one, or has none under it.
 */
export function gapUnder(plan: Plan, wall: Run): number | null {
  if (wall.kind !== 'wall') return null;
  const under = plan.runs.filter((f) => f.kind !== 'wall' && liesOver(plan, wall, f) !== null);
  const gaps = under
    .map((f) => wall.bottomM - footingTopM(plan, f))
    .sort((a, b) => Math.abs(a) - Math.abs(b));
  const nearest = gaps[0];
  if (nearest === undefined) return null;
  return Math.abs(nearest) > FOOT_M && Math.abs(nearest) < APART_M ? nearest : null;
}

/** The stretch of a footing over which a wall lies in plan, whatever their levels. */
function liesOver(plan: Plan, wall: Run, footing: Run): Standing | null {
  const [w, f] = [endsOf(plan, wall), endsOf(plan, footing)];
  if (!w || !f) return null;
  const [dx, dy] = [f[1].xM - f[0].xM, f[1].yM - f[0].yM];
  const lengthM = Math.hypot(dx, dy);
  if (lengthM < 1e-9) return null;
  const along = (p: { xM: number; yM: number }) =>
    ((p.xM - f[0].xM) * dx + (p.yM - f[0].yM) * dy) / lengthM;
  const off = (p: { xM: number; yM: number }) =>
    Math.abs((p.xM - f[0].xM) * dy - (p.yM - f[0].yM) * dx) / lengthM;
  const halfM =
    (plan.footingTypes.find((t) => t.mark === footing.type)?.widthM ?? 0) / 2 + BESIDE_M;
  if (off(w[0]) > halfM || off(w[1]) > halfM) return null;
  const [a, b] = [along(w[0]), along(w[1])].sort((p, q) => p - q) as [number, number];
  const [fromM, toM] = [Math.max(0, a), Math.min(lengthM, b)];
  return toM - fromM >= LEAST_M ? { wall, fromM, toM } : null;
}

/** Walls that stand on a footing, in order along it. */
export const wallsOn = (plan: Plan, footing: Run): Standing[] =>
  wallRuns(plan.runs)
    .flatMap((w) => standsOn(plan, w, footing) ?? [])
    .sort((a, b) => a.fromM - b.fromM);

/** The footing a wall stands on for most of its length; null when there is none. */
export function footingUnder(plan: Plan, wall: Run): Run | null {
  const under = plan.runs.flatMap((f) => {
    const s = standsOn(plan, wall, f);
    return s ? [{ f, lengthM: s.toM - s.fromM }] : [];
  });
  return under.sort((a, b) => b.lengthM - a.lengthM)[0]?.f ?? null;
}

/** Piers that stand on a pad. */
export const piersOn = (plan: Pick<SitePlan, 'pads' | 'piers'>, padId: string): Pier[] =>
  plan.piers.filter((p) => padUnder(plan.pads, p)?.id === padId);

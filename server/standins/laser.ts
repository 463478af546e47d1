import type { PourDoc, SitePlan } from '#core/model';
import { type DrainPoint, drainPoints, isTurningPoint, levelTargets } from '#core/check';

/** A number from 0 to 1 that is always the same for the same words. */
function chance(words: string): number {
  let h = 2166136261;
  for (const c of words) h = Math.imul(h ^ c.charCodeAt(0), 16777619);
  h = Math.imul(h ^ (h >>> 15), 2246822519);
  return ((h ^ (h >>> 13)) >>> 0) / 4294967296;
}

/** How far forms stand off their mark on this made-up site, most of the time, m; one in nine is further out. */
const USUAL_M = 0.004;
const FAR_M = 0.019;

const FALL = 0.013;
/** Where the made-up drain lies: under its run, falling from its first end. */
const invertOf = (site: SitePlan, p: DrainPoint): number =>
  (site.runs.find((r) => r.id === p.drain.elementId)?.bottomM ?? 0) +
  0.1 -
  FALL * (p.atM - p.drain.atM) +
  (chance(p.id) - 0.5) * 0.004;

/**
 * The stand-in for a laser level with its rod: what the rod reads on a point from the n-th set-up.
 * Where the log says how high the instrument sights (`sightM`) it reads from there, whoever set it
 * up; else it has just been put down, at a height of its own. Forms stand a little off their marks,
 * always the same way; drains fall a little over one in a hundred along their run. Turning points
 * stand about as high as the benchmark. Null for a point nobody knows.
 */
export function laserRod(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  setup: number,
  pointId: string,
  sightM?: number,
): number | null {
  const bench = site.benchmark;
  if (!bench) return null;
  const target = levelTargets(site, pour).find((t) => t.id === pointId);
  const drain = drainPoints(site, pour).find((p) => p.id === pointId);
  const far = chance(`far ${pointId}`) < 1 / 9;
  const standing = (): number | null => {
    if (pointId === bench.id) return bench.elevationM;
    if (isTurningPoint(pointId)) return bench.elevationM - 0.4 + chance(pointId) * 0.8;
    if (drain) return invertOf(site, drain);
    if (!target) return null;
    return target.wantedM + (chance(pointId) - 0.5) * 2 * (far ? FAR_M : USUAL_M);
  };
  const standsM = standing();
  if (standsM === null) return null;
  // The beam turns above all there is to read, within the length of a rod.
  const tops = levelTargets(site, pour).map((t) => t.wantedM);
  const hiM = sightM ?? Math.max(bench.elevationM, ...tops) + 0.9 + chance(`set-up ${setup}`) * 0.5;
  return (
    Math.round((hiM - standsM + (chance(`${setup} ${pointId}`) - 0.5) * 0.001) * 10_000) / 10_000
  );
}

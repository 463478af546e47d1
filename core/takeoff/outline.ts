import type { SitePlan } from '#core/model';
import type { Ring } from './ring.ts';
import { pierRing, rectangleRing } from './stand-rings.ts';
import { mitredRings, stripsOf, type Strip } from './strips.ts';

/** The plan outline of one element, for drawing it at its true width. */
export interface Outline {
  id: string;
  kind: 'footing' | 'wall' | 'gradeBeam' | 'pad' | 'pier';
  ring: Ring;
}

/** Outlines of all runs (mitred half-way up each), pads and piers; metres in plan. */
export function outlinesOf(site: SitePlan): Outline[] {
  const strips = stripsOf(site);
  // Runs of one height are mitred in one go: a site has few heights and many runs.
  const byHeight = new Map<number, Map<Strip, Ring>>();
  const runs = strips.map((s): Outline => {
    const mid = (s.bottomM + s.topM) / 2;
    const rings = byHeight.get(mid) ?? mitredRings(strips, mid, mid);
    byHeight.set(mid, rings);
    return { id: s.run.id, kind: s.run.kind, ring: rings.get(s) ?? [] };
  });
  return [
    ...runs,
    ...site.pads.map((p): Outline => ({
      id: p.id,
      kind: 'pad',
      ring: rectangleRing(p.xM, p.yM, p.widthM, p.lengthM),
    })),
    ...site.piers.map((p): Outline => ({ id: p.id, kind: 'pier', ring: pierRing(p) })),
  ];
}

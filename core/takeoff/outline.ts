import { roundRing } from './bands.ts';
import type { SitePlan } from '../model/site.ts';
import type { Ring } from './geometry.ts';
import { mitredRings, stripsOf } from './strips.ts';

/** The plan outline of one element, for drawing it at its true width. */
export interface Outline { id: string; kind: 'footing' | 'wall' | 'gradeBeam' | 'pad' | 'pier'; ring: Ring }

/** Outlines of all runs (mitred half-way up each), pads and piers; metres in plan. */
export function outlinesOf(site: SitePlan): Outline[] {
  const strips = stripsOf(site);
  const runs = strips.map((s): Outline => {
    const mid = (s.bottomM + s.topM) / 2;
    return { id: s.run.id, kind: s.run.kind, ring: mitredRings(strips, mid, mid).get(s) ?? [] };
  });
  const rect = (x: number, y: number, w: number, l: number): Ring => [{ x: x - w / 2, y: y - l / 2 }, { x: x + w / 2, y: y - l / 2 }, { x: x + w / 2, y: y + l / 2 }, { x: x - w / 2, y: y + l / 2 }];
  return [
    ...runs,
    ...site.pads.map((p): Outline => ({ id: p.id, kind: 'pad', ring: rect(p.xM, p.yM, p.widthM, p.lengthM) })),
    ...site.piers.map((p): Outline => ({ id: p.id, kind: 'pier', ring: p.diameterM === undefined ? rect(p.xM, p.yM, p.widthM ?? 0, p.lengthM ?? 0) : roundRing(p.xM, p.yM, p.diameterM) })),
  ];
}

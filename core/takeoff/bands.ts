import type { Opening, SitePlan, WallType } from '#core/model';
import { leftOf } from './convex.ts';
import { boxed, outside, RingIndex } from './geometry.ts';
import { ringArea } from './ring.ts';
import type { Point, Ring } from './ring.ts';
import { pierRing, rectangleRing } from './stand-rings.ts';
import { mitredRings, stripsOf, type Strip } from './strips.ts';

/** One element of the site in the order in which shared concrete is counted: runs, pads, piers. */
export interface Element {
  id: string;
  kind: 'footing' | 'wall' | 'gradeBeam' | 'pad' | 'pier';
  lengthM: number;
  formed: boolean;
}
/** A layer between two levels with nothing changing in it: what each element has there, overlaps counted once. */
export interface Band {
  lowM: number;
  highM: number;
  regions: Ring[][];
}

const minus = (p: Point): Point => ({ x: -p.x, y: -p.y });
const moved = (p: Point, d: Point, by: number): Point => ({ x: p.x + d.x * by, y: p.y + d.y * by });

/** Levels of an opening above the site datum. */
const openingLevels = (s: Strip, o: Opening): [number, number] => [
  s.bottomM + o.sillM,
  Math.min(s.bottomM + o.headM, s.topM),
];

/**
 * Takes an opening out of the rings of its run: all of the thickness, or a pocket's depth from the
 * inside (the left).
 */
function cutOpening(rings: Ring[], s: Strip, o: Opening): Ring[] {
  const near = moved(s.from, s.along, o.atM);
  const far = moved(s.from, s.along, o.atM + o.widthM);
  return rings.flatMap((ring) => {
    // The line across the run at `near`, looked along `left`, has what comes before it on its left side.
    const before = leftOf(ring, near, s.left);
    const after = leftOf(ring, far, minus(s.left));
    const parts = [before, after];
    if (o.kind === 'pocket') {
      const between = leftOf(leftOf(ring, near, minus(s.left)), far, s.left);
      const floor = moved(near, s.left, s.run.offsetM + s.widthM / 2 - (o.depthM ?? 0));
      parts.push(between.length ? leftOf(between, floor, minus(s.along)) : []);
    }
    return parts.filter((p) => p.length >= 3);
  });
}

/** Takes the brick ledge off the top outside face (the right), up to the mitres. */
function cutLedge(rings: Ring[], s: Strip, widthM: number): Ring[] {
  const face = moved(s.from, s.left, s.run.offsetM - s.widthM / 2 + widthM);
  return rings.map((r) => leftOf(r, face, s.along)).filter((r) => r.length >= 3);
}

interface StepDown {
  strip: Strip;
  lowM: number;
  highM: number;
  ring: Ring;
}

/** Steps: the upper run carried down to the bottom of the lower one, over its lap from their node. */
function stepsOf(strips: Strip[]): StepDown[] {
  const out: StepDown[] = [];
  for (const s of strips) {
    if (!s.run.step || s.family !== 'footing') continue;
    for (const node of [s.run.from, s.run.to]) {
      const lower = strips.filter(
        (o) =>
          o !== s &&
          o.family === 'footing' &&
          (o.run.from === node || o.run.to === node) &&
          o.bottomM < s.bottomM - 1e-9,
      );
      if (!lower.length) continue;
      const dir = node === s.run.from ? s.along : minus(s.along);
      const at = node === s.run.from ? s.from : s.to;
      const a = moved(moved(at, s.left, s.run.offsetM + s.widthM / 2), dir, 0);
      const b = moved(moved(at, s.left, s.run.offsetM - s.widthM / 2), dir, 0);
      const ring = [b, moved(b, dir, s.run.step.lapM), moved(a, dir, s.run.step.lapM), a];
      out.push({
        strip: s,
        lowM: Math.min(...lower.map((l) => l.bottomM)),
        highM: s.bottomM,
        ring: ringArea(ring) < 0 ? ring.reverse() : ring,
      });
    }
  }
  return out;
}

/** The site's elements in counting order. */
export function elementsOf(site: SitePlan): Element[] {
  const unformed = new Set(site.footingTypes.filter((t) => t.unformed).map((t) => t.mark));
  return [
    ...stripsOf(site).map((s): Element => ({
      id: s.run.id,
      kind: s.run.kind,
      lengthM: s.lengthM,
      formed: s.run.kind === 'wall' || !unformed.has(s.run.type),
    })),
    ...site.pads.map((p): Element => ({ id: p.id, kind: 'pad', lengthM: 0, formed: true })),
    ...site.piers.map((p): Element => ({ id: p.id, kind: 'pier', lengthM: 0, formed: true })),
  ];
}

/** Cuts the site into level bands within which nothing changes, with each element's own concrete in each. */
export function bandsOf(site: SitePlan): Band[] {
  const strips = stripsOf(site);
  const walls = new Map<string, WallType>(site.wallTypes.map((t) => [t.mark, t]));
  const steps = stepsOf(strips);
  const ledgeOf = (s: Strip) =>
    s.family === 'wall' ? (walls.get(s.run.type)?.ledge ?? null) : null;
  const levels = new Set<number>();
  for (const s of strips) {
    levels.add(s.bottomM).add(s.topM);
    for (const o of s.run.openings) openingLevels(s, o).forEach((z) => levels.add(z));
    const ledge = ledgeOf(s);
    if (ledge) levels.add(s.topM - ledge.heightM);
  }
  for (const st of steps) levels.add(st.lowM).add(st.highM);
  for (const p of site.pads) levels.add(p.bottomM).add(p.bottomM + p.depthM);
  for (const p of site.piers) levels.add(p.bottomM).add(p.topM);
  const sorted = [...levels]
    .sort((a, b) => a - b)
    .filter((z, i, all) => i === 0 || z - (all[i - 1] as number) > 1e-9);

  const bands: Band[] = [];
  for (let i = 0; i + 1 < sorted.length; i += 1) {
    const lowM = sorted[i] as number;
    const highM = sorted[i + 1] as number;
    const within = (bottom: number, top: number) => bottom <= lowM + 1e-9 && top >= highM - 1e-9;
    const rings = mitredRings(strips, lowM, highM);
    const regions: Ring[][] = strips.map((s) => {
      const own = rings.get(s);
      let parts = own ? [own] : [];
      for (const o of s.run.openings) {
        const [z0, z1] = openingLevels(s, o);
        if (parts.length && within(z0, z1)) parts = cutOpening(parts, s, o);
      }
      const ledge = ledgeOf(s);
      if (ledge && parts.length && lowM >= s.topM - ledge.heightM - 1e-9)
        parts = cutLedge(parts, s, ledge.widthM);
      for (const st of steps)
        if (st.strip === s && within(st.lowM, st.highM)) parts = [...parts, st.ring];
      return parts;
    });
    for (const p of site.pads)
      regions.push(
        within(p.bottomM, p.bottomM + p.depthM)
          ? [rectangleRing(p.xM, p.yM, p.widthM, p.lengthM)]
          : [],
      );
    for (const p of site.piers) regions.push(!within(p.bottomM, p.topM) ? [] : [pierRing(p)]);
    // Concrete that lies in two elements counts with the first of them.
    const taken = new RingIndex();
    const net = regions.map((r) => {
      const left = outside(r, taken);
      for (const ring of r) taken.add(boxed(ring));
      return left;
    });
    bands.push({ lowM, highM, regions: net });
  }
  return bands;
}

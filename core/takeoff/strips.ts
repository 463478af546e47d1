import type { Run, SitePlan } from '#core/model';
import { ringArea } from './ring.ts';
import type { Point, Ring } from './ring.ts';

/** A run as a straight strip in plan, before openings: where it starts, its direction, width and levels. */
export interface Strip {
  run: Run;
  index: number;
  family: 'footing' | 'wall';
  from: Point;
  to: Point;
  lengthM: number;
  /** Unit vector along the run, and to its left. */
  along: Point;
  left: Point;
  widthM: number;
  bottomM: number;
  topM: number;
}

/** Levels, width and direction of every run. Footings and grade beams are one family, walls another. */
export function stripsOf(site: SitePlan): Strip[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  return site.runs.map((run, index) => {
    const a = nodes.get(run.from);
    const b = nodes.get(run.to);
    if (!a || !b) throw new RangeError(`stripsOf: run ${run.id} names a node that is not there`);
    const lengthM = Math.hypot(b.xM - a.xM, b.yM - a.yM);
    const along = { x: (b.xM - a.xM) / lengthM, y: (b.yM - a.yM) / lengthM };
    const wall = run.kind === 'wall' ? site.wallTypes.find((t) => t.mark === run.type) : undefined;
    const footing =
      run.kind === 'wall' ? undefined : site.footingTypes.find((t) => t.mark === run.type);
    const widthM = wall?.thicknessM ?? footing?.widthM ?? 0;
    return {
      run,
      index,
      family: run.kind === 'wall' ? 'wall' : 'footing',
      from: { x: a.xM, y: a.yM },
      to: { x: b.xM, y: b.yM },
      lengthM,
      along,
      left: { x: -along.y, y: along.x },
      widthM,
      bottomM: run.bottomM,
      topM: run.topM ?? run.bottomM + (footing?.depthM ?? 0),
    };
  });
}

/** Two runs that go on within this angle of straight are cut square. */
const STRAIGHT = Math.PI / 180;
/** A mitre point further from the node than this many widths is cut square across. */
const LONGEST_MITRE = 4;

interface Arm {
  strip: Strip;
  start: boolean;
  out: Point;
  angle: number;
}

/** Point on a strip's side at its node: `turn` +1 is the left of somebody looking outward from the node. */
function sidePoint(arm: Arm, turn: 1 | -1): Point {
  const s = arm.strip;
  const at = arm.start ? s.from : s.to;
  const towardLeft = arm.start ? turn : -turn;
  const d = s.run.offsetM + (towardLeft * s.widthM) / 2;
  return { x: at.x + s.left.x * d, y: at.y + s.left.y * d };
}

/**
 * Where the left side of `a` meets the right side of `b`, looking outward from their node; null
 * when it is cut square.
 */
function corner(a: Arm, b: Arm): Point | null {
  let turn = b.angle - a.angle;
  if (turn <= 0) turn += 2 * Math.PI;
  if (Math.abs(turn - Math.PI) <= STRAIGHT) return null;
  const p = sidePoint(a, 1);
  const q = sidePoint(b, -1);
  const cross = a.out.x * b.out.y - a.out.y * b.out.x;
  if (Math.abs(cross) < 1e-12) return null;
  const t = ((q.x - p.x) * b.out.y - (q.y - p.y) * b.out.x) / cross;
  const meet = { x: p.x + a.out.x * t, y: p.y + a.out.y * t };
  const node = a.start ? a.strip.from : a.strip.to;
  const reach = Math.hypot(meet.x - node.x, meet.y - node.y);
  return reach > LONGEST_MITRE * Math.max(a.strip.widthM, b.strip.widthM) ? null : meet;
}

/** The corner points of one end of a strip, from its right side to its left, looking outward from the node. */
function endPoints(me: Arm, arms: Arm[]): Point[] {
  if (arms.length < 2) return [sidePoint(me, -1), sidePoint(me, 1)];
  const i = arms.indexOf(me);
  const next = arms[(i + 1) % arms.length] as Arm;
  const before = arms[(i + arms.length - 1) % arms.length] as Arm;
  const right = corner(before, me) ?? sidePoint(me, -1);
  const left = corner(me, next) ?? sidePoint(me, 1);
  // With three or more runs the shares meet in the node itself; with two they meet along the line between the corners.
  return arms.length > 2 ? [right, me.start ? me.strip.from : me.strip.to, left] : [right, left];
}

/**
 * The mitred outlines of all strips that are there throughout `lowM` to `highM`, one ring a strip.
 * Mitres are made among the strips of one family that are there at that height.
 */
export function mitredRings(strips: Strip[], lowM: number, highM: number): Map<Strip, Ring> {
  const present = strips.filter((s) => s.bottomM <= lowM + 1e-9 && s.topM >= highM - 1e-9);
  const arms = new Map<string, Arm[]>();
  for (const strip of present) {
    for (const start of [true, false]) {
      const key = `${strip.family} ${start ? strip.run.from : strip.run.to}`;
      const out = start ? strip.along : { x: -strip.along.x, y: -strip.along.y };
      const list = arms.get(key) ?? [];
      list.push({ strip, start, out, angle: Math.atan2(out.y, out.x) });
      arms.set(key, list);
    }
  }
  for (const list of arms.values()) list.sort((a, b) => a.angle - b.angle);
  const rings = new Map<Strip, Ring>();
  for (const strip of present) {
    const ends = [true, false].map((start) => {
      const list = arms.get(`${strip.family} ${start ? strip.run.from : strip.run.to}`) ?? [];
      const me = list.find((a) => a.strip === strip && a.start === start);
      return me ? endPoints(me, list) : [];
    });
    // Outward right to left at the start runs from the strip's right to its left; at the end, from left to right.
    const ring = [...(ends[0] ?? []), ...(ends[1] ?? [])].reverse();
    rings.set(strip, ringArea(ring) < 0 ? ring.reverse() : ring);
  }
  return rings;
}

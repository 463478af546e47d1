import { ClipperD, ClipType, FillRule, type PathsD } from 'clipper2-ts';
import { ringArea, type Ring } from './ring.ts';

/** The polygon library works on a grid of 10⁻⁷ m: finer than any tape, coarse enough for its integers. */
const DECIMALS = 7;
const path = (ring: Ring) => ring.map((p) => ({ x: p.x, y: p.y, z: 0 }));

/** Two rings put together one way or the other. The engine itself is asked: the library's short forms bring all of it along. */
function combined(type: ClipType, a: Ring, b: Ring): Ring[] {
  const engine = new ClipperD(DECIMALS);
  engine.addSubjectPaths([path(a)]);
  engine.addClipPaths([path(b)]);
  const out: PathsD = [];
  engine.execute(type, FillRule.NonZero, out);
  return out.map((p) => p.map(({ x, y }) => ({ x, y })));
}

/** Area that two rings share, m². */
export const booleanArea = (a: Ring, b: Ring): number =>
  Math.abs(combined(ClipType.Intersection, a, b).reduce((sum, ring) => sum + ringArea(ring), 0));
/** What is left of `a` outside `b`. A hole comes back as a ring that runs clockwise (negative area). */
export const differenceOf = (a: Ring, b: Ring): Ring[] => combined(ClipType.Difference, a, b);

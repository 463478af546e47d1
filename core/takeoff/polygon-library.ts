import { Clipper, FillRule, type PathsD } from 'clipper2-ts';
import type { Ring } from './ring.ts';

/** The polygon library works on a grid of 10⁻⁷ m: finer than any tape, coarse enough for its integers. */
const DECIMALS = 7;
const path = (ring: Ring) => ring.map((p) => ({ x: p.x, y: p.y, z: 0 }));
const rings = (paths: PathsD): Ring[] => paths.map((p) => p.map(({ x, y }) => ({ x, y })));

/** Area that two rings share, m². */
export const booleanArea = (a: Ring, b: Ring): number =>
  Math.abs(
    Clipper.areaPathsD(Clipper.intersectD([path(a)], [path(b)], FillRule.NonZero, DECIMALS)),
  );
/** What is left of `a` outside `b`. A hole comes back as a ring that runs clockwise (negative area). */
export const differenceOf = (a: Ring, b: Ring): Ring[] =>
  rings(Clipper.differenceD([path(a)], [path(b)], FillRule.NonZero, DECIMALS));

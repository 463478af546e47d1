import { describe, expect, test } from '@jest/globals';
import { ClipperD, ClipType, FillRule, type PathsD } from 'clipper2-ts';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { mersenne } from 'pure-rand/generator/mersenne';
import { differenceOf, sharedArea } from './convex.ts';
import { exposedLengths } from './geometry.ts';
import { type Ring, ringArea } from './ring.ts';

const box = (x: number, y: number, w: number, h: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
const sum = (rings: Ring[]): number => rings.reduce((s, r) => s + ringArea(r), 0);
/** An L of 3 × 3 m with legs 1 m wide: it turns to the right once. */
const ELL: Ring = [
  { x: 0, y: 0 },
  { x: 3, y: 0 },
  { x: 3, y: 1 },
  { x: 1, y: 1 },
  { x: 1, y: 3 },
  { x: 0, y: 3 },
];

describe('rings parted along straight lines', () => {
  test('a strip across another leaves two ends, without their shared square', () => {
    const left = differenceOf(box(0, 0, 10, 1), box(4, -2, 1, 5));
    expect(left).toHaveLength(2);
    expect(sum(left)).toBeCloseTo(9, 12);
    expect(sharedArea(box(0, 0, 10, 1), box(4, -2, 1, 5))).toBeCloseTo(1, 12);
  });

  test('a pad within a pad leaves a frame of convex rings, whose outline is both of them', () => {
    const left = differenceOf(box(0, 0, 4, 4), box(1, 1, 2, 2));
    expect(sum(left)).toBeCloseTo(12, 12);
    expect(exposedLengths([left])[0]).toBeCloseTo(16 + 8, 9);
  });

  test('what only touches, or lies apart, is left as it is', () => {
    const ring = box(0, 0, 2, 2);
    expect(differenceOf(ring, box(2, 0, 2, 2))).toEqual([ring]);
    expect(differenceOf(ring, box(5, 5, 1, 1))).toEqual([ring]);
    expect(sharedArea(ring, box(2, 0, 2, 2))).toBe(0);
  });

  test('what is covered whole is gone', () => {
    expect(differenceOf(box(1, 1, 1, 1), box(0, 0, 3, 3))).toEqual([]);
  });

  test('a ring that turns inwards cuts, and is cut, like any other', () => {
    expect(sharedArea(box(0, 0, 2, 2), ELL)).toBeCloseTo(3, 12);
    expect(sum(differenceOf(box(0, 0, 2, 2), ELL))).toBeCloseTo(1, 12);
    expect(sum(differenceOf(ELL, box(0, 0, 2, 2)))).toBeCloseTo(2, 12);
    // What is inside the corner of the L, and is not of it.
    expect(sharedArea(ELL, box(1.5, 1.5, 1, 1))).toBe(0);
  });
});

/** The same by a polygon library, which works on a grid of 10⁻⁷ m. */
function byLibrary(type: ClipType, a: Ring, b: Ring): number {
  const engine = new ClipperD(7);
  engine.addSubjectPaths([a.map((p) => ({ ...p, z: 0 }))]);
  engine.addClipPaths([b.map((p) => ({ ...p, z: 0 }))]);
  const out: PathsD = [];
  engine.execute(type, FillRule.NonZero, out);
  return sum(out);
}

test('shares and differences of strips, pads and corners at every angle agree with a polygon library', () => {
  const source = mersenne(20_260_923);
  const draw = () => uniformFloat64(source);
  const shape = (): Ring => {
    const w = 0.2 + draw() * 3;
    const turned = draw() * 2 * Math.PI;
    const [cos, sin] = [Math.cos(turned), Math.sin(turned)];
    const at = { x: draw() * 2.5, y: draw() * 2.5 };
    const ring = draw() < 0.3 ? ELL : box(0, 0, 0.2 + draw() * 4, w);
    return ring.map((p) => ({
      x: at.x + cos * p.x - sin * p.y,
      y: at.y + sin * p.x + cos * p.y,
    }));
  };
  let met = 0;
  for (let i = 0; i < 400; i += 1) {
    const [a, b] = [shape(), shape()];
    const shared = byLibrary(ClipType.Intersection, a, b);
    if (shared > 0.01) met += 1;
    expect(sharedArea(a, b)).toBeCloseTo(shared, 4);
    expect(sum(differenceOf(a, b))).toBeCloseTo(byLibrary(ClipType.Difference, a, b), 4);
    expect(sharedArea(a, b) + sum(differenceOf(a, b))).toBeCloseTo(ringArea(a), 9);
  }
  // Most of them really overlap: the agreement is not one of nothings.
  expect(met).toBeGreaterThan(200);
});

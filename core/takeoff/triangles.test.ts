import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sharedArea } from './convex.ts';
import { type Ring, ringArea } from './ring.ts';
import { trianglesOf } from './triangles.ts';

/** A star of any shape about (0, 0): it never crosses itself, and turns in and out as it likes. */
const star = fc
  .array(fc.double({ min: 0.2, max: 5, noNaN: true }), { minLength: 5, maxLength: 24 })
  .map((radii): Ring =>
    radii.map((r, i) => {
      const angle = (2 * Math.PI * i) / radii.length;
      return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
    }),
  );
const sum = (rings: Ring[]): number => rings.reduce((s, r) => s + ringArea(r), 0);

test('triangles fill any ring, and no two of them lie on each other', () => {
  fc.assert(
    fc.property(star, (ring) => {
      const parts = trianglesOf(ring);
      expect(sum(parts)).toBeCloseTo(ringArea(ring), 9);
      for (const p of parts) expect(ringArea(p)).toBeGreaterThan(0);
      const [first, ...others] = parts;
      for (const o of others) expect(sharedArea(first as Ring, o)).toBeLessThan(1e-9);
    }),
  );
});

test('a ring drawn clockwise, and corners on a straight side, make no difference', () => {
  const ell: Ring = [
    { x: 0, y: 0 },
    { x: 2, y: 0 },
    { x: 4, y: 0 },
    { x: 4, y: 1 },
    { x: 1, y: 1 },
    { x: 1, y: 3 },
    { x: 0, y: 3 },
  ];
  expect(sum(trianglesOf(ell))).toBeCloseTo(6, 12);
  expect(sum(trianglesOf([...ell].reverse()))).toBeCloseTo(6, 12);
  expect(trianglesOf(ell)).toHaveLength(4);
});

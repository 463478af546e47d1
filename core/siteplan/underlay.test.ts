import { describe, expect, test } from '@jest/globals';
import { movedBy, scaledTo, squaredBy, type Lying } from './underlay.ts';

const lying: Lying = { xM: 0, yM: 0, mPerPx: 0.01, turnDeg: 0 };
/** Where a dot of the picture lies on the plan. */
const dot = (l: Lying, px: number, py: number) => {
  const rad = (l.turnDeg * Math.PI) / 180;
  const [u, v] = [px * l.mPerPx, -py * l.mPerPx];
  return {
    xM: l.xM + u * Math.cos(rad) - v * Math.sin(rad),
    yM: l.yM + u * Math.sin(rad) + v * Math.cos(rad),
  };
};

describe('a picture under the plan', () => {
  test('two dots that are 500 apart and 11 m on the drawing make a dot 22 mm', () => {
    const [a, b] = [dot(lying, 100, 200), dot(lying, 400, 600)];
    const now = scaledTo(lying, a, b, 11);
    expect(now.mPerPx).toBeCloseTo(0.022, 12);
    const [a2, b2] = [dot(now, 100, 200), dot(now, 400, 600)];
    expect(a2.xM).toBeCloseTo(a.xM, 4);
    expect(a2.yM).toBeCloseTo(a.yM, 4);
    expect(Math.hypot(b2.xM - a2.xM, b2.yM - a2.yM)).toBeCloseTo(11, 6);
  });

  test('a wall photographed 3° askew lies level, one nearly upright lies upright', () => {
    for (const [px, py, axis] of [
      [1000, 1000 * Math.tan((3 * Math.PI) / 180), 'yM'],
      [40, 900, 'xM'],
    ] as const) {
      const [a, b] = [dot(lying, 50, 50), dot(lying, 50 + px, 50 + py)];
      const now = squaredBy(lying, a, b);
      const [a2, b2] = [dot(now, 50, 50), dot(now, 50 + px, 50 + py)];
      expect(b2[axis]).toBeCloseTo(a2[axis], 3);
      expect(a2.xM).toBeCloseTo(a.xM, 3);
      expect(Math.abs(now.turnDeg)).toBeLessThan(45);
    }
  });

  test('moved, what lay at one spot lies at another', () => {
    const now = movedBy(lying, { xM: 1, yM: 2 }, { xM: 4, yM: -1 });
    expect([now.xM, now.yM]).toEqual([3, -3]);
  });

  test('the same spot twice gives no scale', () => {
    const a = { xM: 1, yM: 1 };
    expect(() => scaledTo(lying, a, a, 5)).toThrow(/two different spots/);
    expect(() => scaledTo(lying, a, { xM: 2, yM: 1 }, 0)).toThrow(/above 0/);
  });
});

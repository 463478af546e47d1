import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { anchorLayout } from './anchor-layout.ts';
import { anchorVerdict } from './anchor-verdict.ts';

/** Fewest bolts by trying every place of a 1 dm grid on which all measures lie; null when there is no layout. */
function fewestOnGrid(
  lengthDm: number,
  keepOuts: [number, number][],
  maxDm: number,
  endMinDm: number,
  endMaxDm: number,
): number | null {
  const ok = (x: number) =>
    x >= endMinDm && x <= lengthDm - endMinDm && !keepOuts.some(([a, b]) => x > a && x < b);
  let reach = new Set<number>();
  for (let x = endMinDm; x <= endMaxDm; x += 1) if (ok(x)) reach.add(x);
  for (let n = 1; n <= 60 && reach.size; n += 1) {
    if (n >= 2 && [...reach].some((x) => lengthDm - x <= endMaxDm)) return n;
    const next = new Set<number>();
    for (const x of reach) for (let y = x + 1; y <= x + maxDm; y += 1) if (ok(y)) next.add(y);
    reach = next;
  }
  return null;
}

const plate = fc.record({
  lengthDm: fc.integer({ min: 3, max: 120 }),
  maxDm: fc.integer({ min: 4, max: 18 }),
  keepOuts: fc.array(
    fc
      .tuple(fc.integer({ min: 0, max: 115 }), fc.integer({ min: 1, max: 12 }))
      .map(([a, w]): [number, number] => [a, a + w]),
    { maxLength: 4 },
  ),
});

describe('layout of bolts', () => {
  test('has the fewest bolts there can be, and every rule holds', () => {
    fc.assert(
      fc.property(plate, ({ lengthDm, maxDm, keepOuts }) => {
        const out = resultOf(anchorLayout, {
          sections: [{ startM: 0, endM: lengthDm / 10 }],
          openings: [],
          keepOuts: keepOuts.map(([a, b]) => ({ fromM: a / 10, toM: b / 10 })),
          maxSpacingM: maxDm / 10,
          endMinMm: 100,
          endMaxMm: 300,
        });
        const fewest = fewestOnGrid(lengthDm, keepOuts, maxDm, 1, 3);
        const p = out.sections[0]?.positionsM ?? [];
        if (fewest === null) {
          // A layout may exist off the grid only where two bolts share less than a decimetre.
          if (p.length)
            expect((p.at(-1) as number) - (p[0] as number)).toBeLessThan(0.1 * p.length);
          else expect(out.unsolved).toEqual([0]);
          return;
        }
        expect(p).toHaveLength(fewest);
        expect(p[0]).toBeGreaterThanOrEqual(0.1 - 1e-9);
        expect(p[0]).toBeLessThanOrEqual(0.3 + 1e-9);
        expect(lengthDm / 10 - (p.at(-1) as number)).toBeLessThanOrEqual(0.3 + 1e-9);
        for (const x of p)
          for (const [a, b] of keepOuts) expect(x > a / 10 + 1e-9 && x < b / 10 - 1e-9).toBe(false);
        p.slice(1).forEach((x, i) => {
          expect(x - (p[i] as number)).toBeGreaterThan(0);
          expect(x - (p[i] as number)).toBeLessThanOrEqual(maxDm / 10 + 1e-9);
        });
        // What the layout gives stands the verdict as set.
        expect(
          resultOf(anchorVerdict, {
            startM: 0,
            endM: lengthDm / 10,
            bolts: p.map((atM) => ({ atM })),
            maxSpacingM: maxDm / 10,
            endMinMm: 100,
            endMaxMm: 300,
          }).failures,
        ).toEqual([]);
      }),
      { numRuns: 400 },
    );
  });
  test('with nothing in the way the bolts are evenly spread', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 20, noNaN: true }), (lengthM) => {
        const p = resultOf(anchorLayout, { sections: [{ startM: 2, endM: 2 + lengthM }] })
          .sections[0]?.positionsM as number[];
        const gaps = p.slice(1).map((x, i) => x - (p[i] as number));
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-6);
      }),
    );
  });
  test('a keep-out wider than the spacing has no layout, and a piece that is too short neither', () => {
    const out = evaluate(anchorLayout, {
      sections: [
        { startM: 0, endM: 6 },
        { startM: 7, endM: 7.15 },
      ],
      keepOuts: [{ fromM: 2, toM: 4 }],
    });
    expect(out.result.unsolved).toEqual([0, 1]);
    expect(out.result.count).toBe(0);
    expect(out.cautions.join()).toMatch(/no layout/);
  });
  test('an opening cuts a plate, one at its end only shortens it, one over all of it leaves nothing', () => {
    const cut = (fromM: number, toM: number) =>
      resultOf(anchorLayout, {
        sections: [{ startM: 0, endM: 5 }],
        openings: [{ fromM, toM }],
      }).sections.map((s) => [s.startM, s.endM]);
    expect(cut(2, 3)).toEqual([
      [0, 2],
      [3, 5],
    ]);
    expect(cut(-1, 1)).toEqual([[1, 5]]);
    expect(cut(-1, 6)).toEqual([]);
  });
  test('a single bolt stands in the middle third, whatever its end distances', () => {
    const judged = (endM: number, atM: number) =>
      resultOf(anchorVerdict, { startM: 0, endM, single: true, bolts: [{ atM }] });
    // 0.35 m: from 0.1167 to 0.2333. 0.10 is far enough from the end, and out.
    expect(judged(0.35, 0.1)).toMatchObject({ ok: false, failures: [{ rule: 'end' }] });
    expect(judged(0.35, 0.1).failures[0]?.byMm).toBeCloseTo(16.667, 3);
    expect(judged(0.35, 0.35 / 3).ok).toBe(true);
    // 24 in: the middle third reaches further from an end than two would.
    expect(judged(0.6096, 0.29).ok).toBe(true);
    expect(judged(0.6096, 0.42).ok).toBe(false);
    // A piece too short for seven diameters on either side still has its middle.
    expect(
      resultOf(anchorLayout, { sections: [{ startM: 0, endM: 0.15, single: true }] }).sections[0]
        ?.positionsM[0],
    ).toBeCloseTo(0.075, 9);
  });
  test('single counts only up to 24 in', () => {
    const n = (endM: number) =>
      resultOf(anchorLayout, { sections: [{ startM: 0, endM, single: true }] }).count;
    expect([n(0.6096), n(0.61)]).toEqual([1, 2]);
  });
});

test('bolts of a plate are held by their own thickness, or by that of the plate where theirs is not said', () => {
  const say = (diameterMm?: number) =>
    resultOf(anchorVerdict, {
      startM: 0,
      endM: 2,
      bolts: [{ atM: 0.1, planAtM: 0.108, diameterMm }, { atM: 1.8 }],
    }).failures.map((f) => [f.rule, f.bolt]);
  expect(say()).toEqual([['position', 0]]);
  // 25.4 mm: seven times is 178 mm from the end, and 9.5 mm off the drawing passes.
  expect(say(25.4)).toEqual([['end', 0]]);
});

test('bolts as set: each broken rule is named, with how far', () => {
  const out = resultOf(anchorVerdict, {
    startM: 0,
    endM: 4,
    boltDiameterMm: 15.875,
    projectionMm: 90,
    plateWidthMm: 139.7,
    leastEmbedmentMm: 177.8,
    bolts: [
      { atM: 0.05, embedmentMm: 150, projectionMm: 70 },
      { atM: 2.2, planAtM: 2.19, offCentreMm: -40 },
      { atM: 3.8, leanMmPerM: 40 },
    ],
  });
  expect(out.failures.map((f) => [f.rule, f.bolt])).toEqual([
    ['end', 0],
    ['gap', 1],
    ['embedment', 0],
    ['projection', 0],
    ['position', 1],
    ['centre', 1],
    ['plumb', 2],
  ]);
  expect(out.failures.find((f) => f.rule === 'gap')?.byMm).toBeCloseTo((2.15 - 1.8288) * 1000, 6);
  expect(out.failures.find((f) => f.rule === 'embedment')?.byMm).toBeCloseTo(27.8, 9);
  expect(
    resultOf(anchorVerdict, { startM: 0, endM: 4, bolts: [{ atM: 0.2 }] }).failures[0],
  ).toMatchObject({ rule: 'count', text: '1 of 2 bolts are there' });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { braceLoad } from './brace-load.ts';
import { braceTurn } from './brace-turn.ts';
import { tieLoad } from './tie-load.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('load on a brace', () => {
  const wall = { wallHeightM: 3, braceSpacingM: 2.4, attachHeightM: 2, angleDeg: 50 };
  test('moments about the foot and forces at the brace balance', () => {
    fc.assert(
      fc.property(
        between(1, 6),
        between(0.5, 3),
        between(0.3, 1),
        between(20, 75),
        between(0, 3),
        between(0, 2),
        (wallHeightM, braceSpacingM, share, angleDeg, lineLoadKNM, windKPa) => {
          const attachHeightM = wallHeightM * share;
          const out = resultOf(braceLoad, {
            wallHeightM,
            braceSpacingM,
            attachHeightM,
            angleDeg,
            lineLoadKNM,
            windKPa,
          });
          expect(out.horizontalKN * attachHeightM).toBeCloseTo(
            out.topLoadKNM * braceSpacingM * wallHeightM,
            6,
          );
          expect(Math.hypot(out.horizontalKN, out.upliftKN)).toBeCloseTo(out.braceAxialKN, 6);
          expect(out.topLoadKNM).toBeGreaterThanOrEqual(
            Math.max(lineLoadKNM, (windKPa * wallHeightM) / 2) - 1e-12,
          );
        },
      ),
    );
  });
  test('a brace at the very top is allowed, above it not', () => {
    expect(resultOf(braceLoad, { ...wall, attachHeightM: 3 }).horizontalKN).toBeCloseTo(
      1.5 * 2.4,
      9,
    );
    expect(() => resultOf(braceLoad, { ...wall, attachHeightM: 3.01 })).toThrow(
      /attachHeightM is above the wall/,
    );
    for (const angleDeg of [0, 90, 120])
      expect(() => resultOf(braceLoad, { ...wall, angleDeg })).toThrow(
        /angleDeg must be between 0 and 90/,
      );
  });
});

describe('turn of a brace', () => {
  const brace = { wallHeightM: 2.7, attachHeightM: 1.8, angleDeg: 48, pitchMmPerTurn: 6 };
  test('exactly on the tolerance is left alone; a hair more is turned', () => {
    expect(resultOf(braceTurn, { ...brace, offsetMm: -1.5 })).toMatchObject({
      direction: 'none',
      turns: 0,
      possible: true,
    });
    expect(resultOf(braceTurn, { ...brace, offsetMm: 1.501 }).direction).toBe('in');
  });
  test('a push-only brace pushes out but cannot pull in, and says what to do', () => {
    expect(resultOf(braceTurn, { ...brace, offsetMm: -9, pushOnly: true }).possible).toBe(true);
    const stuck = evaluate(braceTurn, { ...brace, offsetMm: 9, pushOnly: true });
    expect(stuck.result.possible).toBe(false);
    expect(stuck.cautions.join()).toMatch(/only pushes/);
  });
});

test('a tie’s load grows with each of the three, and exactly its capacity is good', () => {
  const tie = (p: number, a: number, b: number, cap = 13) =>
    resultOf(tieLoad, { pressureKPa: p, walerSpacingM: a, tieSpacingM: b, tieCapacityKN: cap });
  fc.assert(
    fc.property(
      between(5, 60),
      between(0.2, 1.2),
      between(0.2, 1.2),
      between(0.01, 0.5),
      (p, a, b, more) => {
        const { loadKN } = tie(p, a, b);
        for (const heavier of [tie(p + more, a, b), tie(p, a + more, b), tie(p, a, b + more)])
          expect(heavier.loadKN).toBeGreaterThan(loadKN);
        expect(tie(p, a, b, loadKN).ok).toBe(true);
        expect(tie(p, a, b, loadKN * 0.999).ok).toBe(false);
      },
    ),
  );
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { clearanceVerdict } from './clearance-verdict.ts';
import { drainPitch } from './drain-pitch.ts';
import { levelLoop } from './level-loop.ts';
import { squareness } from './squareness.ts';
import { straightness } from './straightness.ts';
import { trenchFill } from './trench-fill.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('level loop', () => {
  test('a loop read without error closes, and every point comes out at its level, however many set-ups', () => {
    fc.assert(
      fc.property(
        between(-20, 300),
        fc.array(
          fc.record({ up: between(0.2, 3.5), point: between(-2, 2), turn: between(-1, 1) }),
          { minLength: 1, maxLength: 5 },
        ),
        (benchmarkM, plan) => {
          let standM = benchmarkM;
          const levels: number[] = [];
          const setups = plan.map((p, i) => {
            const hi = standM + p.up;
            levels.push(hi - (p.point + 2));
            const setup = {
              backSightM: p.up,
              readings: [{ id: `P${i}`, rodM: p.point + 2, planM: hi - (p.point + 2) + 0.004 }],
              ...(i < plan.length - 1 ? { turnRodM: p.turn + 1 } : {}),
            };
            if (i < plan.length - 1) standM = hi - (p.turn + 1);
            return setup;
          });
          const closingRodM = Math.max(0, standM + (plan.at(-1)?.up ?? 0) - benchmarkM);
          fc.pre(standM + (plan.at(-1)?.up ?? 0) >= benchmarkM);
          const out = resultOf(levelLoop, { benchmarkM, setups, closingRodM });
          expect(out.ok).toBe(true);
          expect(out.misclosureMm).toBeCloseTo(0, 6);
          out.points.forEach((p, i) => {
            expect(p.elevationM).toBeCloseTo(levels[i] as number, 9);
            expect(p.deviationMm).toBeCloseTo(-4, 6);
          });
        },
      ),
    );
  });
  test('a misclosure exactly on the tolerance is within it', () => {
    const at = (closingRodM: number) =>
      resultOf(levelLoop, {
        benchmarkM: 10,
        setups: [{ backSightM: 1.5, readings: [] }],
        closingRodM,
      }).ok;
    expect([at(1.503), at(1.497), at(1.5031)]).toEqual([true, true, false]);
  });
});

test('diagonals: moving corners 3 and 4 back by the rack makes them equal', () => {
  fc.assert(
    fc.property(between(3, 40), between(3, 40), between(-0.2, 0.2), (a, b, shift) => {
      // Corner 1 at 0,0; 2 at a,0; 3 and 4 shifted along the side 1 to 2, sides kept.
      const up = Math.sqrt(b * b - shift * shift);
      const out = resultOf(squareness, {
        s12M: a,
        s23M: b,
        s34M: a,
        s41M: b,
        d13M: Math.hypot(a + shift, up),
        d24M: Math.hypot(shift - a, up),
      });
      expect(out.rackM).toBeCloseTo(shift, 9);
      expect(out.differenceM > 0).toBe(shift > 0 && out.differenceM !== 0);
      expect(out.expectedDiagonalM).toBeCloseTo(Math.hypot(a, b), 9);
    }),
  );
  expect(
    evaluate(squareness, {
      s12M: 6,
      s23M: 8,
      s34M: 6,
      s41M: 8,
      d13M: 11,
      d24M: 11,
    }).cautions.join(),
  ).toMatch(/misread/);
});

test('straightness: a tilt is no bow, a bulge is, and the worst is found whichever side it is on', () => {
  const read = (d: number[]) =>
    resultOf(straightness, {
      gaugeMm: 25,
      readings: d.map((x, i) => ({ stationM: i * 2, readingMm: 25 + x })),
    });
  expect(read([0, 2, 4])).toMatchObject({ bowMm: 0, worstMm: 4, ok: true });
  expect(read([0, -8, 0])).toMatchObject({ bowMm: -8, bowAtM: 2, worstMm: -8, ok: false });
  expect(read([6.35, 0, 0]).ok).toBe(true);
});

describe('drain', () => {
  test('flat and backward spans are told apart, and raised by what they lack', () => {
    const out = resultOf(drainPitch, {
      inverts: [
        { atM: 0, levelM: 10 },
        { atM: 10, levelM: 9.9 },
        { atM: 20, levelM: 9.85 },
        { atM: 30, levelM: 9.87 },
      ],
    });
    expect(out.spans.map((s) => s.verdict)).toEqual(['ok', 'flat', 'back']);
    expect(out.spans.map((s) => Math.round(s.raiseMm))).toEqual([0, 50, 120]);
    expect(out.backAtM).toEqual([30]);
  });
  test('stations that do not go on are bad input', () => {
    expect(() =>
      resultOf(drainPitch, {
        inverts: [
          { atM: 5, levelM: 1 },
          { atM: 5, levelM: 1 },
        ],
      }),
    ).toThrow(/inverts.1.atM is not beyond/);
  });
});

test('trench: gravel is the trench less its pipe, loose; more of anything never needs less', () => {
  expect(
    resultOf(trenchFill, {
      lengthM: 10,
      widthM: 0.5,
      depthM: 0.6,
      pipeDiameterMm: 100,
      swellRatio: 0,
    }).gravelM3,
  ).toBeCloseTo(3 - Math.PI * 0.0025 * 10, 9);
  fc.assert(
    fc.property(
      between(1, 80),
      between(0.3, 1.5),
      between(0.3, 1.5),
      between(0, 2),
      (lengthM, widthM, depthM, more) => {
        const a = resultOf(trenchFill, { lengthM, widthM, depthM });
        const b = resultOf(trenchFill, {
          lengthM: lengthM + more,
          widthM: widthM + more,
          depthM: depthM + more,
        });
        expect(b.gravelM3).toBeGreaterThanOrEqual(a.gravelM3);
        expect(b.fabricM2).toBeGreaterThanOrEqual(a.fabricM2);
      },
    ),
  );
});

test('clearances: only what was measured is judged, and frost needs its depth', () => {
  const out = resultOf(clearanceVerdict, {
    crawlHeightM: 0.4572,
    footingBottomBelowGradeM: 1,
    frostDepthM: 1.0668,
  });
  expect(out.checks.map((c) => [c.what, c.ok])).toEqual([
    ['crawlHeight', true],
    ['frostDepth', false],
  ]);
  expect(() => resultOf(clearanceVerdict, { footingBottomBelowGradeM: 1 })).toThrow(
    /frostDepthM is missing/,
  );
  expect(() => resultOf(clearanceVerdict, {})).toThrow(/at least one/);
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { resultOf } from '../kit/calculation.ts';
import { equivalentAge } from './equivalent-age.ts';
import { loadVerdict } from './load-verdict.ts';
import { samplingPlan } from './sampling-plan.ts';
import { strengthAcceptance } from './strength-acceptance.ts';
import { waterAddition } from './water-addition.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('water', () => {
  const load = {
    loadM3: 7,
    slumpMm: 75,
    targetMm: 100,
    cementitiousKgM3: 335,
    waterKgM3: 150,
    maxWcRatio: 0.48,
  };
  test('never takes the mix over its water, never over the target, and only once', () => {
    fc.assert(
      fc.property(
        between(2, 9),
        between(0, 180),
        between(50, 160),
        between(120, 190),
        between(0, 0.25),
        (loadM3, slumpMm, targetMm, waterKgM3, placedM3) => {
          const out = resultOf(waterAddition, {
            ...load,
            loadM3,
            slumpMm,
            targetMm,
            waterKgM3,
            placedM3,
          });
          if (out.addL > 0) expect(out.newWc).toBeLessThanOrEqual(0.48 + 1e-9);
          expect(slumpMm + (out.addL / (loadM3 - placedM3)) * (25.4 / 4.95)).toBeLessThanOrEqual(
            Math.max(slumpMm, targetMm) + 1e-6,
          );
          expect(
            resultOf(waterAddition, { ...load, loadM3, slumpMm, targetMm, waterKgM3, addedL: 1 })
              .addL,
          ).toBe(0);
        },
      ),
    );
  });
  test('none once part of it is out, and an empty drum takes none', () => {
    expect(resultOf(waterAddition, { ...load, placedM3: 0.25 }).reason).toBeNull();
    expect(resultOf(waterAddition, { ...load, placedM3: 0.26 }).reason).toMatch(
      /already discharged/,
    );
    expect(resultOf(waterAddition, { ...load, placedM3: 7 })).toMatchObject({
      addL: 0,
      allowedL: 0,
      newWc: 150 / 335,
    });
  });
});

describe('load', () => {
  const fresh = { batchMin: 400, nowMin: 460, slump: 'accept' as const };
  test.each([
    [{}, 'accept', []],
    [{ nowMin: 490 }, 'accept', []],
    [{ nowMin: 491 }, 'reject', [/91 min old, 1 over/]],
    [{ mixMatches: false }, 'reject', [/not the one ordered/]],
    [{ concreteTempC: 36 }, 'reject', [/hotter/]],
    [{ concreteTempC: 3 }, 'reject', [/colder/]],
    [{ slump: 'high' as const }, 'reject', [/too wet/]],
    [{ slump: 'low' as const }, 'reject', [/no water may be added/]],
    [{ slump: 'low' as const, addL: 20 }, 'adjust', [/add 20 L/]],
    [
      { slump: 'low' as const, addL: 12, neededL: 30 },
      'adjust',
      [/12 L may be added, 30 L are wanted/],
    ],
    [{ slump: null }, 'accept', []],
    [{ nowMin: 500, slump: 'low' as const, addL: 20 }, 'reject', [/over/, /^too stiff$/]],
    [{ slump: 'low' as const, addL: 30, neededL: 12 }, 'adjust', [/add 12 L/]],
  ])('%j: %s', (more, verdict, reasons) => {
    const out = resultOf(loadVerdict, { ...fresh, ...more });
    expect(out.verdict).toBe(verdict);
    expect(out.reasons).toHaveLength(reasons.length);
    reasons.forEach((r, i) => {
      expect(out.reasons[i]).toMatch(r);
    });
    expect(out.faults).toHaveLength(reasons.length);
  });
  test('the minutes left run down to nothing at the limit', () => {
    expect(resultOf(loadVerdict, { ...fresh, nowMin: 490 }).minutesLeft).toBe(0);
    expect(() => resultOf(loadVerdict, { ...fresh, nowMin: 399 })).toThrow(
      /nowMin is before the batch time/,
    );
  });
});

describe('samples', () => {
  const loads = ['L1', 'L2', 'L3', 'L4', 'L5', 'L6'];
  test('the same seed draws the same loads, each once, in order; another seed in time draws others', () => {
    const draw = (seed: number) => resultOf(samplingPlan, { volumeM3: 300, loads, seed });
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3).tests).toBe(3);
    const sets = new Set(Array.from({ length: 40 }, (_, i) => draw(i).loads.join()));
    expect(sets.size).toBeGreaterThan(8);
    for (const s of sets) expect(s.split(',')).toEqual([...new Set(s.split(','))].sort());
  });
  test.each([
    [30, 0, false, 1],
    [30, 0, true, 0],
    [40, 0, true, 1],
    [115, 0, false, 1],
    [115.1, 0, false, 2],
    [30, 1000, false, 3],
  ])('%d m³ and %d m², waived %s: %d tests', (volumeM3, areaM2, waived, tests) => {
    expect(resultOf(samplingPlan, { volumeM3, areaM2, waived, loads, seed: 1 }).tests).toBe(tests);
  });
});

test('a test never fails for being stronger, and the order of three matters', () => {
  fc.assert(
    fc.property(
      fc.array(between(15, 50), { minLength: 1, maxLength: 9 }),
      between(0, 9),
      between(18, 45),
      (testsMPa, more, fcMPa) => {
        if (resultOf(strengthAcceptance, { fcMPa, testsMPa }).ok)
          expect(
            resultOf(strengthAcceptance, { fcMPa, testsMPa: testsMPa.map((t) => t + more) }).ok,
          ).toBe(true);
      },
    ),
  );
  expect(
    resultOf(strengthAcceptance, { fcMPa: 28, testsMPa: [26, 28, 30, 27] }).failingMeans,
  ).toEqual([]);
  expect(
    resultOf(strengthAcceptance, { fcMPa: 28, testsMPa: [26, 27, 28, 30] }).failingMeans,
  ).toEqual([0]);
});

test('age by temperature: twenty degrees is the clock, warmer is older, splitting an interval changes nothing at one temperature', () => {
  fc.assert(
    fc.property(between(-10, 50), between(0.1, 10), between(1, 200), (tempC, warmer, hours) => {
      const age = (t: number, at: number[]) =>
        resultOf(equivalentAge, { tempHistory: at.map((timeH) => ({ timeH, tempC: t })) });
      expect(age(20, [0, hours]).equivalentAgeH).toBeCloseTo(hours, 9);
      expect(age(tempC + warmer, [0, hours]).equivalentAgeH).toBeGreaterThan(
        age(tempC, [0, hours]).equivalentAgeH,
      );
      expect(age(tempC, [0, hours / 3, hours]).equivalentAgeH).toBeCloseTo(
        age(tempC, [0, hours]).equivalentAgeH,
        6,
      );
      expect(age(tempC, [0, hours]).maturityCH).toBeCloseTo(Math.max(0, tempC) * hours, 6);
    }),
  );
});

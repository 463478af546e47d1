import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { bagCount } from './bag-count.ts';
import { placingRate } from './placing-rate.ts';
import { pumpReach } from './pump-reach.ts';
import { siteMix } from './site-mix.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('bags', () => {
  test('the bags hold the volume, and one fewer does not; the trips carry them all', () => {
    fc.assert(
      fc.property(
        between(0.01, 3),
        fc.constantFrom(80 as const, 60 as const, 50 as const, 40 as const),
        between(40, 2000),
        (volumeM3, bagLb, trailerKg) => {
          const out = resultOf(bagCount, { volumeM3, bagLb, trailerKg });
          const yieldM3 = { 80: 0.6, 60: 0.45, 50: 0.375, 40: 0.3 }[bagLb] * 0.028316846592;
          expect(out.bags * yieldM3).toBeGreaterThanOrEqual(volumeM3 - 1e-9);
          expect((out.bags - 1) * yieldM3).toBeLessThan(volumeM3);
          expect(Math.ceil(out.bags / out.trips) * bagLb * 0.45359237).toBeLessThanOrEqual(
            trailerKg + 1e-6,
          );
        },
      ),
    );
  });
  test('a trailer that takes not one bag is bad input', () => {
    expect(() => resultOf(bagCount, { volumeM3: 1, bagLb: 80, trailerKg: 36 })).toThrow(
      /trailerKg does not take a single bag/,
    );
  });
});

test('site mix: a cubic metre is filled by what goes into it and its air, water by the ratio', () => {
  fc.assert(
    fc.property(
      between(1, 4),
      between(1, 5),
      between(0.35, 0.7),
      between(0, 0.08),
      (sand, stone, wcRatio, airRatio) => {
        const { perM3, perBatch } = resultOf(siteMix, {
          parts: { cement: 1, sand, stone },
          wcRatio,
          airRatio,
          volumeM3: 1,
          mixerM3: 0.1,
        });
        expect(
          perM3.cementKg / 3150 +
            perM3.sandKg / 2650 +
            perM3.stoneKg / 2650 +
            perM3.waterL / 1000 +
            airRatio,
        ).toBeCloseTo(1, 9);
        expect(perM3.waterL / perM3.cementKg).toBeCloseTo(wcRatio, 9);
        expect(perBatch.sandKg * 10).toBeCloseTo(perM3.sandKg, 9);
      },
    ),
  );
});

test('placing rate: the least rules and is named; half a plant is told what is missing', () => {
  expect(
    resultOf(placingRate, {
      pumpM3PerH: 40,
      crewM3PerH: 18,
      trucks: 4,
      truckM3: 7,
      roundTripMin: 90,
      planAreaM2: 20,
      riseMPerH: 1.2,
    }),
  ).toMatchObject({ rateM3PerH: 18, limitedBy: 'crew' });
  expect(
    resultOf(placingRate, {
      crewM3PerH: 25,
      trucks: 4,
      truckM3: 7,
      roundTripMin: 90,
      planAreaM2: 12,
      riseMPerH: 1.2,
    }),
  ).toMatchObject({ limitedBy: 'forms' });
  expect(() => resultOf(placingRate, { trucks: 4 })).toThrow(/truckM3 is missing/);
});

describe('pump', () => {
  const stand = {
    kind: 'boom' as const,
    setUp: { xM: 0, yM: 0, zM: 2 },
    reachM: 28,
    cells: [
      { id: 'A', xM: 20, yM: 10, zM: -1 },
      { id: 'B', xM: 28, yM: 5, zM: 0 },
    ],
  };
  test('says which place is out of reach, and by how much', () => {
    const out = resultOf(pumpReach, stand);
    expect(out.cells.map((c) => c.ok)).toEqual([true, false]);
    expect(out.cells[1]?.marginM).toBeCloseTo(28 - Math.hypot(28, 5, 2), 9);
    expect(out.reasons).toHaveLength(1);
  });
  test('edge, wires and pads are judged only when they were given', () => {
    expect(resultOf(pumpReach, stand)).toMatchObject({
      edgeOk: null,
      wiresOk: null,
      padAreaM2: null,
    });
    expect(
      resultOf(pumpReach, {
        ...stand,
        edgeM: 2.5,
        excavationDepthM: 2.6,
        wiresM: 6.096,
        outriggerKN: 180,
        bearingKPa: 120,
      }),
    ).toMatchObject({ edgeOk: false, wiresOk: true, padAreaM2: 1.5 });
    expect(() => resultOf(pumpReach, { ...stand, outriggerKN: 180 })).toThrow(
      /bearingKPa is missing/,
    );
    expect(evaluate(pumpReach, stand).cautions).toHaveLength(2);
  });
});

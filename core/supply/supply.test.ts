import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { normalQuantile, normalTail } from '../kit/normal.ts';
import { orderQuantity } from './order-quantity.ts';
import { loadVolumes, truckPlan } from './truck-plan.ts';

const base = {
  neatM3: 24.6,
  wasteRatio: 0.05,
  leftBehindM3: 0.4,
  sdRatio: 0.03,
  stepM3: 0.5,
  costPerM3: 190,
  disposalPerM3: 60,
  shortFixed: 1400,
  shortPerM3: 260,
};
const order = (change: object = {}) => resultOf(orderQuantity, { ...base, ...change });

describe('the normal tail', () => {
  test.each([
    [0, 0.5],
    [1, 0.15865525393145707],
    [1.96, 0.024997895148220435],
    [3, 0.0013498980316300933],
    [6, 9.865876450376946e-10],
    [-2, 0.9772498680518208],
  ])('P(Z > %d) is %d', (z, want) => {
    expect(normalTail(z) / want).toBeCloseTo(1, 9);
  });

  test('falls, and both sides make one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (z, more) => {
          expect(normalTail(z + more)).toBeLessThanOrEqual(normalTail(z) + 1e-15);
          expect(normalTail(z) + normalTail(-z)).toBeCloseTo(1, 12);
          expect(normalTail(normalQuantile(1 - normalTail(z / 2)))).toBeCloseTo(
            normalTail(z / 2),
            10,
          );
        },
      ),
    );
  });
});

describe('the order', () => {
  test('is the cheapest of its own curve and of every other multiple', () => {
    const o = order();
    for (const c of o.curve) expect(o.cost).toBeLessThanOrEqual(c.cost + 1e-9);
    expect(o.orderM3 / base.stepM3).toBeCloseTo(Math.round(o.orderM3 / base.stepM3), 9);
  });

  test('a dearer shortage never orders less; dearer left-overs never order more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0, max: 5000, noNaN: true }),
        (fixed, more) => {
          expect(order({ shortFixed: fixed + more }).orderM3).toBeGreaterThanOrEqual(
            order({ shortFixed: fixed }).orderM3,
          );
          expect(order({ disposalPerM3: 60 + more }).orderM3).toBeLessThanOrEqual(
            order({ disposalPerM3: 60 }).orderM3,
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  test('with no doubt about the need it is the need, on the next step', () => {
    const o = order({ sdRatio: 0 });
    expect(o.orderM3).toBe(26.5);
    expect(o.shortProbability).toBe(0);
    expect(o.cost).toBeCloseTo((26.5 - o.meanM3) * 250, 9);
  });

  test('calling the balance is weighed against ordering firm', () => {
    const cheap = order({ callFee: 0 });
    expect(cheap.cheaper).toBe('callBalance');
    expect(cheap.callBalance?.firstM3).toBeLessThanOrEqual(cheap.meanM3 - 2 * cheap.sdM3);
    expect(
      (cheap.callBalance?.firstM3 ?? 0) + (cheap.callBalance?.expectedBalanceM3 ?? 0),
    ).toBeCloseTo(cheap.meanM3, 9);
    expect(order({ callFee: 5000 }).cheaper).toBe('firm');
    expect(order().callBalance).toBeUndefined();
  });

  test('shows how it came to it', () => {
    expect(evaluate(orderQuantity, base).steps.map((s) => s.symbol)).toEqual([
      'μ',
      'σ',
      'order',
      'P(short)',
      'cost',
    ]);
  });
});

describe('the trucks', () => {
  const plan = (change: object = {}) =>
    resultOf(truckPlan, {
      orderM3: 33,
      truckM3: 7.5,
      split: 'full',
      placingRateM3PerH: 24,
      travelMin: 35,
      roundTripMin: 110,
      firstArriveMin: 450,
      ...change,
    });

  test('carry the whole order, none more than it holds, none too small for the plant', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 4, max: 10, noNaN: true }),
        fc.constantFrom('even' as const, 'full' as const),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (orderM3, truckM3, split, least) => {
          const loads = loadVolumes(orderM3, truckM3, split, least);
          expect(loads.reduce((s, v) => s + v, 0)).toBeCloseTo(orderM3, 6);
          for (const v of loads) expect(v).toBeLessThanOrEqual(truckM3 + 1e-6);
          if (loads.length > 1 && split === 'full')
            expect(Math.min(...loads)).toBeGreaterThanOrEqual(least - 1e-9);
        },
      ),
    );
  });

  test('come as far apart as is set by hand, with the trucks that takes', () => {
    const { loads, spacingMin, trucks } = plan({ spacingMin: 30 });
    expect(loads.map((l) => l.arriveMin)).toEqual(loads.map((_, i) => 450 + 30 * i));
    expect([spacingMin, trucks]).toEqual([30, 4]);
    expect(plan({ spacingMin: 55 }).trucks).toBe(2);
  });

  test('come as the one before is placed, batched their journey earlier', () => {
    const { loads, spacingMin } = plan();
    loads.slice(1).forEach((l, i) => {
      expect(l.arriveMin - (loads[i]?.arriveMin ?? 0)).toBeCloseTo(
        ((loads[i]?.volumeM3 ?? 0) / 24) * 60,
        9,
      );
    });
    for (const l of loads) expect(l.arriveMin - l.batchMin).toBe(35);
    expect(spacingMin).toBeCloseTo(18.75, 9);
  });

  test('an order of exactly so many trucks is not one more; a short round trip needs few', () => {
    expect(plan({ orderM3: 30 }).loads).toHaveLength(4);
    expect(plan({ roundTripMin: 30 }).trucks).toBe(2);
    expect(plan({ orderM3: 5 }).trucks).toBe(1);
  });

  test('a least load above the truck is refused', () => {
    expect(() => plan({ minLoadM3: 8 })).toThrow(/minLoadM3 is more than a truck holds/);
  });
});

describe('a load costs something of its own', () => {
  const order = (more: object) =>
    resultOf(orderQuantity, {
      neatM3: 7.2,
      wasteRatio: 0.05,
      leftBehindM3: 0.2,
      sdRatio: 0.03,
      stepM3: 0.25,
      costPerM3: 200,
      disposalPerM3: 60,
      shortFixed: 900,
      shortPerM3: 260,
      ...more,
    });
  test('no second truck is bought for a quarter of a cubic metre', () => {
    // Mean 7.76, deviation 0.216: a free order goes just over the truck of 8.
    const free = order({});
    expect(free).toMatchObject({ orderM3: 8.25, withoutLoadsM3: null, loads: null });
    const kept = order({ truckM3: 8, perLoad: 120 });
    expect(kept).toMatchObject({ orderM3: 8, withoutLoadsM3: 8.25, loads: 1 });
    // By hand: what is ordered more or less at the free order and at the full truck, one load dearer.
    const costAt = (q: number) => free.curve.find((c) => c.orderM3 === q)?.cost ?? 0;
    expect(kept.cost).toBeCloseTo(costAt(8) + 120, 6);
    expect(costAt(8) + 120).toBeLessThan(costAt(8.25) + 240);
  });
  test('where running short is dear enough the second truck comes all the same, and a short load pays its fee', () => {
    const dear = { truckM3: 8, perLoad: 20, shortFixed: 3000 };
    expect(order(dear)).toMatchObject({ loads: 2 });
    const fee = order({ ...dear, shortLoadM3: 2, shortLoadFee: 90 });
    expect(fee.cost - order(dear).cost).toBeCloseTo(90, 6);
  });
});

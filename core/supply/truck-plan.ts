import { z } from 'zod';
import { calculation, fig, nonNegative, positive } from '#core/kit';
import { ceilWhole } from '#core/units';

/** Volumes of the loads, m³: even, or full trucks with the balance last (made up to the plant's least load). */
export function loadVolumes(
  orderM3: number,
  truckM3: number,
  split: 'even' | 'full',
  minLoadM3: number,
): number[] {
  const n = Math.max(1, ceilWhole(orderM3 / truckM3));
  if (split === 'even') return Array.from({ length: n }, () => orderM3 / n);
  const loads = Array.from({ length: n }, () => truckM3);
  const balance = orderM3 - (n - 1) * truckM3;
  loads[n - 1] = balance;
  const missing = minLoadM3 - balance;
  if (n > 1 && missing > 0) {
    loads[n - 1] = minLoadM3;
    loads[n - 2] = truckM3 - missing;
  }
  return loads;
}

/** Steps of a batch are written rounded: so near to a whole one it is whole. */
const ROUNDED = 1e-4;

/**
 * The same in whole steps that a plant batches: none over the truck, and together not less than the
 * order. Even loads differ by a step at most, the larger ones first.
 */
export function loadsInSteps(
  orderM3: number,
  truckM3: number,
  split: 'even' | 'full',
  minLoadM3: number,
  stepM3: number,
): number[] {
  const truck = Math.max(1, Math.floor(truckM3 / stepM3 + ROUNDED));
  const all = Math.max(1, Math.ceil(orderM3 / stepM3 - ROUNDED));
  const n = Math.ceil(all / truck);
  if (split === 'even') {
    const [base, more] = [Math.floor(all / n), all % n];
    return Array.from({ length: n }, (_, i) => (base + (i < more ? 1 : 0)) * stepM3);
  }
  const steps = Array.from({ length: n }, () => truck);
  const least = Math.min(truck, Math.ceil(minLoadM3 / stepM3 - ROUNDED));
  const balance = all - (n - 1) * truck;
  steps[n - 1] = balance;
  if (n > 1 && balance < least) {
    steps[n - 1] = least;
    steps[n - 2] = truck - (least - balance);
  }
  return steps.map((k) => k * stepM3);
}

/** More loads than this are no one pour. */
const MOST_LOADS = 2000;

/** Loads, spacing and trucks. */
export const truckPlan = calculation({
  id: 'truck-plan',
  title: 'Truck plan',
  purpose:
    'How many loads, how big, when each is batched and arrives, and how many trucks that takes.',
  formula:
    'n = ⌈order/truck⌉; each load arrives as the one before is placed; batch = arrival − travel; trucks = ⌈round trip/spacing⌉, not more than n',
  source: 'Arithmetic of supply: load volume over placing rate',
  limits: 'Trucks on time and a steady rate: the pour simulation adds delays.',
  input: z
    .object({
      orderM3: positive(),
      truckM3: positive(),
      split: z.enum(['even', 'full'], { error: 'must be even or full' }),
      minLoadM3: nonNegative().default(0),
      placingRateM3PerH: positive(),
      travelMin: nonNegative(),
      roundTripMin: positive(),
      firstArriveMin: nonNegative(),
      /** Minutes between loads set by hand; left out, each arrives as the one before is placed. */
      spacingMin: positive().optional(),
      /** What the plant batches in; left out, in any volume. */
      stepM3: positive().optional(),
    })
    .superRefine((v, ctx) => {
      if (v.orderM3 / v.truckM3 > MOST_LOADS)
        ctx.addIssue({
          code: 'custom',
          path: ['truckM3'],
          message: `makes more than ${MOST_LOADS} loads`,
        });
      if (v.minLoadM3 > v.truckM3)
        ctx.addIssue({
          code: 'custom',
          path: ['minLoadM3'],
          message: 'is more than a truck holds',
        });
    }),
  output: z.object({
    loads: z.array(z.object({ volumeM3: z.number(), batchMin: z.number(), arriveMin: z.number() })),
    spacingMin: z.number(),
    trucks: z.number(),
  }),
  compute(v, trace) {
    const { orderM3, truckM3, split, minLoadM3, stepM3 } = v;
    const volumes =
      stepM3 === undefined
        ? loadVolumes(orderM3, truckM3, split, minLoadM3)
        : loadsInSteps(orderM3, truckM3, split, minLoadM3, stepM3);
    let arriveMin = v.firstArriveMin;
    const loads = volumes.map((volumeM3) => {
      const load = { volumeM3, batchMin: arriveMin - v.travelMin, arriveMin };
      arriveMin += v.spacingMin ?? (volumeM3 / v.placingRateM3PerH) * 60;
      return load;
    });
    const spacingMin = v.spacingMin ?? ((volumes[0] ?? 0) / v.placingRateM3PerH) * 60;
    const trucks = Math.min(volumes.length, ceilWhole(v.roundTripMin / spacingMin));
    trace.step('n', `⌈${fig(v.orderM3)}/${fig(v.truckM3)}⌉`, volumes.length, 'loads');
    trace.step(
      'spacing',
      v.spacingMin === undefined
        ? `${fig(volumes[0] ?? 0)}/${fig(v.placingRateM3PerH)}·60`
        : 'set by hand',
      spacingMin,
      'min',
    );
    trace.step(
      'trucks',
      `min(${volumes.length}, ⌈${fig(v.roundTripMin)}/${fig(spacingMin)}⌉)`,
      trucks,
      'trucks',
    );
    return { loads, spacingMin, trucks };
  },
});

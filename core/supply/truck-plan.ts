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
    const volumes = loadVolumes(v.orderM3, v.truckM3, v.split, v.minLoadM3);
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

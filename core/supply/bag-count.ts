import { z } from 'zod';
import { calculation, fig, positive, share } from '#core/kit';
import { ceilWhole, KG_PER_LB, M3_PER_FT3 } from '#core/units';

/** Concrete a bag of dry mix gives, ft³, by its weight in pounds (what makers commonly print). */
const YIELD_FT3 = { 80: 0.6, 60: 0.45, 50: 0.375, 40: 0.3 } as const;

/** Bags and trips. */
export const bagCount = calculation({
  id: 'bag-count',
  title: 'Bags of dry mix',
  purpose:
    'How many bags a small pour takes, what they weigh, and how many trips the trailer makes.',
  formula: 'bags = ⌈volume·(1 + waste)/yield⌉; trips = ⌈bags/⌊trailer/bag⌋⌉',
  source: 'Yields by bag as makers print them (0.60, 0.45, 0.375, 0.30 ft³), editable',
  limits: 'Pre-blended dry mix. Read the yield on the bag.',
  input: z
    .object({
      volumeM3: positive(),
      wasteRatio: share().default(0),
      bagLb: z.union([z.literal(80), z.literal(60), z.literal(50), z.literal(40)], {
        error: 'must be 80, 60, 50 or 40',
      }),
      yieldFt3: positive().optional(),
      trailerKg: positive(),
    })
    .superRefine((v, ctx) => {
      if (v.trailerKg < v.bagLb * KG_PER_LB * (1 - 1e-9))
        ctx.addIssue({
          code: 'custom',
          path: ['trailerKg'],
          message: 'does not take a single bag',
        });
    }),
  output: z.object({ bags: z.number(), massKg: z.number(), trips: z.number() }),
  compute(v, trace) {
    const yieldM3 = (v.yieldFt3 ?? YIELD_FT3[v.bagLb]) * M3_PER_FT3;
    const bagKg = v.bagLb * KG_PER_LB;
    const bags = ceilWhole((v.volumeM3 * (1 + v.wasteRatio)) / yieldM3);
    const perTrip = Math.floor(v.trailerKg / bagKg + 1e-9);
    const trips = Math.ceil(bags / perTrip);
    trace.step(
      'bags',
      `⌈${fig(v.volumeM3)}·(1 + ${fig(v.wasteRatio)})/${fig(yieldM3)}⌉`,
      bags,
      'bags',
    );
    trace.step('mass', `${bags}·${fig(bagKg)}`, bags * bagKg, 'kg');
    trace.step('trips', `⌈${bags}/${perTrip}⌉`, trips, 'trips');
    trace.caution('Backs wear out: share the lifting, and keep dry cement off skin and eyes.');
    return { bags, massKg: bags * bagKg, trips };
  },
});

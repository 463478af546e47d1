import { z } from 'zod';
import { calculation, fig, positive } from '#core/kit';

const LIMITS = ['pump', 'crew', 'plant', 'forms'] as const;

/** How fast the pour can go. */
export const placingRate = calculation({
  id: 'placing-rate',
  title: 'Placing rate',
  purpose: 'How many cubic metres an hour can be placed, and what holds it back.',
  formula:
    'least of: pump; crew; plant = trucks·load/round trip; forms = plan area of one lift round·rate of rise',
  source: 'Arithmetic of supply; rate of rise from max-rate-of-rise',
  limits: 'Steady work. Give what applies; a limit not given does not count.',
  input: z
    .object({
      pumpM3PerH: positive().optional(),
      crewM3PerH: positive().optional(),
      trucks: positive().optional(),
      truckM3: positive().optional(),
      roundTripMin: positive().optional(),
      planAreaM2: positive().optional(),
      riseMPerH: positive().optional(),
    })
    .superRefine((v, ctx) => {
      const plant = [v.trucks, v.truckM3, v.roundTripMin];
      if (plant.some((x) => x !== undefined))
        (['trucks', 'truckM3', 'roundTripMin'] as const).forEach((k) => {
          if (v[k] === undefined)
            ctx.addIssue({
              code: 'custom',
              path: [k],
              message: 'is missing: the plant needs trucks, truckM3 and roundTripMin',
            });
        });
      if ((v.planAreaM2 === undefined) !== (v.riseMPerH === undefined))
        ctx.addIssue({
          code: 'custom',
          path: [v.planAreaM2 === undefined ? 'planAreaM2' : 'riseMPerH'],
          message: 'is missing: the forms need planAreaM2 and riseMPerH',
        });
      if (
        v.pumpM3PerH === undefined &&
        v.crewM3PerH === undefined &&
        v.trucks === undefined &&
        v.planAreaM2 === undefined
      )
        ctx.addIssue({
          code: 'custom',
          path: ['crewM3PerH'],
          message: 'is missing: give at least one of pump, crew, plant or forms',
        });
    }),
  output: z.object({
    rateM3PerH: z.number(),
    limitedBy: z.enum(LIMITS),
    limits: z.array(z.object({ by: z.enum(LIMITS), rateM3PerH: z.number() })),
  }),
  compute(v, trace) {
    const limits: { by: (typeof LIMITS)[number]; rateM3PerH: number }[] = [];
    const add = (by: (typeof LIMITS)[number], rateM3PerH: number, how: string) => {
      limits.push({ by, rateM3PerH });
      trace.step(by, how, rateM3PerH, 'm³/h');
    };
    if (v.pumpM3PerH !== undefined) add('pump', v.pumpM3PerH, 'given');
    if (v.crewM3PerH !== undefined) add('crew', v.crewM3PerH, 'given');
    if (v.trucks !== undefined && v.truckM3 !== undefined && v.roundTripMin !== undefined)
      add(
        'plant',
        (v.trucks * v.truckM3 * 60) / v.roundTripMin,
        `${fig(v.trucks)}·${fig(v.truckM3)}·60/${fig(v.roundTripMin)}`,
      );
    if (v.planAreaM2 !== undefined && v.riseMPerH !== undefined)
      add('forms', v.planAreaM2 * v.riseMPerH, `${fig(v.planAreaM2)}·${fig(v.riseMPerH)}`);
    const least = limits.reduce((a, b) => (b.rateM3PerH < a.rateM3PerH ? b : a));
    trace.step('rate', `the least, by ${least.by}`, least.rateM3PerH, 'm³/h');
    return { rateM3PerH: least.rateM3PerH, limitedBy: least.by, limits };
  },
});

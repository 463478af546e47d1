import { z } from 'zod';
import { calculation, fig, nonNegative, positive, share } from '#core/kit';
import { atMost } from '#core/units';

/** z of a tenth in each tail. */
const Z10 = 1.2815515655;

/** Actual against neat. */
export const yieldSoFar = calculation({
  id: 'yield',
  title: 'Yield so far',
  purpose:
    'How much concrete the forms really take against the drawing, and what the whole pour will take.',
  formula:
    'ratio = used/neat placed; forecast of the rest: the planned ratio N(1 + waste, sd) and the measured one N(ratio, load sd·√(total/placed)), each weighed by 1/variance; total = used + rest·ratio, 80 % interval',
  source: 'Normal-normal updating; spreads are editable and learn from finished pours',
  limits:
    'Measured fill is only as good as the marks on the forms. Concrete still in the hose or sent back is not used.',
  input: z
    .object({
      neatTotalM3: positive(),
      neatPlacedM3: nonNegative(),
      usedM3: nonNegative(),
      wasteRatio: share().default(0.05),
      sdRatio: share().gt(0, 'must be above 0').default(0.03),
      loadSdRatio: share().gt(0, 'must be above 0').default(0.02),
    })
    .superRefine((v, ctx) => {
      if (!atMost(v.neatPlacedM3, v.neatTotalM3))
        ctx.addIssue({
          code: 'custom',
          path: ['neatPlacedM3'],
          message: 'is more than the whole pour',
        });
      if (v.neatPlacedM3 > 0 && v.usedM3 === 0)
        ctx.addIssue({
          code: 'custom',
          path: ['usedM3'],
          message: 'must be above 0 once something is placed',
        });
    }),
  output: z.object({
    plannedM3: z.number(),
    ratio: z.number().nullable(),
    restRatio: z.number(),
    totalM3: z.number(),
    lowM3: z.number(),
    highM3: z.number(),
    stillM3: z.number(),
  }),
  compute(v, trace) {
    const planned = { mean: 1 + v.wasteRatio, variance: v.sdRatio ** 2 };
    const ratio = v.neatPlacedM3 > 0 ? v.usedM3 / v.neatPlacedM3 : null;
    const measuredVariance =
      v.neatPlacedM3 > 0 ? v.loadSdRatio ** 2 * (v.neatTotalM3 / v.neatPlacedM3) : Infinity;
    const weight = ratio === null ? 0 : planned.variance / (planned.variance + measuredVariance);
    const restRatio = planned.mean + weight * ((ratio ?? planned.mean) - planned.mean);
    const sd = Math.sqrt(planned.variance * (1 - weight));
    const rest = Math.max(0, v.neatTotalM3 - v.neatPlacedM3);
    const stillM3 = rest * restRatio;
    const totalM3 = v.usedM3 + stillM3;
    const spread = Z10 * sd * rest;
    trace.step('ratio', `${fig(v.usedM3)}/${fig(v.neatPlacedM3)}`, ratio);
    trace.step('weight', 'of what was measured against what was planned', weight);
    trace.step(
      'ratio of the rest',
      `${fig(planned.mean)} + ${fig(weight)}·(measured − planned)`,
      restRatio,
    );
    trace.step('total', `${fig(v.usedM3)} + ${fig(rest)}·${fig(restRatio)}`, totalM3, 'm³');
    trace.step('80 % within', `± 1.2816·${fig(sd)}·${fig(rest)}`, spread, 'm³');
    return {
      plannedM3: v.neatTotalM3 * planned.mean,
      ratio,
      restRatio,
      totalM3,
      lowM3: totalM3 - spread,
      highM3: totalM3 + spread,
      stillM3,
    };
  },
});

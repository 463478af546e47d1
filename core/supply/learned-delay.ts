import { z } from 'zod';
import { calculation, fig, nonNegative, positive } from '#core/kit';
import { MOST_LEARNED } from './learned-yield.ts';

/** Deviations of the standard normal at its 90th percentile. */
const Z90 = 1.2815515655;
/** A load on time counts as this late: its logarithm has to exist, min. */
const LEAST_MIN = 0.5;

/** What past tickets say of how late loads are: as `learned-yield`, on the logarithms of the delays. */
export const learnedDelay = calculation({
  id: 'learned-delay',
  title: 'Lateness learned from past loads',
  purpose: 'How late this plant’s loads are, and how late one in ten is, from its own tickets.',
  formula:
    'on x = ln(max(delay, 0.5)): μ = (k·μ₀ + Σx)/(k + n), σ² as of waste; median = e^μ, p90 = e^(μ + 1.2816σ)',
  source: 'Normal-inverse-gamma estimate on logarithms; the plant’s own figures are the prior',
  limits: 'Loads of the same plant at a like hour. A load before its time counts as half a minute.',
  input: z
    .object({
      priorMedianMin: positive(),
      priorP90Min: positive(),
      priorLoads: positive().lte(10_000, 'must be 10 000 or less').default(10),
      delaysMin: z
        .array(nonNegative().lte(1440, 'must be a day or less'))
        .max(MOST_LEARNED, `holds more than ${MOST_LEARNED} loads`),
    })
    .superRefine((v, ctx) => {
      if (v.priorP90Min < v.priorMedianMin)
        ctx.addIssue({ code: 'custom', path: ['priorP90Min'], message: 'is under the median' });
    }),
  output: z.object({ medianMin: z.number(), p90Min: z.number(), loads: z.number() }),
  compute({ priorMedianMin, priorP90Min, priorLoads: k, delaysMin }, trace) {
    const mu0 = Math.log(priorMedianMin);
    const sigma0 = Math.log(priorP90Min / priorMedianMin) / Z90;
    const xs = delaysMin.map((d) => Math.log(Math.max(d, LEAST_MIN)));
    const n = xs.length;
    const sum = xs.reduce((s, x) => s + x, 0);
    const mean = n ? sum / n : mu0;
    const about = xs.reduce((s, x) => s + (x - mean) ** 2, 0);
    const mu = (k * mu0 + sum) / (k + n);
    const sigma = Math.sqrt(
      (k * sigma0 ** 2 + about + ((k * n) / (k + n)) * (mean - mu0) ** 2) / (k + n),
    );
    const medianMin = Math.exp(mu);
    const p90Min = Math.exp(mu + Z90 * sigma);
    trace.step(
      'median',
      `e^((${fig(k)}·${fig(mu0)} + ${fig(sum)})/${fig(k + n)})`,
      medianMin,
      'min',
    );
    trace.step('one in ten', `e^(${fig(mu)} + ${Z90}·${fig(sigma)})`, p90Min, 'min');
    return { medianMin, p90Min, loads: n };
  },
});

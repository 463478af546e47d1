import { z } from 'zod';
import { calculation, fig, normalQuantile, positive, share } from '#core/kit';

/** Strength a forecast comes to once cylinders were broken, and how far it may be off. */
export const strengthBand = calculation({
  id: 'strength-band',
  title: 'Strength within its band',
  purpose:
    'How strong the concrete is likely to be, corrected by what was broken so far, and how far that may be off.',
  formula:
    'factor = exp(Σ ln(measured/forecast)/(n + 1)); expected = strength·factor; low, high = expected·(1 ∓ z·variation), z = Φ⁻¹(1 − share)',
  source:
    'Variation of good site concrete about 10 in 100, ACI PRC-214-11; shrinkage of the factor by one break that agrees',
  limits: 'The band is of single cylinders; the engineer decides on a structure.',
  input: z.object({
    strengthMPa: positive(),
    variation: share().lte(0.5, 'must be 0.5 or less').default(0.1),
    share: share().gt(0, 'must be above 0').lt(0.5, 'must be below 0.5').default(0.1),
    breaks: z
      .array(z.object({ measuredMPa: positive(), forecastMPa: positive() }))
      .max(500, 'must hold at most 500')
      .default([]),
  }),
  output: z.object({
    factor: z.number(),
    expectedMPa: z.number(),
    lowMPa: z.number(),
    highMPa: z.number(),
  }),
  compute(v, trace) {
    const sum = v.breaks.reduce((s, b) => s + Math.log(b.measuredMPa / b.forecastMPa), 0);
    const factor = Math.exp(sum / (v.breaks.length + 1));
    const expectedMPa = v.strengthMPa * factor;
    const z = normalQuantile(1 - v.share);
    const lowMPa = Math.max(0, expectedMPa * (1 - z * v.variation));
    const highMPa = expectedMPa * (1 + z * v.variation);
    trace.step('factor', `exp(${fig(sum)}/(${v.breaks.length} + 1))`, factor);
    trace.step('expected', `${fig(v.strengthMPa)}·${fig(factor)}`, expectedMPa, 'MPa');
    trace.step('band', `∓ ${fig(z)}·${fig(v.variation)}; low`, lowMPa, 'MPa');
    trace.step('', 'high', highMPa, 'MPa');
    return { factor, expectedMPa, lowMPa, highMPa };
  },
});

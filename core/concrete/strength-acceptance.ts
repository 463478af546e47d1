import { z } from 'zod';
import { calculation, fig, positive, someOf } from '#core/kit';
import { atLeast, atMost } from '#core/units';

/** Above this f′c a single test may be 10 % low instead of 3.45 MPa (5000 psi, 500 psi). */
const HIGH_STRENGTH_MPA = 34.5;
const LOW_BY_MPA = 3.45;

/** Cylinder tests against f′c. */
export const strengthAcceptance = calculation({
  id: 'strength-acceptance',
  title: 'Acceptance of strength',
  purpose: 'Whether the cylinder tests show that the concrete has the strength that was specified.',
  formula:
    'every mean of three consecutive tests ≥ f′c, and no test < f′c − 3.45 MPa (f′c ≤ 34.5 MPa) or < 0.9 f′c (above)',
  source: 'ACI 318-19 §26.12.3.1',
  limits:
    'Each test is the mean of its cylinders at 28 days or the specified age. Under three tests only the second rule judges.',
  input: z.object({ fcMPa: positive(), testsMPa: someOf(positive()) }),
  output: z.object({
    ok: z.boolean(),
    lowestMeanMPa: z.number().nullable(),
    lowestAllowedMPa: z.number(),
    failingMeans: z.array(z.number()),
    failingTests: z.array(z.number()),
  }),
  compute({ fcMPa, testsMPa }, trace) {
    const means = testsMPa
      .slice(2)
      .map((t, i) => ((testsMPa[i] as number) + (testsMPa[i + 1] as number) + t) / 3);
    const lowestAllowedMPa = atMost(fcMPa, HIGH_STRENGTH_MPA) ? fcMPa - LOW_BY_MPA : 0.9 * fcMPa;
    const failingMeans = means.flatMap((m, i) => (atLeast(m, fcMPa) ? [] : [i]));
    const failingTests = testsMPa.flatMap((t, i) => (atLeast(t, lowestAllowedMPa) ? [] : [i]));
    const ok = failingMeans.length === 0 && failingTests.length === 0;
    const lowestMeanMPa = means.length ? Math.min(...means) : null;
    trace.step(
      'lowest mean of three',
      means.length ? means.map(fig).join(', ') : 'fewer than three tests',
      lowestMeanMPa,
      'MPa',
    );
    trace.step(
      'lowest allowed test',
      atMost(fcMPa, HIGH_STRENGTH_MPA) ? `${fig(fcMPa)} − ${LOW_BY_MPA}` : `0.9·${fig(fcMPa)}`,
      lowestAllowedMPa,
      'MPa',
    );
    if (!ok)
      trace.caution(
        'Tell the engineer: low tests call for steps to raise the next ones, and a look at what was placed (ACI 318-19 §26.12.4 and 5).',
      );
    return { ok, lowestMeanMPa, lowestAllowedMPa, failingMeans, failingTests };
  },
});

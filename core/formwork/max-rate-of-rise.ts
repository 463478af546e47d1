import { z } from 'zod';
import { calculation, fig, positive, type Trace } from '#core/kit';
import { atMost, KPA_PER_PSF, M_PER_FT } from '#core/units';
import {
  ACI_FASTEST_FT_H,
  ACI_MEETING_FT_H,
  aciFallBacks,
  aciFormulaPsf,
  aciTerms,
  cautionForms,
  ciriaTerms,
  fullHeadKPa,
  pressureFields,
  type FormCase,
} from './pressure-model.ts';

interface Limit {
  rateMPerH: number | null;
  limitedBy: 'formula' | 'rateLimit' | 'minimum' | 'hydrostatic' | 'none';
}

/** Each branch of the ACI formulas is a straight line in R, so the rating is met at one R, solved exactly. */
function aci(v: FormCase, ratedKPa: number, trace: Trace): Limit {
  const reasons = aciFallBacks(v);
  if (reasons.length) {
    trace.step('falls back', reasons.join('; '), fullHeadKPa(v), 'kPa');
    return { rateMPerH: 0, limitedBy: 'hydrostatic' };
  }
  const { tF, cc, cw, tall } = aciTerms(v);
  const rated = ratedKPa / KPA_PER_PSF;
  const still = Math.max(600 * cw, aciFormulaPsf(v, 0));
  trace.step('p at R = 0', 'formula or 600·Cw, whichever is more', still, 'psf');
  if (!atMost(still, rated)) return { rateMPerH: 0, limitedBy: 'minimum' };
  const first = ((rated / (cc * cw) - 150) * tF) / 9000;
  if (v.element === 'column' || (!tall && first < ACI_MEETING_FT_H)) {
    trace.step(
      'R',
      `(${fig(rated)}/(${cc}·${fig(cw)}) − 150)·${fig(tF)}/9000`,
      Math.max(0, first),
      'ft/h',
    );
    return { rateMPerH: Math.max(0, first) * M_PER_FT, limitedBy: 'formula' };
  }
  const second = ((rated / (cc * cw) - 150 - 43_400 / tF) * tF) / 2800;
  trace.step(
    'R',
    `(${fig(rated)}/(${cc}·${fig(cw)}) − 150 − 43 400/${fig(tF)})·${fig(tF)}/2800`,
    Math.max(0, second),
    'ft/h',
  );
  if (atMost(second, ACI_FASTEST_FT_H))
    return { rateMPerH: Math.max(0, second) * M_PER_FT, limitedBy: 'formula' };
  return { rateMPerH: ACI_FASTEST_FT_H * M_PER_FT, limitedBy: 'rateLimit' };
}

/**
 * CIRIA: with s = √(H − C1√R) the formula is H − s² + C2·K·s, a parabola; the rating is met on its rising side
 * (s above C2·K/2) at the larger root.
 */
function ciria(v: FormCase, ratedKPa: number, trace: Trace): Limit {
  const { c1, c2, k, d, formM } = ciriaTerms(v);
  const rated = ratedKPa / d;
  const still = c2 * k * Math.sqrt(formM);
  trace.step('p at R = 0', `${fig(d)}·${c2}·${fig(k)}·√${fig(formM)}`, d * still, 'kPa');
  if (!atMost(still, rated)) return { rateMPerH: 0, limitedBy: 'minimum' };
  const root = (c2 * k) ** 2 - 4 * (rated - formM);
  // A form lower than its placement never meets the rating before C1·√R passes its height and full head rules.
  const s = root < 0 ? 0 : (c2 * k + Math.sqrt(root)) / 2;
  const x = Math.max(0, formM - s * s);
  trace.step(
    'C1·√R',
    `${fig(formM)} − s², s = (C2·K + √((C2·K)² − 4(${fig(rated)} − ${fig(formM)})))/2`,
    x,
    'm',
  );
  return { rateMPerH: (x / c1) ** 2, limitedBy: root < 0 ? 'rateLimit' : 'formula' };
}

const METHODS: Record<FormCase['method'], (v: FormCase, ratedKPa: number, trace: Trace) => Limit> =
  {
    aci347: aci,
    ciria108: ciria,
    hydrostatic: () => ({ rateMPerH: 0, limitedBy: 'hydrostatic' }),
  };

/** How fast a form may be filled. */
export const maxRateOfRise = calculation({
  id: 'max-rate-of-rise',
  title: 'Fastest rate of rise',
  purpose: 'How fast a form may be filled so that the pressure stays within its rating.',
  formula:
    'the largest R of the first unbroken range from 0 up with p(R) ≤ rating, p as in form-pressure, solved exactly branch by branch',
  source: 'ACI 347R-14 §4.2.2; CIRIA Report 108',
  limits: 'As form-pressure. No limit (null) when full head is within the rating.',
  input: z.object({ ...pressureFields, ratedPressureKPa: positive() }),
  output: z.object({
    hydrostaticKPa: z.number(),
    rateMPerH: z.number().nullable(),
    limitedBy: z.enum(['formula', 'rateLimit', 'minimum', 'hydrostatic', 'none']),
  }),
  compute(v, trace) {
    const head = fullHeadKPa(v);
    trace.step('full head', `ρ g·${fig(v.placementHeightM)}`, head, 'kPa');
    const found: Limit = atMost(head, v.ratedPressureKPa)
      ? { rateMPerH: null, limitedBy: 'none' }
      : METHODS[v.method](v, v.ratedPressureKPa, trace);
    trace.step(
      'R max',
      found.rateMPerH === null ? 'full head is within the rating' : `limited by ${found.limitedBy}`,
      found.rateMPerH,
      'm/h',
    );
    cautionForms(trace);
    return { hydrostaticKPa: head, ...found };
  },
});

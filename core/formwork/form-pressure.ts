import { z } from 'zod';
import { calculation, fig, type Trace } from '#core/kit';
import { atMost, KPA_PER_PSF, M_PER_FT, STANDARD_GRAVITY } from '#core/units';
import {
  ACI_FASTEST_FT_H,
  aciFallBacks,
  aciFormulaPsf,
  aciTerms,
  cautionForms,
  ciriaTerms,
  fullHeadKPa,
  pressureFields,
  rateField,
  type FormCase,
} from './pressure-model.ts';

interface Pressure {
  maxPressureKPa: number;
  governedBy: 'formula' | 'minimum' | 'hydrostatic';
  reasons: string[];
}

function aci(v: FormCase, rateMPerH: number, trace: Trace): Pressure {
  const rateFtH = rateMPerH / M_PER_FT;
  const reasons = aciFallBacks(v);
  if (v.element === 'wall' && !atMost(rateFtH, ACI_FASTEST_FT_H))
    reasons.push(`the wall rises ${fig(rateMPerH)} m/h, faster than 4.572 m/h (15 ft/h)`);
  if (reasons.length) return { maxPressureKPa: fullHeadKPa(v), governedBy: 'hydrostatic', reasons };
  const { tF, cc, cw, hydrostaticPsf, tall } = aciTerms(v);
  const formula = aciFormulaPsf(v, rateFtH);
  const least = 600 * cw;
  const first = v.element === 'column' || (rateFtH < 7 && !tall);
  trace.step('Cc · Cw', `${cc} · ${fig(cw)}`, cc * cw);
  trace.step(
    'p',
    first
      ? `Cc·Cw·(150 + 9000·${fig(rateFtH)}/${fig(tF)})`
      : `Cc·Cw·(150 + 43 400/${fig(tF)} + 2800·${fig(rateFtH)}/${fig(tF)})`,
    formula,
    'psf',
  );
  trace.step('least', `600·${fig(cw)}`, least, 'psf');
  trace.step('w·h', 'full head', hydrostaticPsf, 'psf');
  const held = Math.max(least, formula);
  if (held > hydrostaticPsf)
    return { maxPressureKPa: fullHeadKPa(v), governedBy: 'hydrostatic', reasons };
  return {
    maxPressureKPa: held * KPA_PER_PSF,
    governedBy: least > formula ? 'minimum' : 'formula',
    reasons,
  };
}

function ciria(v: FormCase, rateMPerH: number, trace: Trace): Pressure {
  const { c1, c2, k, d, formM } = ciriaTerms(v);
  const x = c1 * Math.sqrt(rateMPerH);
  if (!atMost(x, formM))
    return {
      maxPressureKPa: fullHeadKPa(v),
      governedBy: 'hydrostatic',
      reasons: [`C1·√R = ${fig(x)} m is more than the form height ${fig(formM)} m`],
    };
  const formula = d * (x + c2 * k * Math.sqrt(Math.max(0, formM - x)));
  const head = d * v.placementHeightM;
  trace.step('K', `(36/(${fig(v.concreteTempC)} + 16))²`, k);
  trace.step(
    'p',
    `${fig(d)}·(${c1}·√${fig(rateMPerH)} + ${c2}·${fig(k)}·√(${fig(formM)} − ${fig(x)}))`,
    formula,
    'kPa',
  );
  trace.step('D·h', `${fig(d)}·${fig(v.placementHeightM)}`, head, 'kPa');
  return head < formula
    ? { maxPressureKPa: head, governedBy: 'hydrostatic', reasons: [] }
    : { maxPressureKPa: formula, governedBy: 'formula', reasons: [] };
}

const METHODS: Record<
  FormCase['method'],
  (v: FormCase, rateMPerH: number, trace: Trace) => Pressure
> = {
  aci347: aci,
  ciria108: ciria,
  hydrostatic: (v) => ({ maxPressureKPa: fullHeadKPa(v), governedBy: 'hydrostatic', reasons: [] }),
};

const SILENT: Trace = { step: () => undefined, caution: () => undefined };

/**
 * The same without its working, for what asks place by place: the highest pressure, kPa.
 * @param v checked already
 * @param rateMPerH above 0
 */
export const pressureKPa = (v: FormCase, rateMPerH: number): number =>
  METHODS[v.method](v, rateMPerH, SILENT).maxPressureKPa;

/** Highest sideways pressure of fresh concrete on a form. */
export const formPressure = calculation({
  id: 'form-pressure',
  title: 'Pressure on the form',
  purpose:
    'The highest pressure of fresh concrete on a wall or column form at a rate of rise, and from which depth on it acts.',
  formula:
    'aci347: p = Cc·Cw·(150 + 9000 R/T), tall or fast walls Cc·Cw·(150 + 43 400/T + 2800 R/T), not under 600·Cw, not over w·h (psf, ft/h, °F); ciria108: p = min(D(C1√R + C2·K·√(H − C1√R)), D·h); hydrostatic: ρ g h',
  source: 'ACI 347R-14 §4.2.2; CIRIA Report 108',
  limits:
    'ACI: slump to 178 mm (7 in), vibration to 1.22 m (4 ft), walls to 4.57 m/h (15 ft/h); beyond any of them full head. A column has no plan side over 2 m. Not for self-compacting concrete or pumping from below.',
  input: z.object({ ...pressureFields, rateMPerH: rateField() }),
  output: z.object({
    maxPressureKPa: z.number(),
    governedBy: z.enum(['formula', 'minimum', 'hydrostatic']),
    hydrostaticKPa: z.number(),
    headM: z.number(),
    method: z.enum(['aci347', 'ciria108', 'hydrostatic']),
    reasons: z.array(z.string()),
  }),
  compute(v, trace) {
    const hydrostaticKPa = fullHeadKPa(v);
    const found = METHODS[v.method](v, v.rateMPerH, trace);
    const headM = (found.maxPressureKPa * 1000) / (v.densityKgM3 * STANDARD_GRAVITY);
    trace.step(
      'full head',
      `${fig(v.densityKgM3)}·9.80665·${fig(v.placementHeightM)}/1000`,
      hydrostaticKPa,
      'kPa',
    );
    trace.step(
      'p max',
      found.reasons.length
        ? `full head: ${found.reasons.join('; ')}`
        : `ruled by ${found.governedBy}`,
      found.maxPressureKPa,
      'kPa',
    );
    trace.step(
      'head',
      `${fig(found.maxPressureKPa)}·1000/(${fig(v.densityKgM3)}·9.80665)`,
      headM,
      'm',
    );
    cautionForms(trace);
    return {
      ...found,
      hydrostaticKPa,
      headM,
      method: found.reasons.length ? ('hydrostatic' as const) : v.method,
    };
  },
});

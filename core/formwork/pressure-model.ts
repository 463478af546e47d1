import { z } from 'zod';
import { anyNumber, fig, freshTemperature, nonNegative, positive, type Trace } from '#core/kit';
import { atMost, fahrenheitOf, KG_M3_PER_PCF, M_PER_FT, STANDARD_GRAVITY } from '#core/units';

/** What the pressure of fresh concrete depends on, but for how fast it rises. */
export const pressureFields = {
  method: z.enum(['aci347', 'ciria108', 'hydrostatic'], {
    error: 'must be aci347, ciria108 or hydrostatic',
  }),
  element: z.enum(['wall', 'column'], { error: 'must be wall or column' }),
  placementHeightM: positive(),
  formHeightM: positive().optional(),
  concreteTempC: freshTemperature(),
  densityKgM3: positive().default(2400),
  cement: z.enum(['plain', 'blend', 'highBlend'], { error: 'must be plain, blend or highBlend' }),
  retarder: z.boolean({ error: 'must be true or false' }),
  slumpMm: nonNegative().default(100),
  vibrationDepthM: positive().default(1.2),
};
/** A form and its concrete, checked. */
export type FormCase = z.output<z.ZodObject<typeof pressureFields>>;
/** Rate of rise, m/h. */
export const rateField = () => anyNumber().gt(0, 'must be above 0');

/** ACI 347R-14 table 4.2.2.1a: chemistry coefficient. */
function chemistryFactor(cement: FormCase['cement'], retarder: boolean): number {
  if (cement === 'highBlend') return 1.4;
  if (cement === 'blend') return retarder ? 1.4 : 1.2;
  return retarder ? 1.2 : 1;
}

/** ACI 347R-14 table 4.2.2.1b: unit weight coefficient of w in pcf. */
function weightFactor(pcf: number): number {
  if (!atMost(140, pcf)) return Math.max(0.8, 0.5 * (1 + pcf / 145));
  return atMost(pcf, 150) ? 1 : pcf / 145;
}

/** The ACI numbers of a case in its own units: °F, pcf, feet, psf. */
export function aciTerms(v: FormCase) {
  const pcf = v.densityKgM3 / KG_M3_PER_PCF;
  return {
    tF: fahrenheitOf(v.concreteTempC),
    cc: chemistryFactor(v.cement, v.retarder),
    cw: weightFactor(pcf),
    hydrostaticPsf: (pcf * v.placementHeightM) / M_PER_FT,
    tall: !atMost(v.placementHeightM, 14 * M_PER_FT),
  };
}

/** Walls rise no faster than this under the ACI formulas, ft/h; the two wall formulas meet at the other. */
export const ACI_FASTEST_FT_H = 15;
export const ACI_MEETING_FT_H = 7;

/** Why the ACI formulas do not hold for a case at any rate; empty when they do. */
export function aciFallBacks(v: FormCase): string[] {
  const reasons: string[] = [];
  if (!atMost(v.slumpMm, 177.8))
    reasons.push(`slump ${fig(v.slumpMm)} mm is above 177.8 mm (7 in)`);
  if (!atMost(v.vibrationDepthM, 1.2192))
    reasons.push(`vibration ${fig(v.vibrationDepthM)} m deep is more than 1.2192 m (4 ft)`);
  return reasons;
}

/** ACI wall or column formula, psf, before its minimum and the hydrostatic cap. `rateFtH` in ft/h. */
export function aciFormulaPsf(v: FormCase, rateFtH: number): number {
  const { tF, cc, cw, tall } = aciTerms(v);
  const first = v.element === 'column' || (rateFtH < ACI_MEETING_FT_H && !tall);
  return (
    cc * cw * (first ? 150 + (9000 * rateFtH) / tF : 150 + 43_400 / tF + (2800 * rateFtH) / tF)
  );
}

/** C2 by cement and admixture: plain, slower, slowest. */
function ciriaC2(v: FormCase): number {
  if (v.cement === 'highBlend' || (v.cement === 'blend' && v.retarder)) return 0.6;
  return v.cement === 'blend' || v.retarder ? 0.45 : 0.3;
}

/** CIRIA Report 108 coefficients: C1 by shape, C2 by cement, K by temperature, D in kN/m³. */
export function ciriaTerms(v: FormCase) {
  return {
    c1: v.element === 'column' ? 1.5 : 1,
    c2: ciriaC2(v),
    k: (36 / (v.concreteTempC + 16)) ** 2,
    d: (v.densityKgM3 * STANDARD_GRAVITY) / 1000,
    formM: v.formHeightM ?? v.placementHeightM,
  };
}

/** Full liquid head ρ g h, kPa. */
export const fullHeadKPa = (v: FormCase): number =>
  (v.densityKgM3 * STANDARD_GRAVITY * v.placementHeightM) / 1000;

/** Lines of caution every form figure carries. */
export function cautionForms(trace: Trace): void {
  trace.caution(
    'Forms fail at the bottom and without warning: nobody stands in the line of a wall under pour.',
  );
  trace.caution('The maker’s rating and the form designer rule over this figure.');
}

import { z } from 'zod';
import { calculation, fig, positive, share } from '#core/kit';

/** η2 falls from 1 for bars over this, mm. */
const THICK_MM = 32;
/** A lap is never under so many diameters, nor under so much, mm (8.11). */
const LEAST_DIAMETERS = 15;
const LEAST_MM = 200;
/** Strength classes over C50 need fctm of their own. */
const HIGHEST_FCK = 50;

/** Tension lap of straight bars under Eurocode 2. */
export const lapLengthEn = calculation({
  id: 'lap-length-en',
  title: 'Lap length, Eurocode 2',
  purpose: 'How far two straight bars in tension must overlap on a site under EN rules.',
  formula:
    'fbd = 2.25·η1·η2·fctd, fctd = αct·0.7·0.30·fck^(2/3)/γc; lb,rqd = ø/4·σsd/fbd; l0 = max(α6·lb,rqd, 0.3·α6·lb,rqd, 15 ø, 200 mm), α6 = √(ρ/25 %) from 1 to 1.5',
  source: 'EN 1992-1-1 §8.4.2, §8.4.3, §8.7.3; §3.1.6 for fctd',
  limits:
    'Ribbed straight bars in tension, α1 to α5 as 1, concrete to C50. fck is the cylinder strength of the class. Drawing and engineer rule over it.',
  input: z.object({
    barMm: positive().lte(100, 'must be 100 or less'),
    fckMPa: positive().lte(
      HIGHEST_FCK,
      'must be 50 or less: higher classes are not in this formula',
    ),
    bond: z.enum(['good', 'poor'], { error: 'must be good or poor' }),
    /** Share of the bars lapped at one section. */
    lappedShare: share().gt(0, 'must be above 0').default(1),
    fykMPa: positive().default(500),
    gammaC: positive().default(1.5),
    gammaS: positive().default(1.15),
    alphaCt: positive().default(1),
    /** σsd over the design yield of the bar. */
    stressRatio: share().gt(0, 'must be above 0').default(1),
  }),
  output: z.object({
    fbdMPa: z.number(),
    basicMm: z.number(),
    alpha6: z.number(),
    lapMm: z.number(),
  }),
  compute(v, trace) {
    const fctmMPa = 0.3 * v.fckMPa ** (2 / 3);
    const fctdMPa = (v.alphaCt * 0.7 * fctmMPa) / v.gammaC;
    const eta1 = v.bond === 'good' ? 1 : 0.7;
    const eta2 = v.barMm <= THICK_MM ? 1 : (132 - v.barMm) / 100;
    const fbdMPa = 2.25 * eta1 * eta2 * fctdMPa;
    const stressMPa = (v.stressRatio * v.fykMPa) / v.gammaS;
    const basicMm = ((v.barMm / 4) * stressMPa) / fbdMPa;
    const alpha6 = Math.min(1.5, Math.max(1, Math.sqrt(v.lappedShare / 0.25)));
    const lapMm = Math.max(
      alpha6 * basicMm,
      0.3 * alpha6 * basicMm,
      LEAST_DIAMETERS * v.barMm,
      LEAST_MM,
    );
    trace.step('fctd', `${fig(v.alphaCt)}·0.7·${fig(fctmMPa)}/${fig(v.gammaC)}`, fctdMPa, 'MPa');
    trace.step('fbd', `2.25·${eta1}·${fig(eta2)}·${fig(fctdMPa)}`, fbdMPa, 'MPa');
    trace.step('lb,rqd', `${fig(v.barMm)}/4·${fig(stressMPa)}/${fig(fbdMPa)}`, basicMm, 'mm');
    trace.step('α6', `√(${fig(v.lappedShare)}/0.25)`, alpha6);
    trace.step('l0', `max(${fig(alpha6)}·${fig(basicMm)}, 15 ø, 200)`, lapMm, 'mm');
    return { fbdMPa, basicMm, alpha6, lapMm };
  },
});

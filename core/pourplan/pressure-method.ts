import type { FormSystem, SitePlan } from '#core/model';
import { atMost } from '#core/units';

const METHODS = ['aci347', 'ciria108', 'hydrostatic'] as const;
export type PressureMethod = (typeof METHODS)[number];
export const PRESSURE_METHODS: readonly PressureMethod[] = METHODS;

/** Vibrated deeper than this at a time the formula of ACI 347R-14 §4.2.2 does not hold, m (4 ft). */
export const DEEPEST_VIBRATED_M = 1.2192;

/** Concrete in these forms is vibrated deeper than the formula of the site's profile holds for. */
export const vibratedTooDeep = (
  site: Pick<SitePlan, 'ruleProfile'>,
  forms: Pick<FormSystem, 'vibratedM'> | undefined,
): boolean => site.ruleProfile === 'us-aci' && !atMost(forms?.vibratedM ?? 0, DEEPEST_VIBRATED_M);

/** The method that rules, by the site's profile; full head where its formula does not hold. */
export function rulingMethod(
  site: Pick<SitePlan, 'ruleProfile'>,
  forms?: Pick<FormSystem, 'vibratedM'>,
): PressureMethod {
  if (vibratedTooDeep(site, forms)) return 'hydrostatic';
  return site.ruleProfile === 'us-aci' ? 'aci347' : 'ciria108';
}

import type { SitePlan } from '#core/model';

const METHODS = ['aci347', 'ciria108', 'hydrostatic'] as const;
export type PressureMethod = (typeof METHODS)[number];
export const PRESSURE_METHODS: readonly PressureMethod[] = METHODS;
/** The method that rules, by the site's profile. */
export const rulingMethod = (site: Pick<SitePlan, 'ruleProfile'>): PressureMethod =>
  site.ruleProfile === 'us-aci' ? 'aci347' : 'ciria108';

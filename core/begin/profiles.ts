import type { RuleProfile } from '#core/model';

/** What a rule profile is called, and what it means for cover, laps, tolerances and curing, in a sentence. */
export const PROFILE_WORDS: Record<RuleProfile, { name: string; means: string }> = {
  'us-aci': {
    name: 'US, ACI and IRC',
    means:
      'Cover and laps by ACI 318, tolerances by ACI 117, fresh concrete by ASTM C94, cold and hot days and curing by ACI 306, 305 and 308.',
  },
  'metric-en': {
    name: 'EN, metric',
    means:
      'Cover and laps by EN 1992-1-1, tolerances, cold days and curing by EN 13670, fresh concrete by EN 206.',
  },
};

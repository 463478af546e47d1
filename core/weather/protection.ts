import type { PourDoc } from '#core/model';
import type { Rules } from '#core/rules';

/**
 * So long concrete is protected in cold weather, h: as the rule has it, shorter where nothing loads
 * it while it is young and nothing freezes and thaws it after.
 */
export const protectionHours = (rules: Rules, pour: Pick<PourDoc, 'stripping'>): number =>
  rules.value(pour.stripping.sheltered ? 'protectionSheltered' : 'protection');

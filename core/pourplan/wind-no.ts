import type { Conveyance } from '#core/model';
import type { Rules } from '#core/rules';

/**
 * Wind over which a conveyance does not work, km/h: its own limit, or the rule's for a boom whose
 * maker's limit nobody has written down; undefined where wind does not stop it.
 */
export const windNoOf = (by: Conveyance | undefined, rules: Rules): number | undefined =>
  by?.windNoKmH ?? (by?.kind === 'boom' ? rules.value('boomWind') : undefined);

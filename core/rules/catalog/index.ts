import type { Entry } from './entry.ts';
import { CONCRETE_RULES } from './concrete.ts';
import { WEATHER_RULES } from './weather.ts';
import { FORM_RULES } from './forms.ts';
import { STEEL_RULES } from './steel.ts';
import { SET_OUT_RULES } from './set-out.ts';
import { PLAN_RULES } from './plan.ts';

/**
 * The rule profiles as data: every value of the house that a site may set for itself, what it is in each profile, and
 * where that comes from. To add one: a line in the file of its group, and read it with `rules.value(id)` where it bites.
 *
 * `fields` names the inputs of registered calculations that take the value, as `calculation.field`:
 * it is how a figure's working and the workbench know which rule stands behind a number.
 */
export const RULE_CATALOG = {
  ...CONCRETE_RULES,
  ...WEATHER_RULES,
  ...FORM_RULES,
  ...STEEL_RULES,
  ...SET_OUT_RULES,
  ...PLAN_RULES,
} as const satisfies Record<string, Entry>;

export type RuleId = keyof typeof RULE_CATALOG;
export type RuleEntry = Entry;
export const RULE_IDS = Object.keys(RULE_CATALOG) as [RuleId, ...RuleId[]];

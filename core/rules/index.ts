/** The public face of this room: what others use of it. */
export { RULE_CATALOG, RULE_IDS, type RuleEntry, type RuleId } from './catalog/index.ts';
export {
  changeText,
  type RuleChange,
  ruleChangeSchema,
  type Ruled,
  type RuledSite,
  type Rules,
  rulesBehind,
  rulesOf,
  ruleText,
  sourceText,
  withRules,
} from './rules.ts';

import { z } from 'zod';
import { anyNumber } from '#core/kit';
import { quantityText, type UnitSystem } from '#core/units';
import { RULE_CATALOG, RULE_IDS, type RuleEntry, type RuleId } from './catalog/index.ts';

/**
 * A site's own value for a rule: who set it, when and why. The last change of a rule counts;
 * `value` null goes back to the profile's.
 */
export const ruleChangeSchema = z
  .object({
    rule: z.enum(RULE_IDS, { error: 'is not a rule of the profile' }),
    value: anyNumber().nullable(),
    by: z.string().min(1, 'is empty').max(80),
    at: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }),
    reason: z.string().max(500).optional(),
  })
  .superRefine((c, ctx) => {
    const e: RuleEntry = RULE_CATALOG[c.rule];
    if (c.value !== null && (c.value < e.least || c.value > e.most))
      ctx.addIssue({
        code: 'custom',
        path: ['value'],
        message: `is outside ${e.least} to ${e.most}`,
      });
  });
export type RuleChange = z.output<typeof ruleChangeSchema>;

/** The value of a rule on a site, where it is from, and the change that made it so. */
export interface Ruled {
  id: RuleId;
  title: string;
  value: number;
  profileValue: number;
  source: string;
  change: RuleChange | null;
  from: number;
}

/** What a site's rules come to. */
export interface Rules {
  profile: RuledSite['ruleProfile'];
  value(id: RuleId): number;
  ruled(id: RuleId): Ruled;
}

/** What is needed to know a site's rules. */
export interface RuledSite {
  ruleProfile: 'us-aci' | 'metric-en';
  ruleChanges?: readonly RuleChange[];
}

/** The rules of a site: its profile with its own changes over it. */
export function rulesOf(site: RuledSite): Rules {
  const changes = new Map<RuleId, RuleChange>();
  const before = new Map<RuleId, number>();
  const profile = (id: RuleId) => {
    const e: RuleEntry = RULE_CATALOG[id];
    return site.ruleProfile === 'us-aci' ? e.us : e.metric;
  };
  for (const c of site.ruleChanges ?? []) {
    before.set(c.rule, changes.get(c.rule)?.value ?? profile(c.rule)[0]);
    changes.set(c.rule, c);
  }
  const ruled = (id: RuleId): Ruled => {
    const [profileValue, source] = profile(id);
    const change = changes.get(id) ?? null;
    return {
      id,
      title: RULE_CATALOG[id].title,
      value: change?.value ?? profileValue,
      profileValue,
      source,
      change: change?.value == null ? null : change,
      from: before.get(id) ?? profileValue,
    };
  };
  return { profile: site.ruleProfile, value: (id) => ruled(id).value, ruled };
}

/** A rule's value in words, in a site's units. */
export const ruleText = (id: RuleId, value: number, units: UnitSystem): string =>
  quantityText(value, RULE_CATALOG[id].quantity, units);

/** "changed from 90 min to 60 min by I. Brandvold on 2026-09-23", or null when the profile's own value stands. */
export function changeText(r: Ruled, units: UnitSystem): string | null {
  if (!r.change) return null;
  return `changed from ${ruleText(r.id, r.from, units)} to ${ruleText(r.id, r.value, units)} by ${r.change.by} on ${r.change.at.slice(0, 10)}${r.change.reason ? `: ${r.change.reason}` : ''}`;
}

/** Where a rule's value comes from, with the change where there is one. */
export const sourceText = (r: Ruled, units: UnitSystem): string => {
  const c = changeText(r, units);
  return c === null ? r.source : `${r.source}, ${c}`;
};

/**
 * An input with what it leaves out filled from the site's rules: the one way in which a rule
 * reaches a calculation by name.
 */
export function withRules(
  calculationId: string,
  rules: Rules,
  input: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  const out = { ...input };
  for (const { rule, field } of rulesBehind(calculationId)) out[field] ??= rules.value(rule);
  return out;
}

/** The rules that stand behind a calculation's inputs, and which input each of them feeds. */
export function rulesBehind(calculationId: string): { rule: RuleId; field: string }[] {
  return RULE_IDS.flatMap((rule) => {
    const entry: RuleEntry = RULE_CATALOG[rule];
    return (entry.fields ?? [])
      .filter((f) => f.startsWith(`${calculationId}.`))
      .map((f) => ({ rule, field: f.slice(calculationId.length + 1) }));
  });
}

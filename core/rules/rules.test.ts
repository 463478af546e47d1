import { describe, expect, test } from '@jest/globals';
import { checkRules } from '../check/rules.ts';
import { calculationNamed } from '../register/register.ts';
import { toJSONSchema } from 'zod';
import { RULE_CATALOG, RULE_IDS, type RuleEntry } from './catalog/index.ts';
import {
  changeText,
  ruleChangeSchema,
  rulesBehind,
  rulesOf,
  sourceText,
  withRules,
} from './rules.ts';

const site = { ruleProfile: 'us-aci' as const, units: 'us' as const };
const change = (
  rule: 'loadAge' | 'thinWallMinus',
  value: number | null,
  at = '2026-09-22T14:00:00Z',
  reason?: string,
) => ({ rule, value, by: 'I. Brandvold', at, ...(reason ? { reason } : {}) });

const inputOf = (id: string) => {
  const found = calculationNamed(id);
  if (!found) throw new Error(`${id} is not in the register`);
  return found.input;
};

describe('the catalog', () => {
  test('every value has its source, lies in its own range, and feeds inputs that exist', () => {
    for (const id of RULE_IDS) {
      const e: RuleEntry = RULE_CATALOG[id];
      for (const [value, source] of [e.us, e.metric]) {
        expect(source.length).toBeGreaterThan(5);
        expect(value).toBeGreaterThanOrEqual(e.least);
        expect(value).toBeLessThanOrEqual(e.most);
      }
      for (const field of e.fields ?? []) {
        const [calc, name] = field.split('.') as [string, string];
        const schema = toJSONSchema(inputOf(calc), { io: 'input', unrepresentable: 'any' });
        expect([field, Object.keys(schema.properties ?? {}).includes(name)]).toEqual([field, true]);
      }
    }
  });
  test('where a calculation has a default, the US profile says the same', () => {
    for (const id of RULE_IDS) {
      const e: RuleEntry = RULE_CATALOG[id];
      for (const field of e.fields ?? []) {
        const [calc, name] = field.split('.') as [string, string];
        const schema = toJSONSchema(inputOf(calc), { io: 'input', unrepresentable: 'any' });
        const standing = (schema.properties?.[name] as { default?: number } | undefined)?.default;
        if (standing !== undefined) expect([field, standing]).toEqual([field, e.us[0]]);
      }
    }
  });
});

describe('a site’s own values', () => {
  test('the last change counts, and says what it was, by whom and when', () => {
    const r = rulesOf({
      ...site,
      ruleChanges: [
        change('loadAge', 75),
        change('loadAge', 60, '2026-09-23T06:00:00Z', 'hot week'),
      ],
    }).ruled('loadAge');
    expect(r).toMatchObject({ value: 60, from: 75, profileValue: 90 });
    expect(changeText(r, 'us')).toBe(
      'changed from 75 min to 60 min by I. Brandvold on 2026-09-23: hot week',
    );
    expect(sourceText(r, 'us')).toMatch(/^ASTM C94.*, changed from/);
  });
  test('going back to the profile leaves no change behind', () => {
    const r = rulesOf({
      ...site,
      ruleChanges: [change('loadAge', 60), change('loadAge', null)],
    }).ruled('loadAge');
    expect(r).toMatchObject({ value: 90, change: null });
    expect(changeText(r, 'us')).toBeNull();
  });
  test('a change bites in the check list, with its words', () => {
    const rules = checkRules({ ...site, ruleChanges: [change('thinWallMinus', 3.175)] });
    expect(rules.wallThickness(254)).toMatchObject({ minusMm: 3.175, plusMm: 9.525 });
    expect(rules.wallThickness(254).source).toMatch(
      /changed from 1\/4 in to 1\/8 in by I. Brandvold/,
    );
    expect(rules.wallThickness(305).source).not.toMatch(/changed/);
  });
  test.each([
    [400, /outside 15 to 360/],
    [Number.NaN, /must be a number/],
  ])('%d minutes is refused', (value, message) => {
    expect(ruleChangeSchema.safeParse(change('loadAge', value)).error?.issues[0]?.message).toMatch(
      message,
    );
  });
  test('a rule fills what an input leaves out, and gives way to what it says', () => {
    const rules = rulesOf({ ...site, ruleChanges: [change('loadAge', 60)] });
    expect(withRules('load-verdict', rules, { batchMin: 0 })).toMatchObject({
      batchMin: 0,
      limitMin: 60,
      hottestC: 35,
    });
    expect(withRules('load-verdict', rules, { limitMin: 45 }).limitMin).toBe(45);
  });
  test('the rules behind a calculation are those that feed its inputs', () => {
    expect(
      rulesBehind('joint-window')
        .map((r) => r.field)
        .sort(),
    ).toEqual(['knitMinAt20C', 'stiffenMinAt20C']);
    expect(rulesBehind('takeoff')).toEqual([]);
  });
});

import { describe, expect, test } from '@jest/globals';
import { ruledMix } from '../model/mix.ts';
import { rulesOf } from '../rules/rules.ts';
import { demoPour } from '../testdata/demo.ts';
import { deepVibrationText } from '../words/forms.ts';
import { planPour } from './plan.ts';
import { pressureAtPlace, pressureRule } from './pressure.ts';

const { site, pour, mix, plant } = demoPour('quillback', 'P2');
const forms = { ...site.formSystems[0], mark: 'X' } as (typeof site.formSystems)[number];
const worstKPa = (more: Partial<typeof mix>, vibratedM?: number) => {
  const own = { ...site, formSystems: [{ ...forms, ...(vibratedM ? { vibratedM } : {}) }] };
  const plan = planPour(own, { ...pour, forms: 'X' }, { ...mix, ...more }, plant, 1190);
  return Math.max(...plan.pressure.filter((p) => p.by !== 'fullHead').map((p) => p.maxKPa));
};

describe('the pressure of a pour', () => {
  test.each([
    ['us-aci', 'aci347', [1, 1.2, 1.4]],
    ['metric-en', 'ciria108', [0.3, 0.45, 0.6]],
  ] as const)('%s goes by what is in the cement', (_, method, terms) => {
    // A wall of 4 m rising 2 m/h: no part of it is full head.
    const placings = [
      { bottomM: 0, topM: 0.2, startMin: 0, endMin: 12 },
      { bottomM: 0.2, topM: 4, startMin: 12, endMin: 120 },
    ].map((p, i) => (i === 1 ? { ...p, bottomM: 3.8 } : p));
    const at = (cement: (typeof mix)['cement']) =>
      pressureAtPlace(pressureRule(method, { ...mix, cement, retarderFactor: 1 }), placings, 4, 20)
        .maxKPa;
    const [plain, blend, high] = [at('plain'), at('blend'), at('highBlend')];
    const [a, b, c] = terms;
    // ACI multiplies by Cc; in CIRIA C2 is the factor of the second term alone.
    const first = method === 'aci347' ? 0 : (plain * b - blend * a) / (b - a);
    expect((blend - first) / (plain - first)).toBeCloseTo(b / a, 6);
    expect((high - first) / (plain - first)).toBeCloseTo(c / a, 6);
  });
  test('is full head where concrete is vibrated deeper than 4 ft at a time, and says so', () => {
    expect(worstKPa({}, 1.2192)).toBeGreaterThan(0);
    expect(worstKPa({}, 1.22)).toBe(-Infinity);
    expect(deepVibrationText(site, { ...forms, vibratedM: 1.2192 })).toBeNull();
    expect(deepVibrationText(site, { ...forms, vibratedM: 1.8288 })).toMatch(
      /6 ft 0 in deep.*4 ft/,
    );
  });
});

test('slag and ash slow the strength, and a site that knows better says so', () => {
  const { strengthPace: _, ...record } = mix;
  const paceOf = (cement: 'plain' | 'blend' | 'highBlend', ruleChanges: object[] = []) =>
    ruledMix({ ...record, cement }, rulesOf({ ...site, ruleChanges } as typeof site)).strengthPace;
  expect([paceOf('plain'), paceOf('blend'), paceOf('highBlend')]).toEqual([1, 0.8, 0.6]);
  const change = { rule: 'paceHighBlend', value: 0.5, by: 'A', at: '2026-09-22T10:00:00Z' };
  expect(paceOf('highBlend', [change])).toBe(0.5);
});

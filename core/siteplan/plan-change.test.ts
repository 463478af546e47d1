import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../testdata/demo.ts';
import { drawnOf } from './drawn.ts';
import { changePlan } from './plan-change.ts';

const { site, pour } = demoPour('quillback', 'P2');
const plan = drawnOf(site, [pour]);
const stamp = { version: 8, by: 'I. Brandvold', at: '2026-09-23T12:00:00Z' };

describe('another drawing of a site', () => {
  test('that is the same changes nothing', () => {
    expect(changePlan(site, [pour], plan, stamp)).toEqual({ kind: 'same' });
  });
  test('is written down with who changed what, and takes the pours along', () => {
    const [first, ...rest] = plan.runs;
    if (!first) throw new Error('demo site');
    const lower = { ...first, bottomM: first.bottomM - 0.1 };
    const made = changePlan(site, [pour], { ...plan, runs: [lower, ...rest] }, stamp);
    if (made.kind !== 'changed') throw new Error(made.kind);
    expect(made.site.planChanges.at(-1)).toMatchObject({ ...stamp, elements: [first.id] });
    expect(made.pours).toHaveLength(1);
    expect(site.planChanges).not.toContainEqual(expect.objectContaining({ version: 8 }));
  });
  test.each([
    ['a pour the site does not have', [{ code: 'P9', elements: ['W'] }], 'plan.pours.0.code'],
    [
      'forms that it does not name',
      [{ code: 'P2', elements: pour.elements, forms: 'nobody’s' }],
      'plan.pours.0.forms',
    ],
  ])('is refused with %s, at its field', (_, pours, path) => {
    const made = changePlan(site, [pour], { ...plan, pours }, stamp);
    expect(made).toMatchObject({ kind: 'refused', refusal: { path } });
  });
});

import { describe, expect, test } from '@jest/globals';
import { REGISTER } from './register.ts';
import { evaluate } from '../kit/calculation.ts';
import { EXAMPLES } from './examples.ts';
import { fieldsOf } from './fields-of.ts';
import { labelOf, resultRows, stepText } from '../kit/words.ts';

test.each([
  ['maxPressureKPa', 'highest pressure'],
  ['placementHeightM', 'placement height'],
  ['fcMPa', 'f′c'],
  ['tieCapacityKN', 'tie capacity'],
  ['lowestTempC', 'lowest temperature'],
  ['tieSpacingM', 'tie spacing'],
  ['retarder', 'retarder'],
  ['placingRateM3PerH', 'placing rate'],
])('%s is called %s', (name, label) => {
  expect(labelOf(name)).toBe(label);
});

describe.each(['us', 'metric'] as const)('results in %s', (units) => {
  test.each(REGISTER.map((c) => [c.id, c] as const))(
    '%s says every field in words, none left raw',
    (id, c) => {
      const { result, steps } = evaluate(c, EXAMPLES[id]);
      // What was put in is told on paper the same way; whole sites and logs are not.
      const put = ['takeoff', 'rebar-takeoff', 'sequence-search', 'pour-state'].includes(id)
        ? []
        : resultRows(id, EXAMPLES[id], units);
      const rows = [...resultRows(id, result, units), ...put];
      expect(rows.length).toBeGreaterThan(0);
      for (const r of rows) {
        expect(r.label).toMatch(/\S/);
        for (const text of [r.text ?? '', ...(r.table?.rows.flat() ?? [])])
          expect(text).not.toMatch(/NaN|undefined|\[object|\{"/);
      }
      for (const s of steps) expect(stepText(s, units)).not.toMatch(/NaN|undefined/);
      for (const f of fieldsOf(c)) expect(labelOf(f.name)).toMatch(/\S/);
    },
  );
});

test('a site’s units are never mixed: no millimetres in US, no inches in metric', () => {
  const form = REGISTER.find((c) => c.id === 'form-pressure');
  if (!form) throw new Error('form-pressure');
  const { result } = evaluate(form, EXAMPLES['form-pressure']);
  const said = (units: 'us' | 'metric') =>
    resultRows('form-pressure', result, units)
      .map((r) => r.text)
      .join(' ');
  expect(said('us')).toMatch(/psf/);
  expect(said('us')).not.toMatch(/kPa|\bm\b/);
  expect(said('metric')).toMatch(/kPa/);
  expect(said('metric')).not.toMatch(/psf|ft/);
});

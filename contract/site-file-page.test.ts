import { expect, test } from '@jest/globals';
import fs from 'node:fs';
import { siteFields, withFields } from './site-file-page.ts';

test('every field of a site file says what it means', () => {
  const silent = siteFields().filter((f) => f.means === '');
  expect(silent.map((f) => f.path)).toEqual([]);
});

test('units, what is needed and what is taken when it is left out are those of the schema', () => {
  const at = (path: string) => siteFields().find((f) => f.path === path);
  expect(at('footingTypes[].coverBottomMm')).toMatchObject({ unit: 'mm', otherwise: 'needed' });
  expect(at('pours[].settings.wasteRatio')?.unit).toBe('0 to 1');
  expect(at('pours[].holds[]')?.otherwise).toBe('`["own","inspection"]`');
  expect(at('currency')?.otherwise).toBe('');
  expect(at('plants[].travel.p90Min')).toMatchObject({ unit: 'min', otherwise: 'needed' });
});

test('the page is as the schema has it: run `npm run docs` when this fails', () => {
  const page = fs.readFileSync('docs/site-file.md', 'utf8');
  expect(withFields(page)).toBe(page);
});

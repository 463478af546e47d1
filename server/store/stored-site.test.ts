import { expect, test } from '@jest/globals';
import fs from 'node:fs';
import { StoredSites } from './stored-site.ts';

const doc = fs.readFileSync('demo/sites/kestrel.json', 'utf8');

test('a site is read once a version, and anew when it has changed', () => {
  const sites = new StoredSites();
  const first = sites.read({ id: 'a', version: 1, doc });
  expect(sites.read({ id: 'a', version: 1, doc: 'not looked at again' })).toBe(first);
  const changed = JSON.stringify({ ...(JSON.parse(doc) as object), name: 'Another' });
  expect(sites.read({ id: 'a', version: 2, doc: changed }).site.name).toBe('Another');
});

test('a site stored under other limits is handed out with what is wrong with it', () => {
  const raw = { ...(JSON.parse(doc) as object), latitude: 1000 };
  const { site, faults } = new StoredSites().read({
    id: 'b',
    version: 1,
    doc: JSON.stringify(raw),
  });
  expect(site.runs.length).toBeGreaterThan(0);
  expect(faults).toContainEqual(expect.objectContaining({ path: 'latitude' }));
});

import { describe, expect, test } from '@jest/globals';
import fs from 'node:fs';
import { readSiteFile } from './site-import.ts';

interface Loose {
  [field: string]: unknown;
  runs: Record<string, unknown>[];
  nodes: Record<string, unknown>[];
  pours: (Record<string, unknown> & { settings: Record<string, unknown>; elements: string[] })[];
}
const demo = (): Loose => JSON.parse(fs.readFileSync('demo/sites/quillback.json', 'utf8')) as Loose;
const with_ = (change: (file: Loose) => void) => {
  const file = demo();
  change(file);
  return readSiteFile(file);
};
const at = <T>(list: T[], i: number): T => list[i] as T;
const wallIndex = (file: Loose) => file.runs.findIndex((r) => r.id === 'N');

describe('a site file that comes in', () => {
  test('the demo’s own is whole, with nothing to say', () => {
    expect(with_(() => undefined)).toMatchObject({ issues: [], warnings: [] });
    expect(with_(() => undefined).file).not.toBeNull();
  });
  test.each<[string, (f: Loose) => void, RegExp, RegExp]>([
    [
      'forms that do not exist',
      (f) => (at(f.pours, 1).forms = 'B9'),
      /^pours\.1\.forms$/,
      /names B9/,
    ],
    [
      'a rating above its forms',
      (f) => (at(f.pours, 1).settings.ratingKPa = 90),
      /^pours\.1\.settings\.ratingKPa$/,
      /is 90 kPa; its forms, A3, hold 47\.88/,
    ],
    [
      'an element twice in a pour',
      (f) => at(f.pours, 1).elements.push('N'),
      /^pours\.1\.elements\.5$/,
      /N is twice in P2/,
    ],
    [
      'an element in two pours of one day',
      (f) => {
        at(f.pours, 2).date = at(f.pours, 1).date;
        at(f.pours, 2).elements.push('N');
      },
      /^pours\.2\.elements\.\d+$/,
      /N is poured on 2026-09-23 in P2 already/,
    ],
    [
      'an opening above its wall',
      (f) =>
        (at(f.runs, wallIndex(f)).openings = [
          { kind: 'window', atM: 1, widthM: 1, sillM: 2, headM: 3 },
        ]),
      /^runs\.\d+\.openings\.0\.headM$/,
      /above the top of its wall/,
    ],
    [
      'openings that overlap',
      (f) =>
        (at(f.runs, wallIndex(f)).openings = [
          { kind: 'window', atM: 1, widthM: 1, sillM: 1, headM: 2 },
          { kind: 'window', atM: 1.5, widthM: 1, sillM: 1, headM: 2 },
        ]),
      /^runs\.\d+\.openings\.1\.atM$/,
      /overlaps opening 0/,
    ],
    [
      'a wall 2 840 m high',
      (f) => (at(f.runs, wallIndex(f)).topM = 2868),
      /^runs\.\d+\.topM$/,
      /above the bottom: at most 49 ft 2 1\/2 in/,
    ],
    [
      'a run of a thousand miles',
      (f) => (at(f.nodes, 0).xM = 4000),
      /^runs\.\d+\.to$/,
      /a run is at most 984 ft 3 in/,
    ],
    [
      'a node off the earth',
      (f) => (at(f.nodes, 0).xM = 1e7),
      /^nodes\.0\.xM$/,
      /from −5000 to 5000/,
    ],
  ])('%s is refused with its path', (_, change, path, message) => {
    const { file, issues } = with_(change);
    expect(file).toBeNull();
    expect(issues.find((i) => path.test(i.path))?.message ?? '').toMatch(message);
  });
  test('all faults are told at once, of single fields and between them', () => {
    const { file, issues } = with_((f) => {
      delete f.latitude;
      at(f.runs, 3).type = 'S9';
      at(f.runs, 0).bottomM = 'low';
      at(f.pours, 1).forms = 'B9';
      at(f.pours, 0).mix = 'none';
    });
    expect(file).toBeNull();
    expect(issues.map((i) => i.path)).toEqual(
      expect.arrayContaining([
        'latitude',
        'runs.0.bottomM',
        'runs.3.type',
        'pours.1.forms',
        'pours.0.mix',
      ]),
    );
    expect(new Set(issues.map((i) => `${i.path} ${i.message}`)).size).toBe(issues.length);
  });
  test('a field that is not known is named, and everything else is taken', () => {
    const { file, warnings } = with_((f) => {
      f.colour = 'grey';
      at(f.runs, 2).note = 'mind the pipe';
      at(f.pours, 1).settings.pumpName = 'big one';
    });
    expect(file).not.toBeNull();
    expect(warnings.map((w) => w.path).sort()).toEqual([
      'colour',
      'pours.1.settings.pumpName',
      'runs.2.note',
    ]);
  });
  test.each(['mixes', 'plants', 'runs', 'nodes', 'footingTypes', 'crew', 'pours'])(
    'more %s than a site may hold are told of, whatever else is wrong',
    (list) => {
      const { file, issues } = with_((f) => {
        const [one] = f[list] as unknown[];
        f[list] = Array.from({ length: 4001 }, () => one);
        f.latitude = 'north';
      });
      expect(file).toBeNull();
      expect(issues.map((i) => i.path)).toEqual(expect.arrayContaining([list, 'latitude']));
    },
  );
  test.each([null, [], 'site', 7, {}])('%j is no site file', (raw) => {
    expect(readSiteFile(raw)).toMatchObject({ file: null });
    expect(readSiteFile(raw).issues.length).toBeGreaterThan(0);
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type SitePlan } from '../model/site.ts';
import { sitePlanSchema } from '../model/site-check.ts';
import { demoPour } from '../testdata/demo.ts';
import { outlinesOf } from './outline.ts';
import { ringArea } from './ring.ts';
import { takeOff } from './takeoff.ts';

const footing = (mark: string, widthM: number, depthM = 0.3) => ({
  mark,
  widthM,
  depthM,
  continuous: { bar: '12mm', count: 3 },
  transverse: null,
  coverBottomMm: 50,
  coverSideMm: 50,
  coverTopMm: 40,
});
type Raw = Record<string, unknown>;
const site = (parts: Raw): SitePlan =>
  sitePlanSchema.parse({
    format: 'jactum.site/1',
    name: 'T',
    units: 'metric',
    latitude: 47,
    longitude: 6,
    timeZone: 'Europe/Paris',
    ruleProfile: 'metric-en',
    footingTypes: [footing('A', 0.6), footing('B', 0.8), { ...footing('U', 0.6), unformed: true }],
    ...parts,
  });
const run = (id: string, from: string, to: string, more: Raw = {}) => ({
  id,
  kind: 'footing',
  type: 'A',
  from,
  to,
  bottomM: 0,
  ...more,
});
const node = (id: string, xM: number, yM: number) => ({ id, xM, yM });

test('a closed ring is centre-line length × width, whatever its shape and the way its runs are drawn', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 4, max: 30, noNaN: true }),
      fc.double({ min: 4, max: 30, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
      (w, h, skew, flips) => {
        const nodes = [
          node('a', 0, 0),
          node('b', w, 0),
          node('c', w + skew, h),
          node('d', skew, h),
        ];
        const ends: [string, string][] = [
          ['a', 'b'],
          ['b', 'c'],
          ['c', 'd'],
          ['d', 'a'],
        ];
        const s = site({
          nodes,
          runs: ends.map(([p, q], i) => (flips[i] ? run(`r${i}`, q, p) : run(`r${i}`, p, q))),
        });
        const around = 2 * w + 2 * Math.hypot(skew, h);
        const t = takeOff(s);
        expect(t.totals.concreteM3).toBeCloseTo(around * 0.6 * 0.3, 6);
        expect(t.totals.formM2).toBeCloseTo(around * 2 * 0.3, 5);
      },
    ),
    { numRuns: 60 },
  );
});

describe('what meets what', () => {
  test('two runs that go straight on are cut square, with the wider one’s shoulders formed', () => {
    const t = takeOff(
      site({
        nodes: [node('a', 0, 0), node('b', 4, 0), node('c', 10, 0)],
        runs: [run('r1', 'a', 'b'), run('r2', 'b', 'c', { type: 'B' })],
      }),
    );
    expect(t.elements.map((e) => e.concreteM3)).toEqual([
      expect.closeTo(4 * 0.6 * 0.3, 9),
      expect.closeTo(6 * 0.8 * 0.3, 9),
    ]);
    // Sides, two free ends, and 0.1 m of shoulder on either side.
    expect(t.totals.formM2).toBeCloseTo((8 + 12 + 0.6 + 0.8 + 0.2) * 0.3, 9);
  });

  test('a pad over the end of a run counts the shared concrete once, with the run', () => {
    const t = takeOff(
      site({
        nodes: [node('a', 0, 0), node('b', 5, 0)],
        runs: [run('r', 'a', 'b')],
        pads: [{ id: 'p', xM: 5, yM: 0, widthM: 1, lengthM: 1, depthM: 0.3, bottomM: 0 }],
      }),
    );
    expect(t.totals.footingM3).toBeCloseTo(5 * 0.6 * 0.3, 6);
    expect(t.totals.padM3).toBeCloseTo((1 - 0.5 * 0.6) * 0.3, 6);
  });

  test('an unformed footing asks for no forms', () => {
    const t = takeOff(
      site({
        nodes: [node('a', 0, 0), node('b', 5, 0)],
        runs: [run('r', 'a', 'b', { type: 'U' })],
      }),
    );
    expect(t.totals.formM2).toBe(0);
    expect(t.totals.concreteM3).toBeCloseTo(0.9, 9);
  });

  test('a run alone at its height ends square, though another meets its node lower down', () => {
    const t = takeOff(
      site({
        nodes: [node('a', 0, 0), node('b', 5, 0), node('c', 5, 5)],
        runs: [run('r1', 'a', 'b'), run('r2', 'b', 'c', { bottomM: -2 })],
      }),
    );
    expect(t.elements.map((e) => e.concreteM3)).toEqual([
      expect.closeTo(0.9, 9),
      expect.closeTo(0.9, 9),
    ]);
  });
});

test('the clinic’s basement ring: 128 ft round, and every outline runs anticlockwise with its own area', () => {
  const { site: clinic, pour } = demoPour('quillback', 'P1');
  const t = takeOff(clinic);
  const own = t.elements.filter((e) => pour.elements.includes(e.id));
  expect(own.reduce((s, e) => s + e.concreteM3, 0)).toBeCloseTo(128 * 2 * 0.3048 ** 3, 4);
  for (const o of outlinesOf(clinic)) expect(ringArea(o.ring)).toBeGreaterThan(0);
});

test.each([
  [{ runs: [run('r', 'a', 'x')] }, 'runs.0.to', /names node x/],
  [{ runs: [run('r', 'a', 'a')] }, 'runs.0.to', /no length/],
  [{ runs: [run('r', 'a', 'b'), run('r', 'b', 'a')] }, 'runs.1.id', /used twice/],
  [{ runs: [{ ...run('w', 'a', 'b'), kind: 'wall' }] }, 'runs.0.topM', /is missing/],
  [{ runs: [run('r', 'a', 'b', { topM: -1 })] }, 'runs.0.topM', /not above bottomM/],
  [
    { runs: [run('r', 'a', 'b', { crawl: { groundM: 1, joistsM: 1 } })] },
    'runs.0.crawl.joistsM',
    /not above groundM/,
  ],
  [
    {
      runs: [
        run('r', 'a', 'b', {
          openings: [{ kind: 'pocket', atM: 1, widthM: 1, sillM: 0, headM: 1 }],
        }),
      ],
    },
    'runs.0.openings.0.depthM',
    /pocket needs its depth/,
  ],
  [{ timeZone: 'Moon/Crater' }, 'timeZone', /not a time zone/],
])('a site with %j is refused at %s', (parts, path, message) => {
  const base = {
    format: 'jactum.site/1',
    name: 'T',
    units: 'metric',
    latitude: 47,
    longitude: 6,
    timeZone: 'Europe/Paris',
    ruleProfile: 'metric-en',
    footingTypes: [footing('A', 0.6)],
    nodes: [node('a', 0, 0), node('b', 5, 0)],
  };
  const parsed = sitePlanSchema.safeParse({ ...base, ...parts });
  const issue = parsed.error?.issues.find((i) => i.path.join('.') === path);
  expect(issue?.message).toMatch(message);
});

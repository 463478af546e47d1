import { describe, expect, test } from '@jest/globals';
import { ruledMix } from '../model/mix.ts';
import { rulesOf } from '../rules/rules.ts';
import { demoPour } from '../testdata/demo.ts';
import { job } from '../testdata/jobs.ts';
import { judgeReading } from './judge-reading.ts';
import { checkList, type CheckPoint } from './points/index.ts';
import { checkRules } from './rules.ts';

/** A limit as the standard has it: what lies on it is taken, what lies past it is not. */
type Job = Parameters<typeof checkList>[0];
const find = (of: Job, id: string): CheckPoint => {
  const found = checkList(of).find((p) => p.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const reads = (of: Job, id: string, mm: number) =>
  judgeReading(of.site, find(of, id), { type: 'length', mm }).verdict !== 'out';
const us = demoPour('quillback', 'P2');
const usFooting = demoPour('quillback', 'P1');
const L_RUNS = [
  { id: 'FA', kind: 'footing', type: 'F1', from: 'A', to: 'B', bottomM: -0.6 },
  { id: 'WA', kind: 'wall', type: 'W1', from: 'A', to: 'B', bottomM: -0.3, topM: 2.1 },
];
const metric = (elements: string[], more: object = {}) => job({ elements, runs: L_RUNS, ...more });

describe('sizes by EN 13670, straight between its sections', () => {
  const { wallThickness, footingWidth } = checkRules(metric(['WA']).site);
  test.each([
    [150, 10],
    [250, 12],
    [400, 15],
    [1450, 22.5],
    [2500, 30],
    [3000, 30],
  ])('%d mm is off by %d mm at most', (mm, off) => {
    expect(wallThickness(mm).minusMm).toBeCloseTo(off, 9);
    expect(footingWidth(mm)).toMatchObject({ minusMm: expect.closeTo(off, 9) as unknown });
  });
  test('what the site has set for itself rules', () => {
    const site = {
      ...metric(['WA']).site,
      ruleChanges: [
        { rule: 'thickWallMinus' as const, value: 4, by: 'A', at: '2026-09-22T10:00:00Z' },
      ],
    };
    expect(checkRules(site).wallThickness(250)).toMatchObject({ minusMm: 4, plusMm: 12 });
  });
});

describe('plumb by height', () => {
  test('0.3 % and 1 in at most by ACI; h/400 and 15 mm at least by EN', () => {
    const aci = checkRules(us.site).plumb;
    expect([aci(2438.4).plusMm, aci(10_000).plusMm]).toEqual([expect.closeTo(7.3152, 6), 25.4]);
    const en = checkRules(metric(['WA']).site).plumb;
    expect([en(2400).plusMm, en(8000).plusMm]).toEqual([15, 20]);
  });
});

describe('cover', () => {
  test('by EN it may be 15 mm more in a foundation, and not in a wall', () => {
    // 300 mm deep: 10 + 5·150/250 = 13, and 15 in a foundation.
    const f = metric(['FA']);
    expect([reads(f, 'FA/cover-bottom', 50 + 28), reads(f, 'FA/cover-bottom', 50 + 28.1)]).toEqual([
      true,
      false,
    ]);
    const w = metric(['WA']);
    expect([reads(w, 'WA/cover-inside', 35 + 12), reads(w, 'WA/cover-inside', 35 + 12.1)]).toEqual([
      true,
      false,
    ]);
  });
  test('at the sides of a footing more takes nothing from its depth', () => {
    expect(reads(usFooting, 'FN/cover-side', 127)).toBe(true);
  });
  test('a drawing that gives less than the code is asked about; 75 mm for 3 in is not', () => {
    const withBottom = (coverBottomMm: number) =>
      checkList({
        ...usFooting,
        site: {
          ...usFooting.site,
          footingTypes: usFooting.site.footingTypes.map((t) => ({ ...t, coverBottomMm })),
        },
      }).some((p) => p.kind === 'cover-asks');
    expect([withBottom(75), withBottom(70)]).toEqual([false, true]);
  });
});

describe('laps', () => {
  const lap = (of: Job, id: string) => {
    const { wanted } = find(of, id);
    if (wanted.type !== 'size') throw new Error('no lap');
    return wanted;
  };
  test('level bars of a wall have concrete below them: ψt 1.3', () => {
    // No. 4 at 4000 psi: 60000·1.3/(25·√4000)·0.5 = 24.67 in; class B 32.07.
    expect(lap(us, 'S/lap').wantedMm / 25.4).toBeCloseTo(32.066, 2);
  });
  test('may be short by 1 in; by EN by 6 in 100 and 20 mm at most', () => {
    expect(lap(us, 'S/lap').minusMm).toBe(25.4);
    const long = metric(['WA'], {
      nodes: [
        { id: 'A', xM: 0, yM: 0 },
        { id: 'B', xM: 16, yM: 0 },
      ],
    });
    expect(lap(long, 'WA/lap').minusMm).toBe(20);
    const { lapMinus } = checkRules(long.site);
    expect(lapMinus(250).minusMm).toBe(15);
  });
  test('starters stand out for the lap of what comes another day, and are not asked for today', () => {
    const both = metric(['FA', 'WA']);
    expect(checkList(both).some((p) => p.kind.startsWith('starters'))).toBe(false);
    const footing = metric(['FA']);
    const wanted = lap(footing, 'FA/starters-WA');
    // 12 mm, C30/37, good bond: fbd 3.04, lb 429, α6 1.5: 643 mm.
    expect(wanted.wantedMm).toBeCloseTo(643.3, 0);
    const at = wanted.wantedMm - wanted.minusMm;
    expect([
      reads(footing, 'FA/starters-WA', at),
      reads(footing, 'FA/starters-WA', at - 0.5),
    ]).toEqual([true, false]);
  });
  test('bars on top of a deep beam have a lap and a cover of their own', () => {
    const beam = (depthM: number) =>
      metric(['FA'], {
        nodes: [
          { id: 'A', xM: 0, yM: 0 },
          { id: 'B', xM: 16, yM: 0 },
        ],
        footingTypes: [
          {
            mark: 'F1',
            widthM: 0.6,
            depthM,
            continuous: { bar: '16mm', count: 4, topCount: 2 },
            transverse: null,
            coverBottomMm: 50,
            coverSideMm: 50,
            coverTopMm: 50,
          },
        ],
      });
    const low = lap(beam(0.29), 'FA/lap-top').wantedMm;
    expect(lap(beam(0.6), 'FA/lap-top').wantedMm / low).toBeCloseTo(1 / 0.7, 6);
    expect(lap(beam(0.6), 'FA/lap').wantedMm).toBeCloseTo(low, 6);
    expect(find(beam(0.6), 'FA/cover-top').wanted).toMatchObject({ specifiedMm: 50 });
  });
});

describe('anchors of a plate', () => {
  test('a drawing may ask for deeper bolts than the least, never for less', () => {
    const drawn = (embedmentMm: number) => {
      const site = {
        ...us.site,
        anchors: us.site.anchors.map((a) => (a.id === 'B-W-2' ? { ...a, embedmentMm } : a)),
      };
      const { wanted } = find({ ...us, site }, 'W/bolts');
      return wanted.type === 'bolts' && wanted.bolts.find((b) => b.id === 'B-W-2')?.depth?.leastMm;
    };
    expect([drawn(100), drawn(177.8), drawn(250)]).toEqual([177.8, 177.8, 250]);
  });
});

describe('what is looked at', () => {
  test('no grade of the ground: trench, room and height above it are asked for, not left out', () => {
    const site = { ...metric(['FA', 'WA']).site, ground: undefined };
    const kinds = checkList({ ...metric(['FA', 'WA']), site }).map((p) => p.id);
    expect(kinds).toEqual(expect.arrayContaining(['FA/trench', 'WA/room', 'WA/above-grade']));
  });
  test('steel: room between bars by the stone, grade by the rule', () => {
    const clear = (largestAggregateMm: number) =>
      find({ ...us, mix: { ...us.mix, largestAggregateMm } }, 'S/clear').advice;
    expect([clear(19.05), clear(38.1)]).toEqual([
      expect.stringMatching(/^At least 1 in /),
      expect.stringMatching(/^At least 2 in /),
    ]);
    expect(find(us, 'pour/grade').advice).toMatch(/^Grade 60 /);
    expect(find(metric(['WA']), 'pour/grade').advice).toMatch(/^B500 /);
  });
  test('nothing of a metric site comes from a US code', () => {
    const both = metric(['FA', 'WA'], { ground: { gradeM: 0, frostDepthM: 0.8 } });
    const said = checkList(both).map((p) => `${p.source} ${p.toleranceSource ?? ''}`);
    expect(said.filter((s) => /\b(ACI|IRC|ASTM|CFR)\b/.test(s))).toEqual([]);
    const { strengthPace: _, ...mix } = both.mix;
    expect(ruledMix(mix, rulesOf(both.site)).cylinderMPa).toBe(30);
  });
});

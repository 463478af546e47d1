import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../testdata/demo.ts';
import { footingUnder, footingTopM, piersOn, standsOn, wallsOn } from './standing.ts';
import { stepFlights } from './steps.ts';

const { site } = demoPour('quillback', 'P2');
const run = (id: string) => {
  const r = site.runs.find((x) => x.id === id);
  if (!r) throw new Error(id);
  return r;
};

describe('what stands on what', () => {
  test('two walls share the east footing, each its stretch, in order along it', () => {
    const on = wallsOn(site, run('FE'));
    expect(on.map((s) => s.wall.id)).toEqual(['E2', 'E1']);
    expect(on[0]).toMatchObject({ fromM: 0 });
    expect(on[0]?.toM).toBeCloseTo(10 * 0.3048, 6);
    expect(on[1]?.fromM).toBeCloseTo(10 * 0.3048, 6);
    expect(on[1]?.toM).toBeCloseTo(28 * 0.3048, 6);
  });
  test('a wall drawn the other way round stands there all the same', () => {
    expect(standsOn(site, run('TS1'), run('SS1'))).toMatchObject({ fromM: 0, wall: { id: 'TS1' } });
    expect(footingUnder(site, run('TE2'))?.id).toBe('SE2');
  });
  test('a wall off its level, off its line, or only touching an end does not', () => {
    const lifted = { ...run('N'), bottomM: footingTopM(site, run('FN')) + 0.1 };
    expect(standsOn(site, lifted, run('FN'))).toBeNull();
    expect(standsOn(site, run('N'), run('FS'))).toBeNull();
    expect(standsOn(site, run('W'), run('FN'))).toBeNull();
    expect(standsOn(site, run('FN'), run('N'))).toBeNull();
  });
  test('a pier stands on the pad below it', () => {
    const [pad] = site.pads;
    if (!pad) throw new Error('demo site');
    const pier = { id: 'PR1', xM: pad.xM + 0.1, yM: pad.yM, diameterM: 0.3, bottomM: 29, topM: 30 };
    expect(
      piersOn(
        { pads: site.pads, piers: [pier, { ...pier, id: 'PR2', xM: pad.xM + 5 }] },
        pad.id,
      ).map((p) => p.id),
    ).toEqual(['PR1']);
  });
});

describe('steps', () => {
  test('two flights of two steps of 2 ft; a footing that is only deeper is no step', () => {
    const p3 = demoPour('quillback', 'P3');
    const flights = stepFlights(p3.site, p3.pour.elements);
    expect(flights.map((f) => f.nodes.slice().sort())).toEqual([
      ['N4', 'N8'],
      ['W4', 'W8'],
    ]);
    for (const f of flights) expect(f.riseM).toBeCloseTo(0.6096, 6);
    expect(stepFlights(site, ['FN', 'FW', 'FS', 'FE'])).toEqual([]);
  });
});

import { describe, expect, test } from '@jest/globals';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { judgeReading } from './judge-reading.ts';
import { checkList } from './points/index.ts';

const uprights = (runs: object[]) => {
  const of = job({ elements: ['WA'], runs });
  const point = checkList(of).find((p) => p.kind === 'count-up');
  if (!point) throw new Error('the uprights are not counted');
  return { point, site: of.site };
};

describe('uprights counted from end to end', () => {
  // 7 m less 76 mm at either end, at most 200 mm apart: 35 spaces, 36 bars.
  const { point, site } = uprights(L_RUNS);
  test('each mat by itself', () => {
    expect(point.wanted).toEqual({ type: 'count', wanted: 36 });
    expect(point.places).toHaveLength(2);
  });
  test('one left out is out, one more is none too many', () => {
    const verdict = (count: number) => judgeReading(site, point, { type: 'count', count }).verdict;
    expect([35, 36, 37].map(verdict)).toEqual(['out', 'good', 'good']);
  });
  test('those that a window cuts do not count', () => {
    // 195.6 mm apart: from 2 m to 3 m fall the 11th to the 15th.
    const window = { kind: 'window', atM: 2, widthM: 1, sillM: 0.5, headM: 1.5 };
    const cut = uprights(L_RUNS.map((r) => (r.id === 'WA' ? { ...r, openings: [window] } : r)));
    expect(cut.point.wanted).toEqual({ type: 'count', wanted: 31 });
  });
  test('a wall shorter than one space has none to count', () => {
    const nodes = [
      { id: 'A', xM: 0, yM: 0 },
      { id: 'B', xM: 0.15, yM: 0 },
      { id: 'C', xM: 0.15, yM: 5 },
    ];
    const short = job({ elements: ['WA'], runs: L_RUNS, nodes });
    expect(checkList(short).some((p) => p.kind === 'count-up')).toBe(false);
  });
});

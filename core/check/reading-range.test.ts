import { describe, expect, test } from '@jest/globals';
import { meet } from '../model/ranges.ts';
import { demoPour } from '../testdata/demo.ts';
import { judgeReading } from './judge-reading.ts';
import { checkList } from './points/index.ts';
import { meetReading } from './reading-range.ts';
import { marginText } from './words.ts';

const p1 = demoPour('quillback', 'P1');
const point = (id: string) => {
  const found = checkList(p1).find((p) => p.id === id);
  if (!found) throw new Error(id);
  return found;
};
const inches = (x: number) => x * 25.4;

describe('a cover has a most', () => {
  // F2 is 12 in deep with 3 in wanted below: more than ½ in over it takes from its depth (ACI 318-19 table 26.6.2.1).
  const cover = point('FN/cover-bottom');
  test.each([
    [3, 'good', '1/2 in to spare'],
    [3.375, 'good', '7/8 in to spare'],
    [3.5, 'tight', 'on the limit'],
    [3.5625, 'out', '1/16 in over'],
    [6, 'out', '2 1/2 in over'],
  ])('%d in is %s, %s', (read, verdict, margin) => {
    const value = { type: 'length' as const, mm: inches(read) };
    const judged = judgeReading(p1.site, cover, value);
    expect(judged.verdict).toBe(verdict);
    expect(marginText(cover, value, judged, 'us')).toBe(margin);
  });
  test('what the member is not through cannot be read; what is unlikely is asked about', () => {
    expect(meetReading(cover.wanted, inches(3), 'us')).toEqual({ take: true });
    expect(meetReading(cover.wanted, inches(7), 'us')).toEqual({
      ask: '7 in? Say again: press Enter once more if it is so.',
    });
    expect(meetReading(cover.wanted, inches(999), 'us')).toEqual({
      refuse: '999 in cannot be: the member is 12 in through.',
    });
  });
});

describe('readings and measures of the plan', () => {
  test.each([
    ['FN/width', 24, 'take'],
    ['FN/width', 80, 'ask'],
    ['FN/width', 99_999_999, 'refuse'],
    ['FN/level', 0.5, 'take'],
    ['FN/level', 12, 'ask'],
    ['FN/level', 500, 'refuse'],
  ])('%s of %d in: %s', (id, read, how) => {
    expect(Object.keys(meetReading(point(id).wanted, inches(read), 'us'))).toEqual([how]);
  });
  test.each([
    ['runLength', 12, 'take'],
    ['runLength', 200, 'ask'],
    ['runLength', 99_999_999, 'refuse'],
    ['runLength', NaN, 'refuse'],
    ['footingDepth', 0.3, 'take'],
    ['wallHeight', 2840, 'refuse'],
    ['cover', 5, 'ask'],
  ] as const)('%s of %d: %s', (kind, value, how) => {
    expect(Object.keys(meet(kind, value, 'metric'))).toEqual([how]);
  });
  test('the question names the figure in the site’s units', () => {
    expect(meet('runLength', 3810 * 0.0762, 'us')).toEqual({
      ask: expect.stringMatching(/^952' 6"|^952 ft 6 in|^952\.5 ft\?/),
    });
  });
});

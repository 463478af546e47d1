import { describe, expect, test } from '@jest/globals';
import type { SitePlan } from '../model/site.ts';
import { demoPour } from '../testdata/demo.ts';
import { drainFalls, drainPoints } from './drains.ts';
import type { Levels } from './levels.ts';

/** A drain laid along a footing, as it was read with the rod. */
const base = demoPour('quillback', 'P1');
const { pour } = base;
const drain = { id: 'DR1', elementId: 'FN', kind: 'drain' as const, atM: 1, toM: 10 };
const site: SitePlan = { ...base.site, embeds: [...base.site.embeds, drain] };
const read = (levelsM: (number | undefined)[]): Levels => ({
  targets: [],
  setups: [],
  latest: new Map(),
  points: new Map(
    levelsM.flatMap((l, i) => (l === undefined ? [] : [[`DR1/invert/${i + 1}`, l] as const])),
  ),
  closes: null,
  misclosureMm: null,
});
const fall = (levelsM: (number | undefined)[]) => drainFalls(site, pour, read(levelsM), 0.01)[0];

describe('where a drain is read', () => {
  test('at both ends and between, no further apart than 6 m, along its run', () => {
    const points = drainPoints(site, pour);
    expect(points.map((p) => [p.id, p.atM])).toEqual([
      ['DR1/invert/1', 1],
      ['DR1/invert/2', 5.5],
      ['DR1/invert/3', 10],
    ]);
    const [a, b] = points;
    expect(Math.hypot((b?.xM ?? 0) - (a?.xM ?? 0), (b?.yM ?? 0) - (a?.yM ?? 0))).toBeCloseTo(
      4.5,
      9,
    );
  });
  test('not one of another pour, and not one without an end', () => {
    expect(drainPoints(site, { elements: ['N'] })).toEqual([]);
    expect(drainPoints({ ...site, embeds: [{ ...drain, toM: undefined }] }, pour)).toEqual([]);
  });
});

describe('how it falls', () => {
  const verdicts = (levelsM: (number | undefined)[]) =>
    fall(levelsM)?.inverts.map((i) => i.verdict);
  test('nothing is said of one invert', () => {
    expect(fall([28])).toMatchObject({
      inverts: [{ levelM: 28 }, { levelM: null }, { levelM: null }],
      result: null,
    });
    expect(verdicts([28])).toEqual(['unread', 'unread', 'unread']);
  });
  test('an invert is out when a stretch beside it is, whichever way the water runs', () => {
    expect(verdicts([28, 27.98, 27.88])).toEqual(['out', 'out', 'good']);
    expect(verdicts([27.88, 27.98, 28])).toEqual(['good', 'out', 'out']);
    expect(verdicts([28, undefined, 27.88])).toEqual(['good', 'unread', 'good']);
  });
  test('from its first end', () => {
    expect(fall([28, 27.94, 27.88])).toMatchObject({ backward: false, result: { ok: true } });
    expect(fall([28, 27.94, 27.88])?.result?.meanPitchRatio).toBeCloseTo(0.12 / 9, 9);
  });
  test('from its far end, when that is higher, with stations from there', () => {
    expect(fall([27.88, 27.94, 28])).toMatchObject({
      backward: true,
      input: {
        inverts: [
          { atM: 0, levelM: 28 },
          { atM: 4.5, levelM: 27.94 },
          { atM: 9, levelM: 27.88 },
        ],
      },
      result: { ok: true },
    });
  });
  test('a flat stretch and one that runs back are named, with how much is missing', () => {
    expect(fall([28, 27.98, 27.88])?.result?.spans.map((s) => s.verdict)).toEqual(['flat', 'ok']);
    expect(fall([28, 27.98, 27.88])?.result?.spans[0]?.raiseMm).toBeCloseTo(25, 6);
    expect(fall([28, 28.01, 27.88])?.result).toMatchObject({ ok: false, backAtM: [4.5] });
  });
  test('an invert left out joins the stretches beside it', () => {
    expect(fall([28, undefined, 27.88])?.result?.spans).toHaveLength(1);
  });
});

import { describe, expect, test } from '@jest/globals';
import { checkList } from '../check/points/index.ts';
import type { Pier } from '../model/site.ts';
import { planPour } from '../pourplan/plan.ts';
import { resultOf } from '../kit/calculation.ts';
import { tieLevels } from '../steel/pier-ties.ts';
import { rebarTakeoff } from '../steel/rebar-takeoff.ts';
import { levelTargets } from '../check/levels.ts';
import { demoPour } from '../testdata/demo.ts';
import { planDiff } from './changes.ts';
import { drawnOf, withDrawn } from './drawn.ts';
import { applyEdit } from './edit/apply.ts';
import { EditRefused } from './edit/acts.ts';

/**
 * A pier put on the plan goes all the way: into its pour, the take-off, the bars, the list, the
 * route and the log of changes.
 */
const { site, pour, mix, plant } = demoPour('quillback', 'P2');
const drawn = drawnOf(site, [pour]);
const steel: Pier['steel'] = {
  vertical: { bar: '#5', count: 4 },
  ties: { bar: '#3', spacingM: 0.2 },
  coverMm: 50,
};
const round: Pier = { id: 'PR1', xM: 30, yM: 5, diameterM: 0.4, bottomM: 28, topM: 29, steel };
const put = (item: Pier) => applyEdit(site, drawn, { do: 'put', list: 'piers', pour: 'P2', item });
const withPier = (item: Pier) => {
  const next = put(item);
  return {
    site: withDrawn(site, next),
    pour: { ...pour, elements: next.pours[0]?.elements ?? [] },
    mix,
  };
};
const rows = (item: Pier) =>
  resultOf(rebarTakeoff, { site: withPier(item).site }).rows.filter((r) => r.elementId === 'PR1');

describe('a pier', () => {
  test('belongs to the pour it was put in on, and says so', () => {
    expect(put(round).pours[0]?.elements.at(-1)).toBe('PR1');
    expect(planDiff(drawn, put(round), 'us')).toMatchObject({
      words: expect.arrayContaining(['PR1 added']),
      elements: ['PR1'],
    });
    expect(
      planDiff(
        put(round),
        applyEdit(site, put(round), { do: 'put', list: 'piers', item: { ...round, topM: 29.5 } }),
        'us',
      ),
    ).toEqual({ words: ['PR1 changed'], elements: ['PR1'] });
  });
  test('without a size, or upside down, is refused', () => {
    expect(() => put({ ...round, diameterM: undefined })).toThrow(EditRefused);
    expect(() => put({ ...round, topM: 28 })).toThrow('PR1 top is not above bottom.');
  });
  test('is placed on the route with its own volume', () => {
    const p = withPier(round);
    if (!plant) throw new Error('demo plant');
    const leg = planPour(p.site, p.pour, p.mix, plant, 1140).route.legs.find(
      (l) => l.elementId === 'PR1',
    );
    expect(leg).toMatchObject({ heightM: 1, bottomM: 28 });
    expect(leg?.volumeM3).toBeCloseTo(Math.PI * 0.04, 4);
  });
  test('is checked for its form, its cage and its cover', () => {
    const list = checkList(withPier(round)).filter((p) => p.elementId === 'PR1');
    expect(list.map((p) => p.kind)).toEqual([
      'seat',
      'trench',
      'width',
      'plumb',
      'level',
      'braced',
      'count-up',
      'size-up',
      'spacing-ties',
      'size-ties',
      'cover-side',
      'tied',
    ]);
    expect(list.find((p) => p.kind === 'width')?.wanted).toMatchObject({ wantedMm: 400 });
    expect(list.find((p) => p.kind === 'cover-side')).toMatchObject({
      wanted: { specifiedMm: 50, face: 'side', bar: '#3' },
      places: { length: 2 },
    });
    expect(
      checkList(withPier({ ...round, steel: undefined }))
        .filter((p) => p.elementId === 'PR1')
        .map((p) => p.kind),
    ).not.toContain('cover-side');
  });
  test('over a pad stands on concrete: no trench under it, no bottom to level', () => {
    const p = withPier(round);
    const over = {
      ...p,
      site: {
        ...p.site,
        pads: [{ id: 'F9', xM: 30.3, yM: 5, widthM: 1, lengthM: 1, bottomM: 27.7, depthM: 0.3 }],
      },
    };
    const levels = (at: typeof p) =>
      levelTargets(at.site, { elements: ['PR1'] }).map((t) => [t.what, t.wantedM]);
    expect(levels(p)).toEqual([
      ['top', 29],
      ['bottom', 28],
    ]);
    expect(levels(over)).toEqual([['top', 29]]);
    expect(
      checkList(over)
        .filter((x) => x.elementId === 'PR1')
        .map((x) => x.kind),
    ).not.toContain('trench');
    // What is looked at is a hole in the ground, or a pad with its bars.
    const seat = (at: typeof p) =>
      checkList(at).find((x) => x.elementId === 'PR1' && x.kind === 'seat')?.advice;
    expect(seat(p)).toMatch(/^A hole to its depth and width, dry/);
    expect(seat(over)).toMatch(/^Clean and sound; bars out of the footing/);
  });
  test('takes its uprights to below the top cover, and ties round them with their tails', () => {
    const [up, tie] = rows(round);
    expect(up).toMatchObject({ role: 'vertical', count: 4, hooks: 0 });
    expect(up?.lengthM).toBeCloseTo(0.95, 9);
    // 1 m less 2 × 76.2 mm at 0.2 m: six ties; each π·0.3 round, 0.15 lapped, and two tails of 75 mm.
    expect(tie).toMatchObject({ role: 'tie', count: 6 });
    const levels = tieLevels(round);
    expect([levels.length, levels[0], levels[5]]).toEqual([6, 0.0762, expect.closeTo(0.9238, 9)]);
    expect(tie?.lengthM).toBeCloseTo(Math.PI * 0.3 + 0.15 + 0.15, 9);
    const { diameterM: _, ...rest } = round;
    expect(rows({ ...rest, widthM: 0.4, lengthM: 0.6 })[1]?.lengthM).toBeCloseTo(
      2 * (0.3 + 0.5) + 0.15,
      9,
    );
  });
});

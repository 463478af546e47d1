import { describe, expect, test } from '@jest/globals';
import { padSchema, pierSchema } from '../model/site.ts';
import { demoPour } from '../testdata/demo.ts';
import {
  anchorAt,
  nextFootingType,
  nextWallType,
  openingAt,
  padAt,
  pierAt,
} from './first-sizes.ts';

const { site } = demoPour('quillback', 'P3');
const bare = { pads: [], piers: [] };
const spot = { xM: 40, yM: 40 };

describe('what is put in takes after the last of its kind', () => {
  test('a pad like the last, at its own spot and without its name; of a common size where there is none', () => {
    const last = site.pads.at(-1);
    expect(padAt(site, 'us', 'K9', spot, 0)).toMatchObject({
      id: 'K9',
      xM: 40,
      widthM: last?.widthM,
      depthM: last?.depthM,
      bottomM: last?.bottomM,
      label: undefined,
    });
    expect(padAt(bare, 'metric', 'K1', spot, 28.5)).toMatchObject({
      widthM: 0.9,
      depthM: 0.3,
      bottomM: 28.5,
    });
    expect(padSchema.safeParse(padAt(bare, 'us', 'K1', spot, 28.5)).success).toBe(true);
  });
  test('a pier stands on the pad below it, else on the level given, as high as the last', () => {
    const pad = padAt(bare, 'us', 'K1', spot, 28);
    const first = pierAt({ pads: [pad], piers: [] }, 'us', 'PR1', spot, 5);
    expect(first).toMatchObject({ bottomM: 28.3048, topM: 28.3048 + 0.9144, diameterM: 0.3048 });
    expect(pierSchema.safeParse(first).success).toBe(true);
    const next = pierAt(
      { pads: [pad], piers: [{ ...first, topM: first.bottomM + 2 }] },
      'us',
      'PR2',
      { xM: 0, yM: 0 },
      5,
    );
    expect([next.bottomM, next.topM]).toEqual([5, 7]);
  });
});

test('a first type is of bars that the site knows, a next one like the last', () => {
  expect(nextFootingType({ footingTypes: [] }, 'metric', 'F1')).toMatchObject({
    mark: 'F1',
    continuous: { bar: '16mm' },
  });
  expect(nextWallType({ wallTypes: [] }, 'us', 'W1')).toMatchObject({
    mark: 'W1',
    vertical: { bar: '#4' },
  });
  expect(nextFootingType(site, 'us', 'F9')).toEqual({ ...site.footingTypes.at(-1), mark: 'F9' });
});

test('an anchor takes after the last of its kind on the run, then on the plan', () => {
  const bolt = (id: string, elementId: string, diameterMm: number) => ({
    ...anchorAt({ anchors: [] }, 'us', 'bolt', id, elementId, 1),
    diameterMm,
  });
  const anchors = [bolt('B1', 'N', 12.7), bolt('B2', 'S', 19)];
  expect(anchorAt({ anchors }, 'us', 'bolt', 'B3', 'N', 2)).toMatchObject({
    id: 'B3',
    elementId: 'N',
    atM: 2,
    diameterMm: 12.7,
  });
  expect(anchorAt({ anchors }, 'us', 'bolt', 'B3', 'W', 2)).toMatchObject({
    elementId: 'W',
    diameterMm: 19,
  });
  expect(anchorAt({ anchors }, 'us', 'holdDown', 'HD1', 'N', 2)).toMatchObject({
    kind: 'holdDown',
    diameterMm: 15.875,
    wetSet: false,
  });
});

test.each([
  ['door', 3, { atM: 4.5, sillM: 0, headM: 2.1 }],
  ['door', 1.8, { sillM: 0, headM: 1.8 }],
  ['window', 3, { sillM: 1.5, headM: 2.1, widthM: 1 }],
  ['pocket', 3, { sillM: 2.75, headM: 3, depthM: 0.127 }],
  ['sleeve', 3, { sillM: 1.5, headM: 1.65 }],
] as const)('a %s in a wall of %s m starts whole within it', (kind, heightM, opening) => {
  expect(openingAt({ bottomM: 0, topM: heightM }, kind, 5)).toMatchObject(opening);
});

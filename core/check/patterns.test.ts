import { describe, expect, test } from '@jest/globals';
import type { Anchor } from '../model/objects.ts';
import { job } from '../testdata/jobs.ts';
import { tapedPairs } from './points/patterns.ts';
import { pointsOf } from './points/index.ts';

const bolt = (id: string, atM: number, acrossM: number, more: Partial<Anchor> = {}): Anchor => ({
  id,
  elementId: 'B1',
  atM,
  acrossM,
  kind: 'bolt',
  diameterMm: 19.05,
  embedmentMm: 300,
  projectionMm: 90,
  wetSet: false,
  ...more,
});
/** Ten inches square about (0.75, 0): sides 254 mm, diagonals 254 × √2 = 359.2. */
const SQUARE = [
  bolt('A1', 0.623, 0.127),
  bolt('A2', 0.877, 0.127),
  bolt('A3', 0.877, -0.127),
  bolt('A4', 0.623, -0.127),
];
const names = (bolts: Anchor[]) =>
  tapedPairs(bolts).map(({ a, b, mm }) => `${a.id}-${b.id} ${mm.toFixed(1)}`);

describe('what of a pattern is taped', () => {
  test('of four bolts both diagonals and a side each way', () => {
    expect(names(SQUARE)).toEqual(['A1-A3 359.2', 'A2-A4 359.2', 'A3-A4 254.0', 'A2-A3 254.0']);
  });
  test('of two the one distance, of three all; of eight round a mast two that cross and two chords', () => {
    expect(names(SQUARE.slice(0, 2))).toEqual(['A1-A2 254.0']);
    expect(names(SQUARE.slice(0, 3))).toHaveLength(3);
    const round = Array.from({ length: 8 }, (_, i) =>
      bolt(`R${i}`, 1 + 0.3 * Math.cos((i * Math.PI) / 4), 0.3 * Math.sin((i * Math.PI) / 4)),
    );
    const pairs = tapedPairs(round);
    expect(pairs.map((p) => Math.round(p.mm))).toEqual([600, 600, 230, 230]);
    const [one, two] = pairs;
    expect(new Set([one?.a.id, one?.b.id, two?.a.id, two?.b.id]).size).toBe(4);
  });
});

const pad = {
  id: 'B1',
  xM: 0,
  yM: 0,
  widthM: 1.5,
  lengthM: 1.5,
  depthM: 0.5,
  bottomM: 0,
};
const kinds = (anchors: Anchor[]) => {
  const { site, ...rest } = job({ pads: [pad], elements: ['B1'] });
  return pointsOf({ ...rest, site: { ...site, anchors } }, 'B1').filter((p) =>
    p.kind.startsWith('pattern'),
  );
};

describe('the bolts of a base before the gate', () => {
  test('are read square, on their lines and plumb, every top as well', () => {
    const points = kinds(SQUARE);
    expect(points.map((p) => [p.kind, p.places.length])).toEqual([
      ['pattern-1', 2],
      ['pattern-2', 2],
      ['pattern-lines', 2],
      ['pattern-plumb', 1],
    ]);
    expect(points[0]?.wanted).toMatchObject({ what: 'apart', minusMm: 3, plusMm: 3 });
    expect(points[2]?.wanted).toMatchObject({ wantedMm: 0, minusMm: 6.35 });
    // 90 mm of thread: 1 in 40 is 2.25 mm.
    expect(points[3]?.wanted).toMatchObject({ what: 'plumb', plusMm: 2.25 });
    const { site, ...rest } = job({ pads: [pad], elements: ['B1'] });
    const tops = pointsOf({ ...rest, site: { ...site, anchors: SQUARE } }, 'B1').find(
      (p) => p.kind === 'bolts-projection',
    );
    expect(tops?.places.map((p) => p.label)).toEqual(['A1', 'A2', 'A3', 'A4']);
  });
  test('are no pattern where they are pushed in, or there is one', () => {
    expect(kinds(SQUARE.map((b) => ({ ...b, wetSet: true })))).toEqual([]);
    expect(kinds(SQUARE.slice(0, 1))).toEqual([]);
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MADE_OF, type Sketch } from './drawn-shape.ts';
import { judgeSizes, judgeTyped, sizesWanted, type Sizes } from './given-figures.ts';
import { LENGTHS_TO, SHAPES, traceShape, WANTED } from './shapes.ts';
import { sketchFigures } from './sketch-figures.ts';
import { usualFooting, usualPad, usualWall } from './usual.ts';

const footing = usualFooting('metric-en', 'F1');
const wall = usualWall('metric-en', 'W1');
const pad = usualPad('metric-en');
/** Whatever a hand may leave in a field on its way to a figure. */
const anything = fc.option(
  fc.oneof(
    fc.double({ min: -1e7, max: 1e7, noNaN: true }),
    fc.constantFrom(0, 0.002, 0.05, 0.3, 1, 2.5, 12, 30, 299, 5001, Number.NaN, Infinity),
  ),
  { nil: null },
);
const given = (names: readonly string[]) =>
  fc.tuple(...names.map(() => anything)).map((values) => {
    const pairs = names.map((name, i) => [name, values[i]] as const);
    return Object.fromEntries(pairs.filter(([, v]) => v !== null)) as Record<string, number>;
  });
const SIZE_NAMES = [
  ...new Set(SHAPES.flatMap((s) => MADE_OF.flatMap((m) => sizesWanted(s, m)))),
].sort();

const sketchOf = (shape: Sketch['shape'], parts: Partial<Sketch>, sizes: Sizes): Sketch => ({
  shape,
  madeOf: 'both',
  to: 'middle',
  typed: {},
  ...parts,
  footing: {
    ...footing,
    widthM: sizes.footingWidthM ?? footing.widthM,
    depthM: sizes.footingDepthM ?? footing.depthM,
  },
  wall: { ...wall, thicknessM: sizes.wallThicknessM ?? wall.thicknessM },
  wallHeightM: sizes.wallHeightM ?? 2.4,
  pad: {
    ...pad,
    widthM: sizes.padWidthM ?? pad.widthM,
    lengthM: sizes.padLengthM ?? pad.lengthM,
    depthM: sizes.padDepthM ?? pad.depthM,
  },
});

describe('a sketch of figures that are being typed', () => {
  test('can always be drawn and worked out, whatever stands in its fields', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHAPES),
        fc.constantFrom(...MADE_OF),
        fc.constantFrom(...LENGTHS_TO),
        given(['N', 'E', 'E1', 'E2', 'S1', 'M', 'across', 'down', 'X', 'Y']),
        given(SIZE_NAMES),
        (shape, madeOf, to, typed, sizes) => {
          const can = judgeSizes(sizes, 'metric').can;
          const lengths = judgeTyped(shape, typed, 'metric').can;
          const figures = sketchFigures(sketchOf(shape, { madeOf, to, typed: lengths }, can));
          expect(Number.isFinite(figures.concreteM3)).toBe(true);
          expect(figures.concreteM3).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('half typed, a wall of 250 mm is one of 2: it is told off, and the rest is kept', () => {
    const { can, wrong } = judgeSizes({ wallThicknessM: 0.002, wallHeightM: 2.7 }, 'metric');
    expect(can).toEqual({ wallHeightM: 2.7 });
    expect(wrong).toEqual({
      wallThicknessM: expect.stringMatching(/cannot be: a wall’s thickness is from/),
    });
    expect(judgeSizes({ footingWidthM: 0.0508 }, 'us').wrong.footingWidthM).toMatch(/^2 in cannot/);
  });

  test('lengths are judged as lengths, counts where they are counted', () => {
    const { can, wrong } = judgeTyped('pads', { across: 400, X: 400, down: 2 }, 'metric');
    expect(can).toEqual({ across: 400, down: 2 });
    expect(Object.keys(wrong)).toEqual(['X']);
    expect(traceShape('pads', { across: 2.5, down: 40 }, 0.6, 'middle').wrong).toEqual({
      across: 'must be a whole number',
      down: 'must be 30 or fewer',
    });
  });

  test('a side with nothing left between its ends is not drawn, and says so', () => {
    const ring = traceShape('ring', { N: 1.1, E: 5 }, 0.6, 'outside');
    // 1.1 outside is 0.5 between the middles of two footings of 0.6.
    expect(ring.wrong).toEqual({ N: 'is too short: nothing is left between its ends' });
    expect(ring.whole).toBe(false);
    expect(ring.sides.find((s) => s.id === 'N')?.known).toBe(false);
    expect(traceShape('ring', { N: 1.1, E: 5 }, 0.6, 'inside')).toMatchObject({
      wrong: {},
      whole: true,
    });
    // A piece by itself has nothing across its ends.
    expect(traceShape('piece', { N: 0.4 }, 0.6, 'middle').wrong).toEqual({});
  });

  test('a middle strip that lies on a side is drawn between them until it is put right', () => {
    const strips = traceShape('strips', { N: 9, E: 6, M: 9 }, 0.6, 'middle');
    expect(strips.wrong).toEqual({ M: 'is not between the west and the east side' });
    expect(strips.nodes.find((n) => n.id === 'A2')?.xM).toBe(4.5);
    expect(strips.whole).toBe(false);
  });

  test('each shape wants sizes of what it is made of, and of nothing else', () => {
    expect(sizesWanted('ring', 'wall')).toEqual(['wallThicknessM', 'wallHeightM']);
    expect(sizesWanted('beam', 'wall')).toEqual(['footingWidthM', 'footingDepthM']);
    expect(sizesWanted('pads', 'both')).toEqual(['padWidthM', 'padLengthM', 'padDepthM']);
    expect(sizesWanted('ell', 'both')).toHaveLength(4);
    expect(Object.keys(WANTED)).toEqual([...SHAPES]);
  });
});

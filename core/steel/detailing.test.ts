import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { bar } from './bar.ts';
import { BAR_NAMES, barNamed } from '../model/bars.ts';
import { hook } from './hook.ts';
import { minCover } from './min-cover.ts';
import { vertLayout } from './vert-layout.ts';

describe('hooks', () => {
  test.each([
    ['#5', 6],
    ['#8', 6],
    ['#9', 8],
    ['#11', 8],
    ['#14', 10],
    ['16mm', 6],
    ['25mm', 6],
    ['28mm', 8],
    ['40mm', 10],
    ['25M', 6],
    ['35M', 8],
  ])('%s is bent over %i of its diameters', (name, n) => {
    const db = barNamed(name).diameterMm;
    const out = resultOf(hook, { bar: name });
    expect(out.bendDiameterMm).toBeCloseTo(n * db, 9);
    expect(out.extensionMm).toBeCloseTo(12 * db, 9);
    expect(out.legMm).toBeCloseTo(12 * db + (n / 2 + 1) * db, 9);
  });
  test('a bar nobody makes is refused by name', () => {
    expect(() => resultOf(bar, { bar: '#12' })).toThrow(/bar is not a bar the table knows/);
  });
});

describe('least cover', () => {
  const us = (exposure: 'ground' | 'weather' | 'indoors', name: string) =>
    resultOf(minCover, { profile: 'us-aci', exposure, bar: name }).minCoverMm / 25.4;
  test.each([
    ['ground', '#3', 3],
    ['ground', '#11', 3],
    ['weather', '#5', 1.5],
    ['weather', '#6', 2],
    ['weather', '16mm', 1.5],
    ['weather', '20mm', 2],
    ['indoors', '#11', 0.75],
    ['indoors', '#14', 1.5],
    ['indoors', '40mm', 1.5],
  ] as const)('%s %s: %d in', (exposure, name, inches) => {
    expect(us(exposure, name)).toBeCloseTo(inches, 9);
  });
  test('a thicker bar never needs less, and ground never less than weather, weather never less than indoors', () => {
    const sorted = [...BAR_NAMES].sort((a, b) => barNamed(a).diameterMm - barNamed(b).diameterMm);
    for (const exposure of ['ground', 'weather', 'indoors'] as const)
      sorted.slice(1).forEach((name, i) => {
        expect(us(exposure, name)).toBeGreaterThanOrEqual(us(exposure, sorted[i] as string));
      });
    for (const name of sorted)
      expect(
        us('ground', name) >= us('weather', name) && us('weather', name) >= us('indoors', name),
      ).toBe(true);
  });
  test('metric takes the drawing’s cover where soil and blinding do not rule, and says when it is missing', () => {
    expect(
      resultOf(minCover, { profile: 'metric-en', exposure: 'ground', bar: '16mm' }).minCoverMm,
    ).toBe(75);
    expect(
      resultOf(minCover, { profile: 'metric-en', exposure: 'weather', bar: '16mm', nominalMm: 45 })
        .minCoverMm,
    ).toBe(45);
    expect(() =>
      resultOf(minCover, { profile: 'metric-en', exposure: 'indoors', bar: '16mm' }),
    ).toThrow(/nominalMm is missing/);
    expect(() =>
      resultOf(minCover, { profile: 'us-aci', exposure: 'blinding', bar: '#5' }),
    ).toThrow(/exposure blinding is known to metric-en only/);
  });
});

describe('uprights', () => {
  const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  test('no gap in a plain wall is wider than the spacing, and one bar fewer would leave one', () => {
    fc.assert(
      fc.property(between(1, 30), between(0.1, 0.6), (lengthM, spacingM) => {
        const { positionsM, spacingM: apart } = resultOf(vertLayout, { lengthM, spacingM });
        expect(positionsM[0]).toBeCloseTo(0.0762, 9);
        expect(positionsM.at(-1)).toBeCloseTo(lengthM - 0.0762, 9);
        expect(apart).toBeLessThanOrEqual(spacingM * (1 + 1e-6));
        if (positionsM.length > 2)
          expect((lengthM - 2 * 0.0762) / (positionsM.length - 2)).toBeGreaterThan(
            spacingM * (1 - 1e-6),
          );
      }),
    );
  });
  test('nothing stands in an opening or its clearance; the extra bars stand beside it', () => {
    fc.assert(
      fc.property(
        between(0.5, 5),
        between(0.4, 2),
        fc.integer({ min: 1, max: 3 }),
        (fromM, width, extraEachSide) => {
          const out = resultOf(vertLayout, {
            lengthM: 9,
            spacingM: 0.3,
            openings: [{ fromM, toM: fromM + width }],
            extraEachSide,
          });
          for (const x of [...out.positionsM, ...out.extrasM])
            expect(x > fromM - 0.0508 + 1e-9 && x < fromM + width + 0.0508 - 1e-9).toBe(false);
          expect(out.extrasM.filter((x) => x < fromM)).toHaveLength(extraEachSide);
          expect(out.extrasM.filter((x) => x > fromM + width)).toHaveLength(extraEachSide);
          expect(out.count).toBe(out.positionsM.length + out.extrasM.length);
        },
      ),
    );
  });
  test('an opening at the end of a wall has extra bars on one side only; one that runs backward is bad input', () => {
    expect(
      resultOf(vertLayout, { lengthM: 4, spacingM: 0.3, openings: [{ fromM: 0, toM: 1 }] }).extrasM,
    ).toHaveLength(1);
    expect(() =>
      resultOf(vertLayout, { lengthM: 4, spacingM: 0.3, openings: [{ fromM: 2, toM: 1 }] }),
    ).toThrow(/openings.0.toM is not beyond fromM/);
    expect(evaluate(vertLayout, { lengthM: 4, spacingM: 0.3 }).steps.map((s) => s.symbol)).toEqual([
      'spaces',
      'apart',
      'bars',
    ]);
  });
});

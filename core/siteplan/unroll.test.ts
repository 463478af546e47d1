import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoPour } from '../testdata/demo.ts';
import { breakRows, unroll, unrolledRows, type Strip } from './unroll.ts';

const stripsOf = (site: Parameters<typeof demoPour>[0], code: string): Strip[] => {
  const p = demoPour(site, code);
  return unroll(p.site, p.pour.elements);
};
const names = (s: Strip | undefined) => s?.pieces.map((p) => p.run.id);

describe('walls rolled out', () => {
  test('a ring is one closed strip, seen from inside: what lies ahead lies to the left', () => {
    const strips = stripsOf('quillback', 'P2');
    expect(strips).toHaveLength(1);
    const [ring] = strips;
    expect(ring).toMatchObject({ closed: true });
    expect(ring?.lengthM).toBeCloseTo(2 * (36 + 28) * 0.3048, 6);
    // N goes from A3 to A1: seen from inside, A3 is at its right.
    const n = ring?.pieces.find((p) => p.run.id === 'N');
    expect(n).toMatchObject({ firstAtRight: true, left: 'A1', right: 'A3' });
  });
  test('neighbours share their node, and each begins where the one before ends', () => {
    for (const s of [...stripsOf('quillback', 'P2'), ...stripsOf('quillback', 'P3')])
      s.pieces.slice(1).forEach((p, i) => {
        const before = s.pieces[i];
        expect(before?.right).toBe(p.left);
        expect(p.atM).toBeCloseTo((before?.atM ?? 0) + (before?.lengthM ?? 0), 9);
      });
  });
  test('goes straight on where runs branch; the branch is a strip of its own, and every run is there once', () => {
    const { pour, site } = demoPour('quillback', 'P3');
    const strips = unroll(site, pour.elements);
    expect(strips.map((s) => s.pieces.length).sort()).toEqual([1, 10]);
    expect(names(strips.find((s) => s.pieces.length === 1))).toEqual(['SM']);
    const runs = pour.elements.filter((e) => site.runs.some((r) => r.id === e));
    expect(strips.flatMap((s) => s.pieces.map((p) => p.run.id)).sort()).toEqual([...runs].sort());
  });
  test('steps keep their levels', () => {
    const strip = stripsOf('quillback', 'P3').find((s) => s.pieces.length === 10);
    expect((strip?.topM ?? 0) - (strip?.bottomM ?? 0)).toBeGreaterThan(1.2);
    expect(strip?.pieces.find((p) => p.run.id === 'SN1')?.bottomM).toBe(27.6352);
  });
  test('pads alone give nothing', () => {
    const { site } = demoPour('quillback', 'P3');
    expect(unroll(site, ['K1', 'K2'])).toEqual([]);
  });
});

describe('rows', () => {
  const strips = stripsOf('quillback', 'P2');
  test('break at nodes only, none longer than asked where a run allows it', () => {
    const rows = breakRows(strips, 16);
    expect(rows.every((r) => r.lengthM <= 16 + 1e-9 || r.pieces.length === 1)).toBe(true);
    expect(rows.flatMap((r) => names(r) ?? [])).toEqual(names(strips[0]));
    expect(rows.every((r) => r.pieces[0]?.atM === 0 && !r.closed)).toBe(true);
  });
  test('fill the sheet at one scale both ways and never leave it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 1600 }),
        fc.integer({ min: 200, max: 1000 }),
        (width, height) => {
          const { rows, pxPerM } = unrolledRows(strips, width, height, 40);
          const high = rows.reduce((sum, r) => sum + (r.topM - r.bottomM) * pxPerM + 40, 0);
          return (
            rows.length > 0 &&
            high <= height + 1e-6 &&
            rows.every((r) => r.lengthM * pxPerM <= width + 1e-6)
          );
        },
      ),
      { numRuns: 60 },
    );
  });
  test('grow down the page before they get too small to read', () => {
    const { rows, pxPerM } = unrolledRows(strips, 340, 100, 40, 20);
    expect(pxPerM).toBeGreaterThanOrEqual(20);
    expect(rows.reduce((sum, r) => sum + (r.topM - r.bottomM) * pxPerM + 40, 0)).toBeGreaterThan(
      100,
    );
  });
});

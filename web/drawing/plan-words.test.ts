import { describe, expect, test } from '@jest/globals';
import type { SitePlan } from '../../core/model/site.ts';
import { outlinesOf } from '../../core/takeoff/outline.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import type { Box } from './free-spot.ts';
import { fitted, runsOnPaper } from './plan-paper.ts';
import { dimensionStrings } from './PlanDimensions.tsx';
import { planWords } from './plan-words.ts';

const SHEETS = [
  [768, 440],
  [768, 600],
  [1000, 700],
  [560, 380],
] as const;
const POURS = [
  ['quillback', 'P1'],
  ['quillback', 'P2'],
  ['quillback', 'P3'],
  ['quillback', 'P4'],
  ['kestrel', 'K1'],
] as const;
const pad = 70;

function drawn(site: SitePlan, elements: string[], width: number, height: number) {
  const mine = new Set(elements);
  const scale = fitted(
    outlinesOf(site)
      .filter((o) => mine.has(o.id))
      .flatMap((o) => o.ring),
    { width, height, pad, foot: 0, marginM: 0 },
  );
  const runs = runsOnPaper(site, mine, scale);
  const strings = dimensionStrings(site, elements, scale, { width, height, pad, close: false });
  const words = planWords(
    site,
    elements,
    scale,
    runs,
    {
      sheet: { x: 0, y: 0, w: width, h: height },
      taken: strings.flatMap((s) => [s.box, s.line]),
      written: [],
    },
    { labels: true, flags: true },
  );
  return { scale, runs, strings, words };
}
const apart = (a: Box, b: Box): boolean =>
  a.x >= b.x + b.w - 0.01 ||
  b.x >= a.x + a.w - 0.01 ||
  a.y >= b.y + b.h - 0.01 ||
  b.y >= a.y + a.h - 0.01;

describe.each(POURS)('the plan of %s %s', (file, code) => {
  const { site, pour } = demoPour(file, code);

  test.each(SHEETS)(
    'has no word on another, on a run or off the sheet, at %d × %d',
    (width, height) => {
      const { runs, strings, words } = drawn(site, pour.elements, width, height);
      const said: Box[] = [
        ...words.names,
        ...words.flags,
        ...words.steps.flatMap((s) => (s.words ? [s.words] : [])),
        ...strings.map((s) => s.box),
      ];
      expect(said.length).toBeGreaterThan(0);
      said.forEach((a, i) => {
        said.slice(i + 1).forEach((b) => {
          expect([a, b, apart(a, b)]).toEqual([a, b, true]);
        });
      });
      // What lies level or upright has a box of its own: names keep off it.
      for (const r of runs.filter(
        (x) => Math.min(Math.abs(x.along[0]), Math.abs(x.along[1])) < 0.02,
      )) {
        const body: Box = {
          x: Math.min(r.a[0], r.b[0]),
          y: Math.min(r.a[1], r.b[1]),
          w: Math.abs(r.a[0] - r.b[0]),
          h: Math.abs(r.a[1] - r.b[1]),
        };
        for (const n of words.names)
          expect([r.id, n.id, apart(n, body)]).toEqual([r.id, n.id, true]);
      }
      for (const b of words.names)
        expect(b.x >= 0 && b.y >= 0 && b.x + b.w <= width && b.y + b.h <= height).toBe(true);
    },
  );

  test('names every run that is long enough to be told', () => {
    const { runs, words } = drawn(site, pour.elements, 1000, 700);
    const named = words.names.map((n) => n.id);
    expect(
      runs
        .filter((r) => r.lengthPx >= 80)
        .map((r) => r.id)
        .filter((id) => !named.includes(id)),
    ).toEqual([]);
  });

  test('is to scale: as many pixels to the metre along as up, north up, the pour within its margins', () => {
    const { scale, runs } = drawn(site, pour.elements, 768, 440);
    expect(scale.x(1) - scale.x(0)).toBeCloseTo(scale.pxPerM, 9);
    expect(scale.y(0) - scale.y(1)).toBeCloseTo(scale.pxPerM, 9);
    for (const r of runs)
      for (const [x, y] of [r.a, r.b]) {
        expect(x).toBeGreaterThanOrEqual(pad - 0.01);
        expect(x).toBeLessThanOrEqual(768 - pad + 0.01);
        expect(y).toBeGreaterThanOrEqual(pad - 0.01);
        expect(y).toBeLessThanOrEqual(440 - pad + 0.01);
      }
    // What goes along a chain adds up to the whole.
    for (const r of runs)
      expect(r.lengthM).toBeCloseTo(Math.hypot(r.b[0] - r.a[0], r.b[1] - r.a[1]) / scale.pxPerM, 9);
  });
});

test('dimension strings of P2 go from grid line to grid line, and say the diagonals where they hold all of it', () => {
  const { site, pour } = demoPour('quillback', 'P2');
  expect(drawn(site, pour.elements, 768, 600).strings.map((s) => s.text)).toEqual([
    '36 ft 0 in',
    '10 ft 0 in',
    '18 ft 0 in',
    '36 ft 0 in, diagonals 45 ft 7 1/4 in',
    '28 ft 0 in',
  ]);
});

import { describe, expect, test } from '@jest/globals';
import { type PourDoc, pourDocSchema, sitePlanSchema } from '../model/index.ts';
import { demoSite } from '../testdata/demo.ts';
import { gateOf, usualSizes } from '../check/index.ts';
import { replay } from '../log/index.ts';
import { applyEdit, drawnOf, withDrawn } from '../siteplan/index.ts';
import { takeOffOf } from '../takeoff/index.ts';
import { M3_PER_YD3, M_PER_FT } from '../units/index.ts';
import { drawSketch, type Sketch } from './drawn-shape.ts';
import { type Lists, merged, mergeRows, offeredRows } from './merge.ts';
import { freeCode, newPour, offeredTitle, unpoured } from './new-pour.ts';
import { newSite, type SiteHead, siteHeadSchema } from './new-site.ts';
import { parsePlace, placeText } from './place.ts';
import { shifted } from './shift.ts';
import { sketchFigures } from './sketch-figures.ts';
import { splitPour } from './split-pour.ts';
import { traceShape } from './shapes.ts';
import { usualFooting, usualPad, usualWall } from './usual.ts';

const US: SiteHead = {
  name: 'Ostrander Stable',
  latitude: 44.9,
  longitude: -91.4,
  timeZone: 'America/Chicago',
  units: 'us',
  ruleProfile: 'us-aci',
};
const METRIC: SiteHead = {
  ...US,
  timeZone: 'Europe/Paris',
  units: 'metric',
  ruleProfile: 'metric-en',
};
const sketch = (over: Partial<Sketch>, profile: SiteHead['ruleProfile'] = 'us-aci'): Sketch => ({
  shape: 'ring',
  madeOf: 'footing',
  to: 'middle',
  typed: {},
  footing: usualFooting(profile, 'F1'),
  wall: usualWall(profile, 'W1'),
  wallHeightM: 2.4384,
  pad: usualPad(profile),
  ...over,
});
const ft = (n: number) => n * M_PER_FT;
const at = (nodes: { id: string; xM: number; yM: number }[], id: string) =>
  nodes.find((n) => n.id === id) ?? { xM: NaN, yM: NaN };

describe('a first plan by lengths off a tape', () => {
  test('a ring of 36 by 28 ft on 24 × 12 in takes 9.5 yd³, corners counted once', () => {
    const site = newSite(US, sketch({ typed: { N: ft(36), E: ft(28) } }));
    // 2 × (36 + 28) ft of middle line × 2 ft × 1 ft = 256 ft³ = 9.48 yd³
    expect(takeOffOf(site).totals.concreteM3 / M3_PER_YD3).toBeCloseTo(256 / 27, 3);
    expect(site.pours.map((p) => [p.code, p.title])).toEqual([['P1', 'Footings']]);
  });

  test('read to the outside it is a wall’s width less each way; to the inside more', () => {
    const walls = { madeOf: 'wall' as const, typed: { N: 10, E: 6 } };
    const of = (to: Sketch['to']) => {
      const { nodes } = drawSketch(sketch({ ...walls, to }, 'metric-en')).plan;
      return [at(nodes, 'A2').xM, -at(nodes, 'B1').yM];
    };
    expect(of('middle')).toEqual([10, 6]);
    expect(of('outside')).toEqual([9.75, 5.75]);
    expect(of('inside')).toEqual([10.25, 6.25]);
  });

  test('the outside of every wall is on its right: the area walked round is positive', () => {
    for (const [shape, typed] of [
      ['ring', { N: 10, E: 6 }],
      ['ell', { N: 10, E1: 4, S1: 4, E2: 3 }],
    ] as const) {
      const { nodes, sides } = traceShape(shape, typed, 0.2, 'middle');
      const twice = sides.reduce((sum, s) => {
        const [a, b] = [at(nodes, s.from), at(nodes, s.to)];
        return sum + a.xM * b.yM - b.xM * a.yM;
      }, 0);
      // Against the clock the inside lies on the left.
      expect(twice / 2).toBeCloseTo(shape === 'ring' ? 60 : 10 * 7 - 4 * 3, 9);
    }
  });

  test('an L read to the outside closes, and its concrete is that of its middle line', () => {
    // 12 × 9 outside, 5 in and 4 down at the inner corner; 250 mm walls 2.5 m high on no footing.
    const typed = { N: 12, E1: 5, S1: 5, E2: 4 };
    const site = newSite(
      METRIC,
      sketch({ shape: 'ell', madeOf: 'wall', to: 'outside', typed, wallHeightM: 2.5 }, 'metric-en'),
    );
    // Gross 12 × 5 + 7 × 4 = 88 m²; its ring of 0.25 m: perimeter 42 m × 0.25 − 0.25² × (5 out − 1 in) corners
    expect(takeOffOf(site).totals.wallM3 / 2.5).toBeCloseTo(42 * 0.25 - 4 * 0.0625, 6);
    expect(drawSketch(sketch({ shape: 'ell', typed: { ...typed, E2: null } })).traced.whole).toBe(
      false,
    );
  });

  test('walls on footings fall into two pours, the walls on the footings’ top', () => {
    const site = newSite(US, sketch({ madeOf: 'both', typed: { N: ft(20), E: ft(16) } }));
    expect(site.pours.map((p) => [p.code, p.title, p.mix, p.forms])).toEqual([
      ['P1', 'Footings', '3000', undefined],
      ['P2', 'Walls', '4000P', 'FORMS'],
    ]);
    const wall = site.runs.find((r) => r.id === 'N');
    const footing = site.runs.find((r) => r.id === 'FN');
    expect((footing?.bottomM ?? 0) + (site.footingTypes[0]?.depthM ?? 0)).toBeCloseTo(
      wall?.bottomM ?? 1,
      9,
    );
  });

  test('two bays: the middle strip counts between the others', () => {
    const { plan } = drawSketch(
      sketch({ shape: 'strips', typed: { N: 12, E: 8, M: 5 } }, 'metric-en'),
    );
    expect(plan.runs).toHaveLength(7);
    const site = newSite(
      METRIC,
      sketch({ shape: 'strips', typed: { N: 12, E: 8, M: 5 } }, 'metric-en'),
    );
    // Middle lines 2 × 12 + 2 × 8, and the middle strip 8 less half a width at each end; 0.6 × 0.3
    expect(takeOffOf(site).totals.concreteM3).toBeCloseTo((40 + 7.4) * 0.18, 6);
  });

  test('pads stand in rows; closer than they are wide is refused', () => {
    const typed = { across: 3, X: ft(8), down: 2, Y: ft(10) };
    const site = newSite(US, sketch({ shape: 'pads', typed }));
    expect(site.pads).toHaveLength(6);
    expect(takeOffOf(site).totals.padM3 / M3_PER_YD3).toBeCloseTo((6 * 9) / 27, 3);
    expect(site.pads.at(-1)).toMatchObject({ id: 'K6', xM: ft(16), yM: -ft(10) });
    const tight = traceShape('pads', { ...typed, X: 0.5 }, 0.9144, 'middle');
    expect(tight.wrong.X).toMatch(/overlap/);
    expect(tight.whole).toBe(false);
  });

  test('one length is enough for a first figure: its run is known, the rest is not', () => {
    const { known, plan } = drawSketch(sketch({ typed: { N: ft(36) } }));
    expect(known).toEqual(['N']);
    expect(plan.runs).toHaveLength(4);
    expect(drawSketch(sketch({})).known).toEqual([]);
  });

  test('whatever is sketched is a site that can be stored', () => {
    for (const profile of ['us-aci', 'metric-en'] as const)
      for (const shape of ['ring', 'ell', 'strips', 'pads', 'piece', 'beam'] as const) {
        const typed = { N: 9, E: 7, E1: 4, S1: 3, E2: 3, M: 4, across: 2, X: 2.5, down: 2, Y: 3 };
        const head = profile === 'us-aci' ? US : METRIC;
        const made = newSite(head, sketch({ shape, madeOf: 'both', typed }, profile));
        expect(sitePlanSchema.safeParse(made).error?.issues).toBeUndefined();
        expect(made.pours.map((p) => pourDocSchema.safeParse(p).success)).not.toContain(false);
        expect(made.pours.length).toBeGreaterThan(0);
      }
    expect(newSite(US, null)).toMatchObject({ runs: [], pours: [], mixes: [{ usual: true }, {}] });
  });

  test('a time zone that is none is refused at the head', () => {
    expect(siteHeadSchema.safeParse({ ...US, timeZone: 'Mars/Base' }).success).toBe(false);
  });
});

const quillback = demoSite('quillback');

describe('what a sketch comes to while it is typed', () => {
  test('each length adds its concrete; the ring closed has its diagonals', () => {
    const one = sketchFigures(sketch({ typed: { N: ft(36) } }));
    // One run of 36 ft by 2 ft by 1 ft
    expect(one.concreteM3 / M3_PER_YD3).toBeCloseTo(72 / 27, 4);
    expect([one.whole, one.diagonalM]).toEqual([false, null]);
    const both = sketchFigures(sketch({ typed: { N: ft(36), E: ft(28) } }));
    expect(both.after.map((a) => a.concreteM3 / M3_PER_YD3)).toEqual([
      expect.closeTo(72 / 27, 4),
      expect.closeTo(256 / 27, 4),
    ]);
    expect(both.after.map((a) => a.addedM3 / M3_PER_YD3)).toEqual([
      expect.closeTo(72 / 27, 4),
      expect.closeTo((256 - 72) / 27, 4),
    ]);
    expect(both.lengthM / M_PER_FT).toBeCloseTo(128, 3);
    expect((both.diagonalM ?? 0) / M_PER_FT).toBeCloseTo(Math.hypot(36, 28), 3);
    // Sides of the footing on both faces: 2 × 128 ft long, 1 ft high
    expect(both.formM2 / M_PER_FT ** 2).toBeCloseTo(256, 3);
    expect(sketchFigures(sketch({})).concreteM3).toBe(0);
  });
});

describe('where it is', () => {
  test.each([
    ['45.2, -92.6', 45.2, -92.6],
    ['45.2 N 92.6 W', 45.2, -92.6],
    ['45.2° N, 92.6° W', 45.2, -92.6],
    ['92.6 W 45.2 N', 45.2, -92.6],
    ['−33.9;18.4', -33.9, 18.4],
  ])('%s', (text, latitude, longitude) => {
    expect(parsePlace(text)).toEqual({ latitude, longitude });
  });
  test.each(['45.2', '95, 10', '45.2 N 190 E', 'Orrin Falls', ''])('%s is no place', (text) => {
    expect(parsePlace(text)).toBeNull();
  });
  test('is said back by its sides', () => {
    expect(placeText({ latitude: 45.2, longitude: -92.6 })).toBe('45.2 N 92.6 W');
  });
});

describe('sizes that are only usual', () => {
  const site = newSite(US, sketch({ madeOf: 'both', typed: { N: 6, E: 5 } }));
  const [footings, walls] = site.pours as [PourDoc, PourDoc];
  test('each pour is held by its own, forms where it has walls, until they are compared', () => {
    expect(usualSizes(site, footings).map((u) => u.mark)).toEqual(['F1']);
    expect(usualSizes(site, walls)).toEqual([
      { mark: 'W1', elementId: 'N' },
      { mark: 'FORMS', elementId: 'N' },
    ]);
    const rows = gateOf(site, footings, [], replay([])).rows;
    expect(rows.filter((r) => r.kind === 'usual').map((r) => r.ref)).toEqual(['F1']);
    const plan = applyEdit(site, drawnOf(site, site.pours), { do: 'confirm', marks: ['W1'] });
    expect(usualSizes(withDrawn(site, plan), walls).map((u) => u.mark)).toEqual(['FORMS']);
  });
  test('an element goes to another pour; the last one does not', () => {
    const plan = drawnOf(site, site.pours);
    const moved = applyEdit(site, plan, { do: 'moveToPour', ids: ['E'], pour: 'P1' });
    expect(moved.pours.map((p) => p.elements.length)).toEqual([5, 3]);
    const all = { do: 'moveToPour', ids: walls.elements, pour: 'P1' } as const;
    expect(() => applyEdit(site, plan, all)).toThrow(/all there is of P2/);
  });
});

describe('a new pour', () => {
  test('takes the first free code, a title from what it is, and what no pour has', () => {
    expect(freeCode(['P1', 'P3'])).toBe('P2');
    expect(offeredTitle(quillback, ['N', 'W'])).toBe('Walls');
    expect(offeredTitle(quillback, ['N', 'F1N', quillback.pads[0]?.id ?? ''])).toMatch(
      /wall and 1 pad$/i,
    );
    const left = unpoured(quillback, quillback.pours.slice(0, 1));
    expect(left).not.toEqual(expect.arrayContaining(quillback.pours[0]?.elements ?? []));
    const off = {
      ...(quillback.pours[0] as PourDoc),
      cancelled: { reason: 'x', by: 'x', at: '2026-01-01T00:00:00Z' },
    };
    expect(unpoured(quillback, [off])).toEqual(expect.arrayContaining(off.elements));
  });

  test('like another it keeps hold points and call-offs, and nothing of the other’s route', () => {
    const like = quillback.pours[1] as PourDoc;
    const made = newPour(quillback, ['P1', 'P2'], { elements: ['E1'], like });
    expect(made).toMatchObject({
      code: 'P3',
      holds: like.holds,
      callOff: like.callOff,
      date: null,
    });
    expect(made.settings).toMatchObject({ reverse: false, setUp: null, bulkheads: [], lifts: 3 });
    expect(() => newPour(quillback, [], { elements: [] })).toThrow(/nothing is chosen/);
  });
});

describe('a pour cut in two at a bulkhead', () => {
  const cut = (c: { element: string; atM?: number }) =>
    splitPour(quillback, quillback.pours, 'P2', c, 'P5');
  test('what lies after goes into the new pour; a run cut across is two', () => {
    const before = quillback.pours[1]?.elements ?? [];
    const { plan, pour } = cut({ element: before[1] ?? '', atM: 2 });
    const kept = plan.pours.find((p) => p.code === 'P2')?.elements ?? [];
    expect([...kept, ...pour.elements]).toHaveLength(before.length + 1);
    expect(kept).toEqual(before.slice(0, 2));
    expect(pour).toMatchObject({ code: 'P5', mix: '4000P', date: null });
    expect(plan.runs).toHaveLength(quillback.runs.length + 1);
  });
  test('nothing after it, not of the pour, a code that is taken: refused', () => {
    const last = quillback.pours[1]?.elements.at(-1) ?? '';
    expect(() => cut({ element: last })).toThrow(/Nothing of P2 lies after/);
    expect(() => cut({ element: 'FN' })).toThrow(/not in P2/);
    expect(() => splitPour(quillback, quillback.pours, 'P2', { element: 'N' }, 'P1')).toThrow(
      /taken/,
    );
  });
});

describe('lists of another site', () => {
  const mine = newSite(US, sketch({ typed: { N: 5, E: 5 } })) as unknown as Lists;
  const rows = mergeRows({ ...mine, mixers: [], crew: [] }, quillback);
  test('what is new and what stands over a usual figure is offered; the rest waits to be chosen', () => {
    expect(rows.find((r) => r.list === 'footingTypes' && r.key === 'F1')).toMatchObject({
      standing: 'other',
      onlyUsual: true,
    });
    expect(offeredRows(rows)).toEqual(
      expect.arrayContaining(['footingTypes F1', 'footingTypes F2', 'plants orrin']),
    );
    const again = mergeRows(quillback, quillback);
    expect(new Set(again.map((r) => r.standing))).toEqual(new Set(['same']));
    expect(offeredRows(again)).toEqual([]);
  });
  test('what is taken stands in the place of its namesake, the others stay', () => {
    const into = { ...mine, mixers: [], crew: [] };
    const out = merged(into, quillback, new Set(['footingTypes F1', 'mixes 4000P', 'prices']));
    expect(out.footingTypes?.map((t) => [t.mark, t.usual])).toEqual([['F1', undefined]]);
    expect(out.mixes?.map((m) => m.mark)).toEqual(['3000', '4000P']);
    expect(out.prices).toEqual(quillback.prices);
    expect(out.plants).toBeUndefined();
  });
});

test('made-up days are moved to today at the same time of day, over a change of summer time', () => {
  const moved = shifted(
    { date: '2026-09-23', at: '2026-09-23T11:40:00.000Z', body: { text: '2026 was dry', n: 3 } },
    60,
    'America/Chicago',
  );
  // 06:40 in the morning, in summer time before and in winter time after.
  expect(moved).toEqual({
    date: '2026-11-22',
    at: '2026-11-22T12:40:00.000Z',
    body: { text: '2026 was dry', n: 3 },
  });
});

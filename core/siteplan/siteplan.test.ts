import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { demoPour } from '../testdata/demo.ts';
import { sitePlanSchema } from '../model/site-check.ts';
import { takeOff } from '../takeoff/takeoff.ts';
import { diffText, planDiff } from './changes.ts';
import { drawnOf, drawnSchema, withDrawn, type Drawn } from './drawn.ts';
import { applyEdit } from './edit/apply.ts';
import { EditRefused, type PlanEdit } from './edit/acts.ts';
import { angleOf, lengthOf, nodeOf } from '../model/geometry.ts';
import { offersOf } from './offers.ts';
import { snapNode } from './snap.ts';

const { site } = demoPour('quillback', 'P2');
const pours = [
  demoPour('quillback', 'P1').pour,
  demoPour('quillback', 'P2').pour,
  demoPour('quillback', 'P4').pour,
];
const plan = drawnOf(site, pours);
const after = (edit: PlanEdit, from: Drawn = plan) => applyEdit(site, from, edit);
const run = (p: Drawn, id: string) => {
  const r = p.runs.find((x) => x.id === id);
  if (!r) throw new Error(id);
  return r;
};
const volume = (p: Drawn, ids: string[]) =>
  takeOff(withDrawn(site, p))
    .elements.filter((e) => ids.includes(e.id))
    .reduce((s, e) => s + e.concreteM3, 0);

test('a drawing taken out of a site and put back is the site', () => {
  expect(withDrawn(site, plan)).toEqual(site);
  expect(drawnSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan);
});

test('what costs are in is set for the site, said in the change, and refused where there is no such currency', () => {
  const next = after({ do: 'setCurrency', currency: 'CAD' });
  expect(withDrawn(site, next).currency).toBe('CAD');
  expect(planDiff(plan, next, 'us')).toEqual({ words: ['costs are in CAD'], elements: [] });
  expect(() => after({ do: 'setCurrency', currency: 'dollars' })).toThrow(EditRefused);
});

describe('lengths and angles are typed', () => {
  test('the far end moves along the line, and what is joined to it follows', () => {
    const next = after({ do: 'setLength', id: 'R', lengthM: 7 });
    expect(lengthOf(next, run(next, 'R'))).toBeCloseTo(7, 4);
    expect(angleOf(next, run(next, 'R'))).toBeCloseTo(angleOf(plan, run(plan, 'R')), 6);
    expect(lengthOf(next, run(next, 'RF1'))).toBeCloseTo(7, 4);
    expect(plan.nodes).toBe(drawnOf(site, pours).nodes);
  });
  test('an angle turns the run about its first end, length kept', () => {
    const next = after({ do: 'setAngle', id: 'R', angleDeg: 30 });
    expect(angleOf(next, run(next, 'R'))).toBeCloseTo(30, 3);
    expect(lengthOf(next, run(next, 'R'))).toBeCloseTo(lengthOf(plan, run(plan, 'R')), 3);
  });
  test.each([0, -1, NaN])('a length of %p is refused', (lengthM) => {
    expect(() => after({ do: 'setLength', id: 'R', lengthM })).toThrow(EditRefused);
  });
});

describe('openings stay in their wall', () => {
  const window = { kind: 'window' as const, atM: 50, widthM: 1, sillM: 1, headM: 2 };
  test('one put past the end stops at the end', () => {
    const next = after({ do: 'putOpening', id: 'E1', index: null, opening: window });
    expect(run(next, 'E1').openings[0]?.atM).toBeCloseTo(lengthOf(plan, run(plan, 'E1')) - 1, 4);
  });
  test('one over another, one wider than its wall, and a wall cut short of its opening are refused, in words', () => {
    expect(() =>
      after({ do: 'putOpening', id: 'N', index: null, opening: { ...window, atM: 3 } }),
    ).toThrow(/over the window V1/);
    expect(() =>
      after({ do: 'putOpening', id: 'E1', index: null, opening: { ...window, widthM: 30 } }),
    ).toThrow(/wider than E1/);
    expect(() => after({ do: 'moveNode', id: 'A1', to: { xM: 8, yM: 12.192 } })).toThrow(
      /window V1 would leave N/,
    );
  });
});

describe('splitting a run', () => {
  const next = after({ do: 'splitRun', id: 'N', atM: 5, type: 'W2T' });
  test('keeps its length, and sends what stands beyond with the new run at the same spot', () => {
    expect(lengthOf(next, run(next, 'N')) + lengthOf(next, run(next, 'N.1'))).toBeCloseTo(
      lengthOf(plan, run(plan, 'N')),
      4,
    );
    expect(run(next, 'N').openings.map((o) => o.mark)).toEqual(['V1']);
    expect(run(next, 'N.1').openings.map((o) => [o.mark, o.atM])).toEqual([
      ['BP1', 0.4864],
      ['V2', 2.62],
    ]);
    const bolts = (id: string) => next.anchors.filter((a) => a.elementId === id).length;
    expect(bolts('N') + bolts('N.1')).toBe(plan.anchors.filter((a) => a.elementId === 'N').length);
    expect(
      next.plates
        .filter((p) => p.elementId.startsWith('N'))
        .map((p) => [p.elementId, p.fromM, p.toM]),
    ).toEqual([
      ['N', 0, 5],
      ['N.1', 0, 5.9728],
    ]);
    expect(next.pours[1]?.elements).toEqual(['N', 'N.1', 'W', 'S', 'E2', 'E1']);
  });
  test('with the same type it changes no volume', () => {
    expect(volume(after({ do: 'splitRun', id: 'N', atM: 5 }), ['N', 'N.1'])).toBeCloseTo(
      volume(plan, ['N']),
      9,
    );
  });
  test('through an opening, or at an end, is refused', () => {
    expect(() => after({ do: 'splitRun', id: 'N', atM: 3 })).toThrow(
      /window V1 lies across the cut/,
    );
    expect(() => after({ do: 'splitRun', id: 'N', atM: 0 })).toThrow(/between its ends/);
  });
  test('anywhere between, keeps every object on the wall at its place on the ground', () => {
    const spotOf = (p: Drawn, elementId: string, atM: number) => {
      const r = run(p, elementId);
      const [a, b] = [nodeOf(p, r.from), nodeOf(p, r.to)];
      const t = atM / lengthOf(p, r);
      return [
        (a?.xM ?? 0) + ((b?.xM ?? 0) - (a?.xM ?? 0)) * t,
        (a?.yM ?? 0) + ((b?.yM ?? 0) - (a?.yM ?? 0)) * t,
      ];
    };
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 10.8, noNaN: true }), (atM) => {
        let cut: Drawn;
        try {
          cut = after({ do: 'splitRun', id: 'N', atM });
        } catch {
          return;
        }
        for (const a of plan.anchors.filter((x) => x.elementId === 'N')) {
          const now = cut.anchors.find((x) => x.id === a.id);
          const [x0 = 0, y0 = 0] = spotOf(plan, 'N', a.atM);
          const [x1 = 0, y1 = 0] = spotOf(cut, now?.elementId ?? '', now?.atM ?? 0);
          expect(Math.hypot(x1 - x0, y1 - y0)).toBeLessThan(3e-4);
        }
      }),
      { seed: 4, numRuns: 60 },
    );
  });
});

describe('runs, nodes and types', () => {
  test('a run is added between a node and a free spot, and belongs to the pour', () => {
    const next = after({
      do: 'addRun',
      kind: 'footing',
      type: 'F1',
      from: 'R1',
      to: { xM: 30, yM: 4.8768 },
      bottomM: 28.75,
      pour: 'P4',
    });
    const added = next.runs.at(-1);
    expect(added).toMatchObject({ kind: 'footing', type: 'F1', from: 'R1' });
    // No run is named like a type, no node like a crossing of grid lines.
    expect(site.footingTypes.map((t) => t.mark)).not.toContain(added?.id);
    expect(added?.to).toMatch(/^PT\d+$/);
    expect(next.pours[2]?.elements).toEqual(['R', added?.id]);
    expect(() =>
      after({
        do: 'addRun',
        kind: 'wall',
        type: 'F1',
        from: 'R1',
        to: { xM: 30, yM: 5 },
        bottomM: 0,
        topM: 2,
        pour: null,
      }),
    ).toThrow(/not a wall type/);
    expect(() =>
      after({
        do: 'addRun',
        kind: 'footing',
        type: 'F1',
        from: 'R1',
        to: 'R1',
        bottomM: 0,
        pour: null,
      }),
    ).toThrow(/two different ends/);
  });
  test('removing takes along what stood on it and nodes nobody needs, but never the last of a pour', () => {
    const next = after({ do: 'removeElement', id: 'W' });
    expect(next.anchors.some((a) => a.elementId === 'W')).toBe(false);
    expect(next.pours[1]?.elements).not.toContain('W');
    expect(() => after({ do: 'removeElement', id: 'R' })).toThrow(/all there is of P4/);
    const loose = after({ do: 'removeElement', id: 'RF1' });
    expect(nodeOf(loose, 'R1')).toBeDefined();
  });
  test('two nodes become one, unless that swallows a run', () => {
    const next = after({ do: 'joinNodes', id: 'A3e', into: 'A3' });
    expect(run(next, 'SN1').from).toBe('A3');
    expect(nodeOf(next, 'A3e')).toBeUndefined();
    expect(() => after({ do: 'joinNodes', id: 'B3', into: 'C3' })).toThrow(/E2 without length/);
  });
  test('a type in use is not removed, and a changed one is changed everywhere', () => {
    expect(() => after({ do: 'removeType', mark: 'F2' })).toThrow(/is F2/);
    const f2 = plan.footingTypes.find((t) => t.mark === 'F2');
    const wide = after({
      do: 'putType',
      list: 'footingTypes',
      type: { ...(f2 as NonNullable<typeof f2>), widthM: 0.762 },
    });
    expect(volume(wide, ['FN']) / volume(plan, ['FN'])).toBeCloseTo(1.25, 6);
  });
  test('an anchor past the end of its run, or on none, is refused', () => {
    const bolt = {
      id: 'X1',
      elementId: 'N',
      atM: 99,
      kind: 'bolt' as const,
      diameterMm: 12.7,
      embedmentMm: 180,
      projectionMm: 60,
      wetSet: false,
    };
    expect(() => after({ do: 'put', list: 'anchors', item: bolt })).toThrow(/past the end of N/);
    expect(() =>
      after({ do: 'put', list: 'anchors', item: { ...bolt, atM: 1, elementId: 'ghost' } }),
    ).toThrow(/not a run/);
    expect(
      after({ do: 'put', list: 'anchors', item: { ...bolt, atM: 1 } }).anchors.at(-1)?.id,
    ).toBe('X1');
  });
});

describe('what a change says', () => {
  const diff = (edit: PlanEdit) => planDiff(plan, after(edit), 'us');
  test('names the runs it bears on, and only those', () => {
    expect(diff({ do: 'setRun', id: 'R', change: { type: 'W2' } })).toEqual({
      words: ['R is now W2'],
      elements: ['R'],
    });
    expect(diff({ do: 'setRun', id: 'R', change: { crawl: { groundM: 0, joistsM: 1 } } })).toEqual({
      words: ['crawl space at R'],
      elements: ['R'],
    });
    expect(diff({ do: 'setLength', id: 'R', lengthM: 6.4008 })).toEqual({
      words: ['R is now 21 ft 0 in long', 'RF1 is now 21 ft 0 in long'].sort().reverse(),
      elements: ['RF1', 'R'],
    });
    expect(planDiff(plan, plan, 'us')).toEqual({ words: [], elements: [] });
  });
  test('a type changed bears on every run of that type', () => {
    const f2 = plan.footingTypes.find((t) => t.mark === 'F2');
    const d = diff({
      do: 'putType',
      list: 'footingTypes',
      type: { ...(f2 as NonNullable<typeof f2>), depthM: 0.33 },
    });
    // A thicker footing goes deeper: its top, and the wall on it, stay where they are.
    expect(d.words).toEqual([
      ...['FN', 'FW', 'FS', 'FE'].map((id) => `${id} bottom at 90.42 ft`),
      'SE2 bottom at 94.42 ft',
      'type F2 changed',
    ]);
    expect(d.elements.sort()).toEqual(['FE', 'FN', 'FS', 'FW', 'SE2']);
  });
  test('an opening or a bolt bears on its wall', () => {
    const [opening] = run(plan, 'N').openings;
    if (!opening) throw new Error('N has no opening');
    expect(diff({ do: 'removeOpening', id: 'N', seen: { index: 0, opening } })).toEqual({
      words: ['openings of N'],
      elements: ['N'],
    });
    expect(diff({ do: 'remove', list: 'anchors', id: 'B-N-1' }).elements).toEqual(['N']);
  });
  test('many changes are said short', () => {
    expect(diffText({ words: ['a', 'b', 'c', 'd', 'e'], elements: [] })).toBe('a, b, c and 2 more');
  });
});

describe('snapping', () => {
  const square = {
    nodes: [
      { id: 'A', xM: 0, yM: 0 },
      { id: 'B', xM: 5, yM: 0 },
      { id: 'C', xM: 5, yM: 4 },
    ],
    runs: [
      { from: 'A', to: 'B' },
      { from: 'B', to: 'C' },
    ],
  } as unknown as Pick<Drawn, 'nodes' | 'runs'>;
  test('catches another node first, then upright and level, then a round length', () => {
    expect(snapNode(square, 'C', { xM: 0.05, yM: 0.04 }, 0.1, 'metric')).toMatchObject({
      onto: 'A',
      xM: 0,
      yM: 0,
      caught: ['node'],
    });
    expect(snapNode(square, 'C', { xM: 5.06, yM: 3.217 }, 0.1, 'metric')).toMatchObject({
      onto: null,
      xM: 5,
      yM: 3.22,
      caught: ['upright', 'length'],
    });
    expect(snapNode(square, 'C', { xM: 0.06, yM: 3.5 }, 0.1, 'us').xM).toBe(0);
    expect(snapNode(square, 'C', { xM: 2.513, yM: 2.217 }, 0.05, 'us')).toMatchObject({
      xM: 2.513,
      yM: 2.217,
      caught: [],
    });
  });
});

describe('offers', () => {
  test('a wall without its footing is offered one; the basement walls have theirs', () => {
    expect(offersOf(plan, ['N', 'W', 'S', 'E1', 'E2'], 'P2')).toEqual([]);
    const bare = after({ do: 'removeElement', id: 'RF1' });
    const [offer] = offersOf(bare, ['R'], 'P4');
    expect(offer).toMatchObject({ elementId: 'R', text: 'R has no footing under it.' });
    const put = applyEdit(site, bare, (offer as NonNullable<typeof offer>).edit);
    expect(offersOf(put, ['R'], 'P4')).toEqual([]);
  });
});

test('any edit that is taken leaves a whole plan, and any that is not throws and changes nothing', () => {
  const before = JSON.stringify(plan);
  const edit: fc.Arbitrary<PlanEdit> = fc.oneof(
    fc.record({
      do: fc.constant('moveNode' as const),
      id: fc.constantFrom(...plan.nodes.map((x) => x.id)),
      to: fc.record({
        xM: fc.double({ min: -5, max: 40, noNaN: true }),
        yM: fc.double({ min: -5, max: 40, noNaN: true }),
      }),
    }),
    fc.record({
      do: fc.constant('splitRun' as const),
      id: fc.constantFrom(...plan.runs.map((x) => x.id)),
      atM: fc.double({ min: -1, max: 12, noNaN: true }),
    }),
    fc.record({
      do: fc.constant('removeElement' as const),
      id: fc.constantFrom(...plan.runs.map((x) => x.id)),
    }),
    fc.record({
      do: fc.constant('joinNodes' as const),
      id: fc.constantFrom(...plan.nodes.map((x) => x.id)),
      into: fc.constantFrom(...plan.nodes.map((x) => x.id)),
    }),
  );
  fc.assert(
    fc.property(edit, (e) => {
      try {
        expect(sitePlanSchema.safeParse(withDrawn(site, after(e))).success).toBe(true);
      } catch (x) {
        expect(x).toBeInstanceOf(EditRefused);
      }
      expect(JSON.stringify(plan)).toBe(before);
    }),
    { seed: 11, numRuns: 120 },
  );
});

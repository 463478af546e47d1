import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../testdata/demo.ts';
import { evaluate } from '../kit/calculation.ts';
import { pourSimulation } from './pour-simulation.ts';
import { planPour } from './plan.ts';
import { cellsOf } from './cells.ts';
import { routeOf } from './route.ts';

const plan = (file: 'quillback' | 'kestrel', code: string, change: object = {}) => {
  const d = demoPour(file, code);
  return planPour(
    d.site,
    { ...d.pour, settings: { ...d.pour.settings, ...change } },
    d.mix,
    d.plant,
    1190,
  );
};

describe('the route', () => {
  test.each([
    ['quillback', 'P1', true],
    ['quillback', 'P2', true],
    ['quillback', 'P3', false],
    ['kestrel', 'K1', true],
  ] as const)('%s %s goes end to end, and %s closes', (file, code, closed) => {
    const { site, pour } = demoPour(file, code);
    const route = routeOf(site, pour);
    expect(route.closed).toBe(closed);
    expect(route.legs.map((l) => l.elementId).sort()).toEqual([...pour.elements].sort());
    route.legs.slice(1).forEach((l, i) => {
      expect(l.fromM).toBeCloseTo((route.legs[i]?.fromM ?? 0) + (route.legs[i]?.lengthM ?? 0), 9);
    });
    expect(route.legs.reduce((s, l) => s + l.volumeM3, 0)).toBeCloseTo(route.volumeM3, 9);
  });

  test('neighbours on a ring share their node, whichever end it starts at and whichever way it runs', () => {
    const { site, pour } = demoPour('quillback', 'P1');
    for (const reverse of [false, true])
      for (let startAt = 0; startAt < 4; startAt += 1) {
        const { legs } = routeOf(site, {
          ...pour,
          settings: { ...pour.settings, startAt, reverse },
        });
        legs.slice(1).forEach((l, i) => {
          expect(l.startNode).toBe(legs[i]?.endNode);
        });
      }
  });

  test('cells carry all the concrete; upper lifts name the cell below, the ring’s end its beginning', () => {
    const { site, pour } = demoPour('quillback', 'P2');
    const route = routeOf(site, { ...pour, settings: { ...pour.settings, lifts: 3 } });
    const cells = cellsOf(route);
    expect(cells.reduce((s, c) => s + c.volumeM3, 0)).toBeCloseTo(route.volumeM3, 9);
    for (const c of cells)
      expect(c.below).toBe(c.lift === 0 ? undefined : c.id.replace(/\d+$/, String(c.lift - 1)));
    const first = cells.filter((c) => c.lift === 0);
    expect(first.at(-1)?.beside).toContain(first[0]?.id);
    expect(Math.max(...cells.map((c) => c.toM - c.fromM))).toBeLessThanOrEqual(3.048 + 1e-9);
  });
});

describe('the plan', () => {
  test('the loads carry the order, the timetable places neat and waste, nothing is short', () => {
    for (const [file, code] of [
      ['quillback', 'P1'],
      ['quillback', 'P2'],
      ['quillback', 'P3'],
      ['kestrel', 'K1'],
    ] as const) {
      const p = plan(file, code);
      expect(p.trucks.result.loads.reduce((s, l) => s + l.volumeM3, 0)).toBeCloseTo(p.orderedM3, 9);
      expect(p.timetable.shortM3).toBe(0);
      expect(p.placements.reduce((s, x) => s + x.volumeM3, 0)).toBeCloseTo(p.route.volumeM3, 6);
      for (const x of p.placements) {
        expect(x.toM).toBeGreaterThan(x.fromM - 1e-9);
        expect(x.toMin).toBeGreaterThan(x.fromMin);
      }
    }
  });

  test('more waste orders more, a faster crew is done sooner, an order of one’s own is kept', () => {
    const base = plan('quillback', 'P2');
    expect(plan('quillback', 'P2', { wasteRatio: 0.1 }).orderedM3).toBeGreaterThan(base.orderedM3);
    expect(plan('quillback', 'P2', { placingRateM3PerH: 30 }).timetable.finishMin).toBeLessThan(
      base.timetable.finishMin,
    );
    // In the steps of the plant, a quarter of a cubic yard, and not less than was asked for.
    const own = plan('quillback', 'P2', { orderM3: 31 }).orderedM3;
    expect(own).toBeGreaterThanOrEqual(31);
    expect(own).toBeLessThan(31 + 0.1912);
  });

  test('a short order runs short, and a slow one goes cold and says so', () => {
    expect(plan('quillback', 'P2', { orderM3: 20 }).timetable.shortM3).toBeGreaterThan(5);
    const slow = plan('quillback', 'P2', { placingRateM3PerH: 6 });
    expect(slow.timetable.seams.some((s) => s.verdict === 'cold')).toBe(true);
    expect(slow.knitMin).toBeCloseTo(71.3, 0);
  });

  test('the same seed gives the same mornings, another seed others', () => {
    const sim = { ...plan('quillback', 'P2').simulation, trials: 200 };
    const odds = (seed: number) => evaluate(pourSimulation, { ...sim, seed }).result.odds;
    expect(odds(3)).toEqual(odds(3));
    expect(odds(3).finishMin).not.toEqual(odds(4).finishMin);
  });
});

import { describe, expect, test } from '@jest/globals';
import { job, L_RUNS } from '../../../core/testdata/jobs.ts';
import { planPour } from '../../../core/pourplan/plan.ts';
import { actualBars, liftNames, plannedBars } from './bars.ts';
import { marchAxis, marchOf, type MarchProps } from './scales.ts';

/** Footings of an L with the walls on them in one pour: two lifts, the walls on the footings. */
const { site, pour, mix, plant } = job({ elements: ['FA', 'FB', 'WA', 'WB'], runs: L_RUNS });
const plan = planPour(site, pour, mix, plant, 1100);
const props: MarchProps = {
  width: 768,
  height: 600,
  plan,
  units: 'metric',
  maxAgeMin: 90,
  nowMin: null,
  weather: [],
};

describe('the passes of a plan', () => {
  test('cover the whole route once a lift, in the order of time', () => {
    const bars = plannedBars(plan);
    const lengthOf = (lift: number) =>
      bars.filter((b) => b.lift === lift).reduce((sum, b) => sum + b.x1 - b.x0, 0);
    expect(lengthOf(0)).toBeCloseTo(plan.route.lengthM, 6);
    for (const [i, b] of bars.entries()) {
      expect(b.t1).toBeGreaterThan(b.t0);
      expect(b.t0).toBeGreaterThanOrEqual((bars[i - 1]?.t1 ?? 0) - 1e-6);
    }
    // Something comes on the footings; nothing comes on the last lift of the walls.
    expect(bars[0]?.covered).toBe(true);
    expect(bars.at(-1)?.covered).toBe(false);
  });

  test('what was placed lies on its run; one still being filled ends where it began', () => {
    const at = { elementId: 'FB', lift: 0, loadId: null, open: true } as const;
    const placed = [{ ...at, fromRatio: 0.25, toRatio: 0.25, fromMs: 60_000, toMs: 120_000 }];
    const leg = plan.route.legs.find((l) => l.elementId === 'FB');
    if (!leg) throw new Error('no leg');
    const [bar] = actualBars(plan, placed, (ms) => ms / 60_000);
    const x = leg.fromM + leg.lengthM * 0.25;
    expect(bar).toMatchObject({ lift: 0, covered: true, x0: x, x1: x, t0: 1, t1: 2 });
  });

  test('lifts that begin within a line of each other share their words', () => {
    const bar = (lift: number, t0: number) => ({
      lift,
      t0,
      covered: false,
      x0: 0,
      x1: 1,
      t1: t0 + 1,
    });
    const names = (pxPerMin: number) =>
      liftNames([bar(0, 0), bar(0, 5), bar(1, 10), bar(2, 40)], (m) => m * pxPerMin).map(
        (n) => n.names,
      );
    expect(names(1)).toEqual([[1, 2], [3]]);
    expect(names(4)).toEqual([[1], [2], [3]]);
  });
});

describe('the scales of the march chart', () => {
  test('hold everything from the first batch to the last that has to be met', () => {
    const m = marchOf(props);
    if (!m) throw new Error('no chart');
    const batch = Math.min(...plan.simulation.loads.map((l) => l.batchMin));
    expect(m.t(batch)).toBeGreaterThanOrEqual(m.top);
    expect(m.t(plan.timetable.finishMin)).toBeLessThan(m.foot);
    expect([m.x(0), m.x(plan.route.lengthM)]).toEqual([m.x0, m.x1]);
    expect(m.near).toBe(false);
    // Ticks are far enough apart to be read.
    const gaps = m.ticks.slice(1).map((min, i) => m.t(min) - m.t(m.ticks[i] ?? 0));
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(30);
  });

  test('reach to the present where it is near, and no further', () => {
    const first = plan.timetable.placements[0]?.fromMin ?? 0;
    const soon = marchOf({ ...props, nowMin: first - 80 });
    expect(soon?.near).toBe(true);
    expect(soon?.t(first - 80)).toBeGreaterThanOrEqual(soon?.top ?? 0);
    expect(marchOf({ ...props, nowMin: first - 600 })?.near).toBe(false);
  });

  test('leave room for weather and loads, and give up where it is too small', () => {
    expect(marchOf({ ...props, width: 180 })).toBeNull();
    expect(marchAxis(390, 2).weatherW).toBe(0);
    const wide = marchAxis(1280, 12);
    expect(wide.x1 - wide.x0).toBeGreaterThan(900);
    expect(wide.loadsW).toBe(170);
  });
});

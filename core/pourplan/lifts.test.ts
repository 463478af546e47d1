import { describe, expect, test } from '@jest/globals';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { fewestLifts, highLifts, liftName, liftsOf, mostLifts } from './lifts.ts';
import { filledShare, stopHeights } from './filled-to.ts';
import { planPour } from './plan.ts';
import { routeOf } from './route.ts';
import { simulationInput } from './simulation-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';
import { trialsOf } from './trials.ts';

const FOAM = { mark: 'A', ratingKPa: 30, greatestLiftM: 1.2, panelWidthM: 0.6, tiesPerJoint: 2 };
const withForms = (settings: object, forms: object = FOAM) =>
  job({
    runs: L_RUNS,
    formSystems: [{ walers: 0, ...forms }],
    elements: ['FA', 'FB', 'WA', 'WB'],
    pour: { forms: 'A' },
    settings,
  });

describe('how many lifts', () => {
  test.each([
    [2.4, 1.2, 2],
    [2.41, 1.2, 3],
    [1.2, 1.2, 1],
    [0.3, 1.2, 1],
    [9, undefined, 1],
    [15, 0.3, 12],
  ])('a wall of %d m in forms of %p m a lift takes %d', (heightM, greatestM, lifts) => {
    expect(fewestLifts(heightM, greatestM)).toBe(lifts);
  });
  test('walls go by height and forms, what is told for walls rules them, what is told for one rules it', () => {
    const of = (settings: object) => {
      const { site, pour } = withForms(settings);
      return pour.elements.map((e) => liftsOf(site, pour, e));
    };
    expect(of({})).toEqual([1, 1, 2, 1]);
    expect(of({ lifts: 3 })).toEqual([1, 1, 3, 3]);
    expect(of({ lifts: 3, liftsByElement: { FA: 2, WB: 1 } })).toEqual([2, 1, 3, 1]);
  });
  test('a lift higher than the forms allow is named with what would do', () => {
    const { site, pour } = withForms({ lifts: 1 });
    expect(highLifts(site, pour, routeOf(site, pour))).toEqual([
      { elementId: 'WA', liftM: expect.closeTo(2.4, 9), greatestM: 1.2, wanted: 2 },
    ]);
    const free = withForms({ lifts: 1 }, { ...FOAM, greatestLiftM: undefined });
    expect(highLifts(free.site, free.pour, routeOf(free.site, free.pour))).toEqual([]);
  });
  test('only a run of several lifts is called by its lift', () => {
    const { site, pour } = withForms({});
    const route = routeOf(site, pour);
    expect([liftName(route, 'FA', 0), liftName(route, 'WA', 1), mostLifts(route)]).toEqual([
      'FA',
      'WA, lift 2',
      2,
    ]);
  });
});

describe('how far a lift came', () => {
  const { site, pour } = withForms({ liftTopsByElement: { WA: [0.6] } });
  const route = routeOf(site, pour);
  const at = (lift: number, to: Parameters<typeof filledShare>[3], courseM?: number) =>
    filledShare(route, 'WA', lift, to, courseM);
  test('is told by length, by height above the foot or by courses; nothing where that lies outside the lift', () => {
    const lengthM = route.legs.find((l) => l.elementId === 'WA')?.lengthM ?? 0;
    expect(at(0, { by: 'length', m: lengthM / 4 })).toBeCloseTo(0.25, 9);
    expect(at(0, { by: 'height', m: 0.3 })).toBeCloseTo(0.5, 6);
    // The second lift stands on 0.6 m and is 1.8 m high.
    expect(at(1, { by: 'height', m: 1.5 })).toBeCloseTo(0.5, 6);
    expect(at(1, { by: 'courses', count: 3 }, 0.4)).toBeCloseTo(1 / 3, 6);
    expect(at(1, { by: 'height', m: 0.5 })).toBeNull();
    expect(at(0, { by: 'height', m: 0.7 })).toBeNull();
    expect(at(0, { by: 'length', m: lengthM + 1 })).toBeNull();
    expect(at(0, { by: 'courses', count: 1 })).toBeNull();
    expect(at(2, { by: 'height', m: 2 })).toBeNull();
  });
  test('heights to stop at rise from the foot and stay under the top', () => {
    expect(stopHeights([0.6, 1.2], 2.4)).toEqual([0.6, 1.2]);
    for (const bad of [[1.2, 0.6], [0, 1], [2.4], [0.6, null]])
      expect(stopHeights(bad, 2.4)).toBeNull();
  });
});

describe('waiting and pressing', () => {
  const plan = (settings: object) => {
    const { site, pour, mix, plant } = withForms(settings);
    return planPour(site, pour, mix, plant, 1190);
  };
  test('a lift begins no sooner than the wait after the one below is full, in the timetable and in the trials', () => {
    const { simulation, timetable } = plan({ liftWaitMin: 45, placingRateM3PerH: 30 });
    const end = (id: string) => timetable.placements.filter((p) => p.cellId === id).at(-1)?.toMin;
    const start = (id: string) => timetable.placements.find((p) => p.cellId === id)?.fromMin ?? 0;
    for (const c of simulation.cells.filter((x) => x.below !== undefined))
      expect(start(c.id) - (end(c.below ?? '') ?? 0)).toBeGreaterThanOrEqual(45 - 1e-9);
    const still = (d: { medianMin: number }) => ({ medianMin: d.medianMin, p90Min: d.medianMin });
    const v = simulationInput.parse({
      ...simulation,
      loads: simulation.loads.map((l) => ({
        ...l,
        plantDelay: still(l.plantDelay),
        travel: still(l.travel),
      })),
    });
    const finish = new Float64Array(1);
    trialsOf(v).run(1, 1, finish);
    expect(finish[0]).toBeCloseTo(timetableOf(v, medianArrivals(v)).finishMin, 9);
    expect(plan({ placingRateM3PerH: 30 }).timetable.finishMin).toBeLessThan(timetable.finishMin);
  });
  test('the form of a wall holds nothing of the fresh footing below it', () => {
    const { timetable } = plan({ placingRateM3PerH: 30 });
    const head = (id: string) => timetable.cells.find((c) => c.id === id)?.freshHeadM;
    expect(head('WA.0.0')).toBeCloseTo(1.2, 9);
    // The second lift comes while the first is fresh: both press, the footing does not.
    expect(head('WA.0.1')).toBeCloseTo(2.4, 9);
  });
});

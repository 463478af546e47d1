import { describe, expect, test } from '@jest/globals';
import { evaluate } from '#core/kit';
import { job, L_RUNS, type JobParts } from '../testdata/jobs.ts';
import { anotherBulkhead, proposedBulkheads, stopEndsOf } from './bulkheads.ts';
import { cellsOf } from './cells.ts';
import { layings, twoFronts } from './lay.ts';
import { formM3, spareSpot } from './left-over.ts';
import { planPour } from './plan.ts';
import { pourSimulation } from './pour-simulation.ts';
import { movedLeg } from './moved-leg.ts';
import { routeOf } from './route.ts';
import { seamSaver } from './save-seam.ts';
import { wayNotes } from './way-notes.ts';

/** One long wall of 24 m, a window in its middle; metric. */
const LONG = {
  nodes: [
    { id: 'A', xM: 0, yM: 0 },
    { id: 'B', xM: 24, yM: 0 },
  ],
  runs: [
    {
      id: 'WL',
      kind: 'wall',
      type: 'W1',
      from: 'A',
      to: 'B',
      bottomM: 0,
      topM: 3,
      openings: [{ kind: 'window', atM: 11.6, widthM: 1.2, sillM: 1, headM: 2, mark: 'O1' }],
    },
  ],
};
/** Four walls in a line, so that a middle and two ends are there. */
const LINE = {
  nodes: ['A', 'B', 'C', 'D', 'E'].map((id, i) => ({ id, xM: i * 6, yM: i % 2 })),
  runs: ['AB', 'BC', 'CD', 'DE'].map(([from, to], i) => ({
    id: `W${i + 1}`,
    kind: 'wall',
    type: 'W1',
    from,
    to,
    bottomM: 0,
    topM: 2.4,
  })),
};
const long = (settings = {}) => job({ elements: ['WL'], ...LONG, settings });
const planOf = (parts: JobParts) => {
  const made = job(parts);
  return { ...made, plan: planPour(made.site, made.pour, made.mix, made.plant, 1140) };
};

describe('planned bulkheads', () => {
  test('all lifts up to one come before what lies beyond, and its joint is no seam', () => {
    const { site, pour } = long({ lifts: 2, bulkheads: [{ element: 'WL', share: 0.25 }] });
    const cells = cellsOf(routeOf(site, pour));
    // 6 m in two pieces, then 18 m in six: two lifts of the first part before any of the second.
    expect(cells.map((c) => c.id).slice(0, 5)).toEqual([
      'WL.0.0',
      'WL.1.0',
      'WL.0.1',
      'WL.1.1',
      'WL.2.0',
    ]);
    expect(cells.find((c) => c.id === 'WL.2.0')?.beside).toEqual([]);
    expect(cells.find((c) => c.id === 'WL.3.0')?.beside).toEqual(['WL.2.0']);
    expect(cells.find((c) => c.id === 'WL.2.1')?.below).toBe('WL.2.0');
    expect(cells[1]?.toM).toBeCloseTo(6, 9);
    const whole = routeOf(site, pour).volumeM3;
    expect(cells.reduce((s, c) => s + c.volumeM3, 0)).toBeCloseTo(whole, 9);
  });

  test('placed the other way round it stays where it is on the wall', () => {
    const { site, pour } = long({ turned: ['WL'], bulkheads: [{ element: 'WL', share: 0.25 }] });
    expect(routeOf(site, pour).legs[0]?.cuts).toEqual([0.75]);
  });

  test('one is proposed off the window in the middle, and the next one off that', () => {
    const { site, pour } = long();
    const route = routeOf(site, pour);
    const [half] = proposedBulkheads(site, route, 2);
    // 12 m would be in the window from 11.6 to 12.8: 0.6 m off it is 11.0 or 13.4.
    expect((half?.share ?? 0) * 24).toBeCloseTo(11, 6);
    const one = { ...pour, settings: { ...pour.settings, bulkheads: half ? [half] : [] } };
    const next = anotherBulkhead(site, routeOf(site, one), one.settings.bulkheads);
    expect(Math.abs(((next?.share ?? 0) - (half?.share ?? 0)) * 24)).toBeGreaterThan(1.8);
    expect(stopEndsOf(routeOf(site, one))).toBe(1);
  });

  test('where nothing else saves a long seam, bulkheads do', () => {
    // 18 m³ in two lifts at 4 m³ an hour: the second is on the first after more than two hours.
    const made = planOf({
      elements: ['WL'],
      ...LONG,
      settings: { lifts: 2, placingRateM3PerH: 4, ratingKPa: 60 },
    });
    const { site, pour, mix, plant, plan } = made;
    const saver = seamSaver(site, pour, mix, plant, 1140, plan);
    expect(saver?.how).toBe('bulkhead');
    const saved = { ...pour, settings: { ...pour.settings, ...saver?.change } };
    const seams = planPour(site, saved, mix, plant, 1140).timetable.seams;
    expect(seams.filter((s) => s.verdict === 'cold')).toEqual([]);
  });
});

describe('a leg that is moved', () => {
  test('goes where it is told, but for one that what carries it keeps where it is: that is said', () => {
    const { site, pour } = job({ elements: ['FA', 'FB', 'WA', 'WB'], runs: L_RUNS });
    expect(movedLeg(site, pour, 1, 0)).toEqual({
      change: { sequence: ['FB', 'FA', 'WA', 'WB'], startAt: 0, reverse: false },
    });
    expect(movedLeg(site, pour, 2, 1)).toMatchObject({ stays: expect.stringMatching(/^WA stays/) });
  });
});

describe('laid another way', () => {
  test('two fronts leave from the middle, a leg on either side in turn, each away from it', () => {
    const { site, pour } = job({ elements: ['W1', 'W2', 'W3', 'W4'], ...LINE });
    const change = twoFronts(site, pour);
    const route = routeOf(site, { ...pour, settings: { ...pour.settings, ...change } });
    expect(route.legs.map((l) => l.elementId)).toEqual(['W3', 'W2', 'W4', 'W1']);
    expect(route.legs.map((l) => l.startNode)).toEqual(['C', 'C', 'D', 'B']);
  });

  test('a ring has two fronts from each corner, and what stands is not proposed again', () => {
    const { site, pour, mix, plant } = job({ elements: ['WA', 'WB'], runs: L_RUNS });
    const ways = layings(site, pour, mix, plant, 1140);
    expect(new Set(ways.map((w) => w.how)).size).toBe(ways.length);
    for (const w of ways) {
      const changed = { ...pour, settings: { ...pour.settings, ...w.change } };
      const again = layings(site, changed, mix, plant, 1140);
      expect(again.map((a) => a.how)).not.toContain(w.how);
      expect(w.finishMin).toBeGreaterThan(pour.settings.firstLoadMin);
    }
    const ring = job({
      elements: ['W1', 'W2', 'W3'],
      nodes: LINE.nodes.slice(0, 2).concat([{ id: 'C', xM: 3, yM: 5 }]),
      runs: ['AB', 'BC', 'CA'].map(([from, to], i) => ({
        ...LINE.runs[0],
        id: `W${i + 1}`,
        from,
        to,
      })),
    });
    // A ring is filled both ways round from one corner, and closes on the far side.
    const change = twoFronts(ring.site, ring.pour, 1);
    const both = routeOf(ring.site, {
      ...ring.pour,
      settings: { ...ring.pour.settings, ...change },
    });
    expect(both.legs.map((l) => [l.elementId, l.startNode])).toEqual([
      ['W2', 'B'],
      ['W1', 'B'],
      ['W3', 'C'],
    ]);
  });
});

describe('along the way', () => {
  test('corners, windows and bulkheads are met in their order', () => {
    const { site, plan } = planOf({
      elements: ['WL'],
      ...LONG,
      settings: { lifts: 2, bulkheads: [{ element: 'WL', share: 0.25 }] },
    });
    const notes = wayNotes(site, plan);
    expect(notes.map((n) => n.kind)).toEqual(['bulkhead', 'opening']);
    expect(notes[0]?.atM).toBeCloseTo(6, 9);
    // Half of 3 m is more than four feet: it goes up there in two passes of 0.75 m.
    expect(notes[1]).toMatchObject({ mark: 'O1', liftM: 0.75, atM: 11.6, passes: 2 });
    const third = planOf({ elements: ['WL'], ...LONG, settings: { lifts: 3 } });
    expect(wayNotes(third.site, third.plan)[0]).toMatchObject({ liftM: 1, passes: 1 });
  });

  test('a tee says how long the branch waits', () => {
    const tee = {
      nodes: [
        { id: 'A', xM: 0, yM: 0 },
        { id: 'B', xM: 6, yM: 0 },
        { id: 'C', xM: 12, yM: 0 },
        { id: 'D', xM: 6, yM: 6 },
      ],
      runs: ['AB', 'BC', 'BD'].map(([from, to], i) => ({
        ...LINE.runs[0],
        id: `W${i + 1}`,
        from,
        to,
      })),
    };
    const { site, plan } = planOf({
      elements: ['W1', 'W2', 'W3'],
      ...tee,
      settings: { lifts: 1, placingRateM3PerH: 6 },
    });
    const note = wayNotes(site, plan).find((n) => n.kind === 'tee');
    // W2 lies between: 6 m of 2.4 by 0.25, 3.6 m³ and waste at 6 m³ an hour.
    expect(note?.kind === 'tee' && note.waitMin).toBeGreaterThan(34);
    expect(note?.kind === 'tee' && note.node).toBe('B');
  });
});

test('the form for what is left over: its volume, and a place off what is poured', () => {
  expect(formM3({ lengthM: 2, widthM: 0.5, depthM: 0.4 })).toBeCloseTo(0.4, 9);
  const { site, pour } = long();
  expect(spareSpot(site, pour)).toEqual({ xM: 3, yM: -3 });
});

describe('both sides of an opening', () => {
  const one = { elements: ['WL'], ...LONG };

  test('a lift over four feet stops half way up before it, and waits for its other side', () => {
    const { plan } = planOf({ ...one, settings: { lifts: 2 } });
    // 24 m are parted at the middle of the window, 12.2 m: five pieces of 2.44 m, then four of 2.95 m.
    const beside = plan.cells.filter((c) => c.lift === 0).map((c) => c.id);
    expect(beside.slice(3, 9)).toEqual([
      'WL.3.0',
      'WL.4.0',
      'WL.5.0',
      'WL.4.0.1',
      'WL.5.0.1',
      'WL.6.0',
    ]);
    const at = (id: string) => plan.cells.find((c) => c.id === id);
    expect(at('WL.4.0')?.toM).toBeCloseTo(12.2, 9);
    expect(at('WL.4.0.1')).toMatchObject({ below: 'WL.4.0', heightM: 0.75, bottomM: 0.75 });
    expect(at('WL.4.0.1')).toMatchObject({ goesOn: true, beside: ['WL.3.0'] });
    expect(at('WL.5.0.1')?.beside).toEqual(['WL.4.0.1']);
    expect(at('WL.6.0')?.beside).toEqual(['WL.5.0', 'WL.5.0.1']);
    // The lift above stands on the last pass. It ends at 3 m, above the head: from 1.5 m on only
    // half a metre is beside it.
    expect(at('WL.4.1')?.below).toBe('WL.4.0.1');
    expect(plan.cells.some((c) => c.lift === 1 && c.goesOn)).toBe(false);
    const whole = plan.cells.reduce((s, c) => s + c.volumeM3, 0);
    expect(whole).toBeCloseTo(plan.route.volumeM3, 9);
  });

  test('neither side ever stands more than four feet above the other, at whatever height and lift', () => {
    for (const lifts of [1, 2, 3])
      for (const topM of [2.2, 3, 4.4]) {
        const [run] = LONG.runs;
        const runs = [{ ...run, topM, openings: [{ ...run?.openings[0], sillM: 0, headM: 2 }] }];
        const { plan } = planOf({ ...one, runs, settings: { lifts } });
        const level = { before: 0, after: 0 };
        for (const c of plan.timetable.placements.map((p) =>
          plan.cells.find((x) => x.id === p.cellId),
        )) {
          if (!c || c.bottomM >= 2) continue;
          const top = Math.min(2, c.bottomM + c.heightM);
          if (Math.abs(c.toM - 12.2) < 1e-6) level.before = top;
          else if (Math.abs(c.fromM - 12.2) < 1e-6) level.after = top;
          else continue;
          expect(Math.abs(level.before - level.after)).toBeLessThanOrEqual(1.2192 + 1e-9);
        }
      }
  });

  test('the wait between lifts is not kept between passes, and the odds run over the same passes', () => {
    const { plan } = planOf({ ...one, settings: { lifts: 1, liftWaitMin: 40 } });
    const [pass] = plan.cells.filter((c) => c.goesOn);
    expect(pass).toBeDefined();
    const begun = (id: string | undefined) =>
      plan.timetable.placements.find((p) => p.cellId === id)?.fromMin ?? NaN;
    const other = plan.cells[plan.cells.findIndex((c) => c === pass) - 1];
    const otherEnd = plan.timetable.placements.findLast((p) => p.cellId === other?.id)?.toMin;
    // Straight after the other side: it waits for that, and for nothing else.
    expect(begun(pass?.id)).toBeCloseTo(otherEnd ?? NaN, 6);
    const exact = plan.simulation.loads.map((l) => ({
      ...l,
      plantDelay: { medianMin: l.plantDelay.medianMin, p90Min: l.plantDelay.medianMin },
      travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin },
    }));
    const { odds } = evaluate(pourSimulation, {
      ...plan.simulation,
      loads: exact,
      trials: 3,
    }).result;
    expect(odds.finishMin.p50).toBeCloseTo(plan.timetable.finishMin, 6);
  });
});

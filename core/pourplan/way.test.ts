import { describe, expect, test } from '@jest/globals';
import { job, L_RUNS, type JobParts } from '../testdata/jobs.ts';
import { anotherBulkhead, proposedBulkheads, stopEndsOf } from './bulkheads.ts';
import { cellsOf } from './cells.ts';
import { layings, twoFronts } from './lay.ts';
import { formM3, spareSpot } from './left-over.ts';
import { planPour } from './plan.ts';
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
  return { ...made, plan: planPour(made.site, made.pour, made.mix, made.plant, 1140, 1) };
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
      settings: { lifts: 2, placingRateM3PerH: 4, ratingKPa: 40 },
    });
    const { site, pour, mix, plant, plan } = made;
    const saver = seamSaver(site, pour, mix, plant, 1140, plan);
    expect(saver?.how).toBe('bulkhead');
    const saved = { ...pour, settings: { ...pour.settings, ...saver?.change } };
    const seams = planPour(site, saved, mix, plant, 1140, 1).timetable.seams;
    expect(seams.filter((s) => s.verdict === 'cold')).toEqual([]);
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

  test('a ring has no two fronts, and what stands is not proposed again', () => {
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
    expect(twoFronts(ring.site, ring.pour)).toBeNull();
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
    // Half of 3 m.
    expect(notes[1]).toMatchObject({ mark: 'O1', liftM: 1.5, atM: 11.6, even: false });
    const third = planOf({ elements: ['WL'], ...LONG, settings: { lifts: 3 } });
    expect(wayNotes(third.site, third.plan)[0]).toMatchObject({ liftM: 1, even: true });
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

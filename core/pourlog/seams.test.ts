import { entriesFrom } from '../testdata/entries.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { LogEvent } from '../log/events.ts';
import { planPour } from '../pourplan/plan.ts';
import type { RouteCell } from '../pourplan/cells.ts';
import { demoPour, type DemoPour } from '../testdata/demo.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { alarmsOf } from './alarms.ts';
import { loadsOf } from './loads.ts';
import { actualPlacements, faceKey, reckonedOn } from './placements.ts';
import { progressOf } from './progress.ts';
import { fillingsOf } from './fillings.ts';
import { openFaces } from './seams.ts';
import { replay } from '../log/state.ts';

const T0 = Date.parse('2026-10-07T00:00:00Z');
const { ms, entry } = entriesFrom(T0, 'P. Winder');
const stretch = (elementId: string, lift: number, from: number, to: number, filledRatio = 1) => [
  entry('place-start', { elementId, lift }, from),
  entry('place-stop', { elementId, lift, filledRatio }, to),
];

/** A pour planned, and where it stands when a log is heard up to a minute. */
function watch({ site, pour, mix, plant }: DemoPour, change: object = {}) {
  const set = { ...pour, settings: { ...pour.settings, ...change } };
  const plan = planPour(site, set, mix, plant, 1190);
  return {
    plan,
    see: (log: LogEvent[], minute: number) => {
      const state = replay(log.filter((e) => Date.parse(e.at) <= ms(minute)));
      const loads = loadsOf(state, plan.plannedLoads, mix, site.ruleProfile, ms(minute));
      const progress = progressOf(set, mix, plan.route, state, loads, ms(minute));
      return { progress, alarms: alarmsOf(set, mix, progress, loads, ms(minute)), state };
    },
  };
}

describe('seen on a pour day', () => {
  /** Two walls in a row, two lifts, 20 °C: stiff at 40 min, shut at 75. */
  const two = job({
    nodes: [
      { id: 'A', xM: 0, yM: 0 },
      { id: 'B', xM: 3, yM: 0 },
      { id: 'C', xM: 6, yM: 0 },
    ],
    runs: [
      { id: 'W1', kind: 'wall', type: 'W1', from: 'A', to: 'B', bottomM: 0, topM: 2.4 },
      { id: 'W2', kind: 'wall', type: 'W1', from: 'B', to: 'C', bottomM: 0, topM: 2.4 },
    ],
    elements: ['W1', 'W2'],
    settings: { lifts: 2 },
  });
  const log = [
    ...stretch('W1', 0, 590, 598),
    ...stretch('W2', 0, 598, 605),
    ...stretch('W1', 1, 614, 621, 0.7),
  ];
  const { see } = watch(two);

  test('the uncovered third of the first wall and the second wall shut before the last stop does', () => {
    const { seams } = see(log, 677).progress;
    // W2 lift 1 was begun at 598: its oldest bare face shuts at 673. W1 is bare from 70 % on, placed at 595.6.
    expect(seams.map((s) => [s.elementId, s.lift, s.kind, (s.shutsMs - T0) / 60_000])).toEqual([
      ['W1', 0, 'above', expect.closeTo(595.6 + 75, 6)],
      ['W2', 0, 'above', expect.closeTo(598 + 75, 6)],
      ['W1', 1, 'front', expect.closeTo(621 + 75, 6)],
    ]);
    expect(seams.map((s) => s.cold)).toEqual([true, true, false]);
    expect(see(log, 677).alarms.filter((a) => a.kind.startsWith('seam'))).toMatchObject([
      { kind: 'seamCold', elementId: 'W1', lift: 0 },
      { kind: 'seamCold', elementId: 'W2', lift: 0 },
    ]);
  });

  test('covered in time it has no clock any more, and the last lift has none above', () => {
    const done = [...log, ...stretch('W1', 1, 625, 628), ...stretch('W2', 1, 628, 636)];
    expect(see(done, 640).progress).toMatchObject({ seams: [], coldJoints: [] });
    expect(see(done, 900).progress.seams).toEqual([]);
  });

  test('covered too late it is kept as a cold joint with its gap', () => {
    const late = [...log, ...stretch('W1', 1, 625, 628), ...stretch('W2', 1, 690, 700)];
    expect(see(late, 700).progress.coldJoints).toEqual([
      // The face of the second wall's end was met when its own first lift was 92 minutes old.
      expect.objectContaining({ elementId: 'W2', lift: 0, kind: 'above', gapMin: 95 }),
    ]);
    expect(see(late, 700).progress.seams).toEqual([]);
  });

  test('under the hose the face is being covered, and met at the rate measured so far, until the stop says', () => {
    const under = [...log.slice(0, 4), entry('place-start', { elementId: 'W1', lift: 1 }, 614)];
    const face = (minute: number) =>
      see(under, minute).progress.faces.find(
        (f) => f.cell.elementId === 'W1' && f.kind === 'above',
      );
    // Lifts took 8 and 7 minutes: a lift each 7.5.
    expect(face(614)?.sinceMs).toBe(ms(590));
    expect(face(614 + 3.75)?.sinceMs).toBeCloseTo(ms(594), -2);
    expect(face(614 + 7.5)).toBeUndefined();
    expect(face(660)).toBeUndefined();
  });

  test('a face that was begun before it shut is being covered, not cold; what stops there is', () => {
    // W2 is filled slowly, so that its first lift, begun at 598, would shut at 673 under the hose.
    const over = [
      ...log,
      ...stretch('W1', 1, 625, 628),
      entry('place-start', { elementId: 'W2', lift: 1 }, 672.5),
    ];
    const on = (minute: number) =>
      see(over, minute).progress.faces.find((f) => f.cell.elementId === 'W2' && f.kind === 'above');
    expect(on(673.5)?.covering).toBe(true);
    expect(see(over, 674).alarms.map((a) => a.kind)).not.toContain('seamCold');
    const stopped = [
      ...over,
      entry('place-stop', { elementId: 'W2', lift: 1, filledRatio: 0.2 }, 675),
    ];
    expect(see(stopped, 676).alarms).toMatchObject([
      { kind: 'seamCold', elementId: 'W2', lift: 0 },
      ...Array.from({ length: see(stopped, 676).alarms.length - 1 }, () => ({})),
    ]);
  });

  test('a ring closed after 48 minutes and covered in time is not called cold', () => {
    const ring = demoPour('quillback', 'P1');
    const watched = watch(ring);
    const whole = watched.plan.route.legs.flatMap((l, i) =>
      stretch(l.elementId, 0, i * 12, i * 12 + 11),
    );
    expect(watched.see(whole, 60).progress.seams).toEqual([]);
    expect(watched.see(whole, 100)).toMatchObject({ progress: { seams: [], coldJoints: [] } });
    // Before the last run is begun its first face waits, and so does the ring's start.
    const open = watched.see(whole.slice(0, 6), 36).progress.seams;
    expect(open.map((s) => [s.kind, (s.sinceMs - T0) / 60_000])).toEqual([
      ['beside', expect.any(Number)],
      ['beside', 35],
    ]);
  });
});

describe('footing and wall in one pour', () => {
  const { plan, see } = watch(
    job({
      runs: L_RUNS,
      elements: ['WA', 'FA', 'FB', 'WB'],
      settings: { liftsByElement: { WA: 2 } },
    }),
  );
  test('footings are filled to their top before the walls on them, the high wall in two lifts, the low one in one', () => {
    const order = [...new Set(plan.cells.map((c) => faceKey(c.elementId, c.lift)))];
    expect(order).toEqual(['FA#0', 'FB#0', 'WA#0', 'WB#0', 'WA#1']);
    const low = plan.cells.find((c) => c.id === 'WA.0.0');
    expect(low).toMatchObject({
      below: 'FA.0.0',
      formFoot: true,
      heightM: expect.closeTo(1.2, 9),
      bottomM: 0.3,
    });
    // WB is drawn from C to B and placed from B: its first cell stands on the first of FB.
    expect(plan.cells.find((c) => c.id === 'WB.0.0')?.below).toBe('FB.0.0');
    expect(plan.cells.find((c) => c.id === 'WB.0.0')?.beside).toEqual(['WA.2.0']);
  });
  test('the footing’s top waits for its wall, and the wall cannot be begun before it', () => {
    const footings = [...stretch('FA', 0, 0, 12), ...stretch('FB', 0, 12, 20, 0.5)];
    const { progress } = see(footings, 20);
    expect(progress.startable).toEqual([
      { elementId: 'FB', lift: 0, ratio: 0.5 },
      { elementId: 'WA', lift: 0, ratio: 0 },
    ]);
    expect(progress.seams[0]).toMatchObject({
      elementId: 'FA',
      kind: 'above',
      metBy: { elementId: 'WA', lift: 0 },
      sinceMs: ms(0),
    });
  });
});

/** The timetable of a plan as it would have been logged: a start and a stop for every stretch. */
function logged(plan: ReturnType<typeof planPour>): LogEvent[] {
  const cell = new Map(plan.cells.map((c) => [c.id, c]));
  const done = new Map<string, number>();
  return plan.timetable.placements.flatMap((p) => {
    const c = cell.get(p.cellId) as RouteCell;
    const volume = plan.simulation.cells.find((x) => x.id === c.id)?.volumeM3 ?? 1;
    const share = Math.min(1, (done.get(c.id) ?? 0) + p.volumeM3 / volume);
    done.set(c.id, share);
    const filledRatio = Math.min(1, c.fromShare + (c.toShare - c.fromShare) * share);
    return stretch(c.elementId, c.lift, p.fromMin, p.toMin, filledRatio);
  });
}

/** As far from a start or stop as a moment is looked at, minutes. */
const CLEAR_MIN = 0.02;

describe('a simulated pour replayed as a log', () => {
  const high = L_RUNS.map((r) => (r.id === 'WB' ? { ...r, topM: 2.7 } : r));
  const jobs: [string, DemoPour][] = [
    ['a wall ring', demoPour('quillback', 'P2')],
    ['footings with steps', demoPour('quillback', 'P3')],
    ['a metric ring', demoPour('kestrel', 'K1')],
    ['an L of footings and walls', job({ runs: high, elements: ['FA', 'FB', 'WA', 'WB'] })],
  ];
  test.each(jobs)('%s has at every moment the seams of the simulation', (_, pour) => {
    fc.assert(
      fc.property(
        fc.record({
          lifts: fc.integer({ min: 1, max: 3 }),
          placingRateM3PerH: fc.integer({ min: 6, max: 24 }),
          startAt: fc.integer({ min: 0, max: 3 }),
          reverse: fc.boolean(),
          liftWaitMin: fc.constantFrom(0, 20),
        }),
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 4, maxLength: 8 }),
        (settings, moments) => {
          const { plan, see } = watch(pour, settings);
          const log = logged(plan);
          const from = plan.timetable.placements[0]?.fromMin ?? 0;
          const { finishMin, placements } = plan.timetable;
          // The log is kept to the millisecond: at the very moment of a start or stop both answers are right.
          const bounds = placements.flatMap((p) => [p.fromMin, p.toMin]);
          const minutes = [
            ...moments.map((m) => from + m * (finishMin - from)),
            ...placements.filter((_x, i) => i % 5 === 0).map((p) => p.toMin + CLEAR_MIN),
          ].filter((m) => bounds.every((b) => Math.abs(b - m) >= CLEAR_MIN));
          for (const minute of minutes) {
            const nowMs = Math.floor(ms(minute));
            const { state } = see(log, (nowMs - T0) / 60_000);
            expect(facesAt(plan, state, nowMs)).toEqual(simulated(plan, (nowMs - T0) / 60_000));
          }
        },
      ),
      { numRuns: 6, seed: 11 },
    );
  });

  /** What the log says: every face that waits, but for fronts within a cell, which the simulation does not know. */
  function facesAt(
    plan: ReturnType<typeof planPour>,
    state: ReturnType<typeof replay>,
    nowMs: number,
  ): string[] {
    const rate = plan.simulation.placingRateM3PerH / 60;
    const grown = (plan.simulation.cells[0]?.volumeM3 ?? 1) / (plan.cells[0]?.volumeM3 ?? 1);
    const reached = reckonedOn(
      actualPlacements(state, nowMs),
      plan.route,
      rate / grown,
      () => undefined,
    );
    const warm = reached.map((p) => ({ ...p, tempC: 20 }));
    const windowAt = () => ({ stiffenMin: 40, knitMin: 75 });
    return openFaces(plan.cells, fillingsOf(plan.cells, warm), new Set(), windowAt)
      .filter((f) => f.kind !== 'front')
      .map((f) => line(f.metBy.id, f.cell.id, f.kind, (f.sinceMs - T0) / 60_000))
      .sort();
  }
  /** Times in the log are whole milliseconds: to a hundredth of a minute both are the same. */
  const line = (metBy: string, face: string, kind: string, since: number) =>
    `${[metBy, face].sort().join(' ')} ${kind} ${since.toFixed(1)}`;

  /** What the simulation says, by its own definition: gaps from start to start and end to end, or from end to start. */
  function simulated(plan: ReturnType<typeof planPour>, minute: number): string[] {
    const filled = (id: string) => {
      const own = plan.timetable.placements.filter((p) => p.cellId === id && p.fromMin < minute);
      const whole = plan.simulation.cells.find((c) => c.id === id)?.volumeM3 ?? 0;
      const cut = own.map((p) => ({
        ...p,
        toMin: Math.min(p.toMin, minute),
        volumeM3: (p.volumeM3 * (Math.min(p.toMin, minute) - p.fromMin)) / (p.toMin - p.fromMin),
      }));
      const share = cut.reduce((s, p) => s + p.volumeM3, 0) / whole;
      const at = (wanted: number) => {
        let left = wanted * whole;
        for (const p of cut) {
          if (left <= p.volumeM3 + 1e-9)
            return p.fromMin + ((p.toMin - p.fromMin) * left) / p.volumeM3;
          left -= p.volumeM3;
        }
        return cut.at(-1)?.toMin ?? 0;
      };
      return {
        begun: share > 1e-6,
        full: share > 1 - 1e-6,
        share,
        at,
        end: cut.at(-1)?.toMin ?? 0,
      };
    };
    return plan.simulation.cells
      .flatMap((c) => {
        const me = filled(c.id);
        const under = c.below === undefined ? null : filled(c.below);
        return [
          ...(under?.begun && under.share - me.share > 1e-6
            ? [line(c.id, c.below ?? '', 'above', under.at(me.share))]
            : []),
          ...c.beside.flatMap((b) => {
            const other = filled(b);
            if (me.begun === other.begun) return [];
            const [placed, id] = me.begun ? [me, c.id] : [other, b];
            return placed.full ? [line(me.begun ? b : c.id, id, 'beside', placed.end)] : [];
          }),
        ];
      })
      .sort();
  }
});

describe('the field test of a face', () => {
  const { see } = watch(
    job({ runs: L_RUNS, elements: ['WA'], settings: { liftsByElement: { WA: 2 } } }),
  );
  const first = stretch('WA', 0, 0, 20);
  const knitMin = see(first, 21).progress.knitMin;
  const tried = (min: number, sinks: boolean) =>
    entry('seam-test', { elementId: 'WA', lift: 0, sinks }, min);
  const shuts = (log: LogEvent[], now: number) => {
    const [seam] = see([...first, ...log], now).progress.seams;
    return seam && { at: (seam.shutsMs - T0) / 60_000, cold: seam.cold };
  };

  test('rules over the clock: while a vibrator sinks in it knits, for a quarter of an hour more', () => {
    const late = knitMin + 5;
    expect(shuts([], late)?.cold).toBe(true);
    expect(shuts([tried(late, true)], late + 1)).toEqual({
      at: expect.closeTo(late + 15, 6),
      cold: false,
    });
    expect(shuts([tried(late, true)], late + 16)?.cold).toBe(true);
  });

  test('and where it does not sink the face is cold, however young', () => {
    expect(shuts([tried(30, false)], 31)).toEqual({ at: 30, cold: true });
    // A test of another lift says nothing of this one.
    const other = entry('seam-test', { elementId: 'WA', lift: 1, sinks: false }, 30);
    expect(shuts([other], 31)?.cold).toBe(false);
  });

  test('what was met while it still knit by the test is no cold joint; what was met after it did not is one', () => {
    const met = (min: number) => stretch('WA', 1, min, min + 20);
    const joints = (log: LogEvent[], min: number) =>
      see([...first, ...log, ...met(min)], min + 21).progress.coldJoints.length;
    const late = knitMin + 5;
    expect(joints([], late)).toBeGreaterThan(0);
    expect(joints([tried(late - 2, true), tried(late + 8, true)], late)).toBe(0);
    expect(joints([], 40)).toBe(0);
    expect(joints([tried(38, false)], 40)).toBeGreaterThan(0);
  });
});

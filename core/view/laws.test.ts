import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { replay } from '../log/state.ts';
import { checkName } from '../log/entry-kind.ts';
import { pressureAtPlace, pressureRule } from '../pourplan/pressure.ts';
import { cellsOf } from '../pourplan/cells.ts';
import { DAY_MS, dayOf, type DrawnLoad, recordOf } from '../testdata/days.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { checksOf, viewOf } from './pour-view.ts';
import { figuresOf } from './figures.ts';

/** What must hold on anybody's job, at every moment of any day. */

const RUNS = 40;
const HEAD_KPA_M = (2400 * 9.80665) / 1000;

const load: fc.Arbitrary<DrawnLoad> = fc.record({
  volumeM3: fc.integer({ min: 4, max: 24 }).map((n) => n / 4),
  lateMin: fc.integer({ min: -10, max: 70 }),
  tempC: fc.option(fc.integer({ min: 4, max: 34 })),
  fate: fc.constantFrom('placed', 'placed', 'placed', 'half', 'gate'),
  stretches: fc.integer({ min: 1, max: 4 }),
  fronts: fc.boolean(),
  stopMin: fc.integer({ min: 0, max: 40 }),
});
const day = fc
  .record({
    elements: fc.constantFrom(['WA', 'WB'], ['FA', 'FB', 'WA', 'WB'], ['WA'], ['FA', 'FB']),
    lifts: fc.integer({ min: 1, max: 3 }),
    wasteRatio: fc.integer({ min: 0, max: 12 }).map((n) => n / 100),
    leftBehindM3: fc.integer({ min: 0, max: 4 }).map((n) => n / 10),
    concreteTempC: fc.integer({ min: 5, max: 32 }),
    loads: fc.array(load, { minLength: 1, maxLength: 5 }),
  })
  .map(({ elements, loads, ...settings }) =>
    dayOf(recordOf({ elements: [...elements], runs: L_RUNS, settings }), loads),
  );
type Day = ReturnType<typeof dayOf>;

/** The pour as it stands right after each entry of its day. */
const moments = ({ record, log }: Day) =>
  log.map((e, i) => {
    const nowMs = Date.parse(e.at);
    const view = viewOf(record, replay(log.slice(0, i + 1)), nowMs);
    if (!view) throw new Error('no view');
    return { entry: e, nowMs, view };
  });

describe('the balance', () => {
  test('is what is usable here and to come less what is still needed, kept by hand from the log', () => {
    fc.assert(
      fc.property(day, (d) => {
        const { wasteRatio, leftBehindM3 } = d.record.pour.settings;
        for (const { view, nowMs } of moments(d)) {
          const neat = view.plan.route.volumeM3;
          const placed = d.placed.filter((p) => p.atMs <= nowMs);
          const from = (id: string) =>
            placed.reduce((s, p) => (p.loadId === id ? s + p.neatM3 : s), 0);
          const inArrival = view.loads
            .filter((l) => l.arrivedAt !== null)
            .sort((a, b) => Date.parse(a.arrivedAt ?? '') - Date.parse(b.arrivedAt ?? ''));
          const primed = inArrival.find((l) => from(l.id) > 0 || l.endedAt !== null)?.id;
          const hose = (id: string) => (id === primed ? leftBehindM3 : 0);
          const done = inArrival.filter((l) => l.endedAt !== null && l.decision !== 'reject');
          const used = done.reduce((s, l) => s + (l.volumeM3 ?? 0) - hose(l.id), 0);
          const measured = done.reduce((s, l) => s + from(l.id), 0);
          const use =
            measured > 0
              ? (used + (neat / 4) * (1 + wasteRatio)) / (measured + neat / 4)
              : 1 + wasteRatio;
          const here = inArrival
            .filter((l) => l.endedAt === null && l.decision !== 'reject')
            .reduce(
              (s, l) => s + Math.max(0, (l.volumeM3 ?? 0) - use * from(l.id) - hose(l.id)),
              0,
            );
          const toCome = view.loads
            .filter((l) => l.arrivedAt === null)
            .reduce((s, l) => s + (l.plannedM3 ?? 0), 0);
          const all = placed.reduce((s, p) => s + p.neatM3, 0);
          const still = use * Math.max(0, neat - all) + (primed === undefined ? leftBehindM3 : 0);
          expect(view.progress.placedM3).toBeCloseTo(all, 6);
          expect(view.progress.balanceM3).toBeCloseTo(still - here - toCome, 6);
        }
      }),
      { numRuns: RUNS },
    );
  });

  test('does not move while a truck is placed from, and what is placed never falls', () => {
    fc.assert(
      fc.property(day, (d) => {
        const all = moments(d);
        all.slice(1).forEach(({ entry, view }, i) => {
          const before = all[i]?.view.progress;
          expect(view.progress.placedM3).toBeGreaterThanOrEqual((before?.placedM3 ?? 0) - 1e-9);
          // A truck that gave more than its ticket says is empty; what it gave over is missing nowhere.
          const overdrawn = view.progress.hereM3 <= 1e-9;
          if (!overdrawn && (entry.kind === 'place-start' || entry.kind === 'place-stop'))
            expect(view.progress.balanceM3).toBeCloseTo(before?.balanceM3 ?? NaN, 6);
        });
      }),
      { numRuns: RUNS },
    );
  });

  test('all that is said of a moment is one: figures, loads and balance', () => {
    fc.assert(
      fc.property(day, (d) => {
        const last = moments(d).at(-1);
        if (!last) return;
        const state = replay(d.log);
        const f = figuresOf(d.record, state, last.nowMs, []);
        const { progress } = last.view;
        expect(f?.balance).toMatchObject({
          placedM3: progress.placedM3,
          missingM3: progress.balanceM3,
          hereM3: progress.hereM3,
          onOrderM3: progress.onOrderM3,
        });
        const fromLoads = f?.loads.reduce((s, l) => s + l.placedM3, 0);
        expect(fromLoads).toBeCloseTo(progress.placedM3, 6);
        const missing = f?.balance.stillM3 ?? NaN;
        expect(f?.balance.missingM3).toBeCloseTo(missing - progress.hereM3 - progress.onOrderM3, 9);
      }),
      { numRuns: RUNS },
    );
  });
});

describe('seams', () => {
  test('a load that comes later changes none behind it', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: 0, max: 35 }), (d, tempC) => {
        const arrivals = d.log.filter((e) => e.kind === 'load-arrived');
        const later = arrivals.at(-1);
        if (arrivals.length < 2 || !later) return;
        const other = d.log.map((e) =>
          e.id === later.id ? { ...e, body: { ...e.body, concreteTempC: tempC } } : e,
        ) as typeof d.log;
        const nowMs = Date.parse(d.log.at(-1)?.at ?? '');
        const faces = (log: typeof d.log) => {
          const { progress } = viewOf(d.record, replay(log), nowMs) ?? {};
          const own = new Set(
            progress?.placements
              .filter((p) => p.loadId === (later.body as { loadId: string }).loadId)
              .map((p) => `${p.elementId} ${p.lift}`),
          );
          return progress?.faces
            .filter((f) => !own.has(`${f.cell.elementId} ${f.cell.lift}`))
            .map((f) => [f.cell.id, f.metBy.id, f.sinceMs, f.knitMin]);
        };
        expect(faces(other)).toEqual(faces(d.log));
      }),
      { numRuns: RUNS },
    );
  });

  test('every cell that was met late stays in the record, whatever is placed after it', () => {
    fc.assert(
      fc.property(day, (d) => {
        let known = 0;
        for (const { view } of moments(d)) {
          const late = view.progress.met.filter((m) => m.late).length;
          expect(late).toBeGreaterThanOrEqual(known);
          known = late;
        }
      }),
      { numRuns: RUNS },
    );
  });
});

describe('pressure', () => {
  const { mix } = job({ elements: ['WA'], runs: L_RUNS });
  interface Placing {
    method: 'aci347' | 'ciria108' | 'hydrostatic';
    lifts: { heightM: number; minutes: number; waitMin: number }[];
    tempC: number;
  }
  const placing: fc.Arbitrary<Placing> = fc.record({
    method: fc.constantFrom<Placing['method'][]>('aci347', 'ciria108', 'hydrostatic'),
    lifts: fc.array(
      fc.record({
        heightM: fc.integer({ min: 2, max: 15 }).map((n) => n / 10),
        minutes: fc.integer({ min: 1, max: 40 }),
        waitMin: fc.integer({ min: 0, max: 120 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    tempC: fc.integer({ min: 2, max: 35 }),
  });
  const at = ({ method, lifts, tempC }: Placing, faster = 1, shorterMin = 0, colderC = 0) => {
    let [bottomM, clock] = [0, 0];
    const placings = lifts.map((l, i) => {
      const startMin = clock + (i === 0 ? 0 : Math.max(0, l.waitMin - shorterMin));
      const endMin = startMin + l.minutes / faster;
      const row = { bottomM, topM: bottomM + l.heightM, startMin, endMin };
      bottomM += l.heightM;
      clock = endMin;
      return row;
    });
    const found = pressureAtPlace(
      pressureRule(method, mix),
      placings,
      bottomM,
      Math.max(0, tempC - colderC),
    );
    return { ...found, topM: lifts.at(-1)?.heightM ?? 0 };
  };

  test('is never over the head of what was placed there, never under that of the lift being placed', () => {
    fc.assert(
      fc.property(placing, (c) => {
        const p = at(c);
        expect(p.maxKPa).toBeLessThanOrEqual(HEAD_KPA_M * p.heightM * (1 + 1e-9));
        expect(p.maxKPa).toBeGreaterThanOrEqual(HEAD_KPA_M * p.topM * (1 - 1e-9));
        if (c.lifts.length === 1) expect(p.maxKPa).toBeCloseTo(HEAD_KPA_M * p.heightM, 9);
      }),
    );
  });

  test('is never less for a faster rate, a shorter wait or colder concrete', () => {
    fc.assert(
      fc.property(placing, fc.integer({ min: 1, max: 60 }), (c, n) => {
        const { maxKPa } = at(c);
        const least = maxKPa * (1 - 1e-9);
        expect(at(c, 1 + n / 20).maxKPa).toBeGreaterThanOrEqual(least);
        expect(at(c, 1, n).maxKPa).toBeGreaterThanOrEqual(least);
        expect(at(c, 1, 0, n / 3).maxKPa).toBeGreaterThanOrEqual(least);
      }),
    );
  });

  test('on a wall that was placed it lies between both bounds too, lift by lift', () => {
    fc.assert(
      fc.property(day, (d) => {
        for (const { view } of moments(d).slice(-3))
          for (const p of [...view.plan.pressure, ...view.progress.pressure]) {
            const leg = view.plan.route.legs.find((l) => l.elementId === p.elementId);
            const span = leg?.liftSpans[p.lift];
            const liftM = (span?.toM ?? 0) - (span?.fromM ?? 0);
            expect(p.maxKPa).toBeGreaterThanOrEqual(HEAD_KPA_M * liftM * (1 - 1e-9));
            expect(p.maxKPa).toBeLessThanOrEqual(HEAD_KPA_M * (span?.toM ?? 0) * (1 + 1e-9));
          }
      }),
      { numRuns: 15 },
    );
  });
});

describe('names', () => {
  /** Names as drawings have them, and as a cut leaves them. */
  const name = fc
    .string({ unit: fc.constantFrom(...'AW12./- #%é'), minLength: 1, maxLength: 6 })
    .filter((s) => s.trim() === s && s.length > 0);
  test('with dots, slashes, dashes and spaces each element is found again: cells, checks, seams, words', () => {
    fc.assert(
      fc.property(fc.uniqueArray(name, { minLength: 2, maxLength: 2 }), ([a = '', b = '']) => {
        const [, , wa, wb] = L_RUNS;
        const runs = [
          { ...wa, id: a },
          { ...wb, id: b },
        ];
        const record = recordOf({ elements: [a, b], runs, settings: { lifts: 2 } });
        const view = viewOf(record, replay([]), DAY_MS);
        const cells = view ? cellsOf(view.plan.route) : [];
        expect(new Set(cells.map((c) => c.id)).size).toBe(cells.length);
        expect(new Set(cells.map((c) => c.elementId))).toEqual(new Set([a, b]));
        for (const s of view?.plan.timetable.seams ?? [])
          for (const id of [s.above, s.below]) expect(cells.some((c) => c.id === id)).toBe(true);
        expect(new Set(view?.plan.pressure.map((p) => p.elementId))).toEqual(new Set([a, b]));
        for (const p of checksOf(record))
          if (p.elementId === a || p.elementId === b)
            expect(checkName(p.id).startsWith(`${p.elementId} `)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

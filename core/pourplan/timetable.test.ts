import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate } from '../kit/calculation.ts';
import { pourSimulation } from './pour-simulation.ts';
import { num, pours } from '../testdata/pours.ts';
import { type SimulationInput } from './simulation-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';
import { trialsOf } from './trials.ts';

/** Laws that every timetable keeps, whatever the pour. */

const sum = (list: number[]) => list.reduce((s, x) => s + x, 0);
const run = (v: SimulationInput) => timetableOf(v, medianArrivals(v));

describe('whatever the pour', () => {
  test('concrete is neither made nor lost', () => {
    fc.assert(
      fc.property(pours, (v) => {
        const t = run(v);
        const placed = sum(t.placements.map((p) => p.volumeM3));
        expect(placed + t.shortM3).toBeCloseTo(sum(v.cells.map((c) => c.volumeM3)), 6);
        expect(placed + t.leftOverM3 + v.leftBehindM3).toBeCloseTo(
          sum(v.loads.map((l) => l.volumeM3)),
          6,
        );
        // Short and left over never go together by more than nothing.
        expect(Math.min(t.shortM3, t.leftOverM3)).toBeLessThan(1e-6);
      }),
    );
  });

  test('one thing is placed at a time, at the rate, never in a break, never before the load is there', () => {
    fc.assert(
      fc.property(pours, (v) => {
        const t = run(v);
        t.placements.forEach((p, i) => {
          expect(p.toMin - p.fromMin).toBeCloseTo((p.volumeM3 / v.placingRateM3PerH) * 60, 6);
          expect(p.fromMin).toBeGreaterThanOrEqual(
            (t.placements[i - 1]?.toMin ?? v.startMin) - 1e-9,
          );
          expect(p.fromMin).toBeGreaterThanOrEqual(
            (t.loads.find((l) => l.id === p.loadId)?.arriveMin ?? 0) - 1e-9,
          );
          for (const b of v.breaks)
            expect(Math.min(p.toMin, b.toMin) - Math.max(p.fromMin, b.fromMin)).toBeLessThan(1e-6);
        });
      }),
    );
  });

  test('loads are served as they come, and nobody waits less than nothing', () => {
    fc.assert(
      fc.property(pours, (v) => {
        const t = run(v);
        const arrivals = t.loads.map((l) => l.arriveMin);
        expect(arrivals).toEqual([...arrivals].sort((a, b) => a - b));
        for (const l of t.loads)
          if (l.waitMin !== null) expect(l.waitMin).toBeGreaterThanOrEqual(-1e-9);
        expect(t.crewWaitMin).toBeGreaterThanOrEqual(-1e-9);
      }),
    );
  });

  test('a seam is cold exactly when its gap outlasts the window; a head is at least its own cell', () => {
    fc.assert(
      fc.property(pours, (v) => {
        const t = run(v);
        for (const s of t.seams)
          expect(s.verdict).toBe(s.gapMaxMin > s.knitMin * (1 + 1e-9) ? 'cold' : 'ok');
        for (const c of t.cells)
          expect(c.freshHeadM).toBeGreaterThanOrEqual(
            (v.cells.find((x) => x.id === c.id)?.heightM ?? 0) - 1e-9,
          );
        const finished = new Set(t.cells.map((c) => c.id));
        for (const s of t.seams) expect(finished.has(s.above) && finished.has(s.below)).toBe(true);
      }),
    );
  });

  test('a truck that comes later never ends the pour sooner', () => {
    fc.assert(
      fc.property(pours, num(0, 60), (v, late) => {
        const all = { ...v, loads: v.loads.map((l) => ({ ...l, batchMin: l.batchMin + late })) };
        if (run(v).shortM3 === 0)
          expect(run(all).finishMin).toBeGreaterThanOrEqual(run(v).finishMin - 1e-6);
      }),
    );
  });
});

test.each([
  [
    {
      cells: [
        { id: 'a', volumeM3: 1, heightM: 1, bottomM: 0, below: 'b' },
        { id: 'b', volumeM3: 1, heightM: 1, bottomM: 0 },
      ],
    },
    'cells.0.below',
  ],
  [
    { cells: [{ id: 'a', volumeM3: 1, heightM: 1, bottomM: 0, beside: ['x'] }] },
    'cells.0.beside.0',
  ],
  [
    {
      loads: [
        {
          id: 'L',
          volumeM3: 3,
          batchMin: 400,
          plantDelay: { medianMin: 5, p90Min: 2 },
          travel: { medianMin: 0, p90Min: 0 },
        },
      ],
    },
    'loads.0.plantDelay.p90Min',
  ],
  [{ leftBehindM3: 3 }, 'leftBehindM3'],
  [{ breaks: [{ fromMin: 500, toMin: 500 }] }, 'breaks.0.toMin'],
  [{ trials: 0 }, 'trials'],
])('a pour with %j is refused at %s', (change, path) => {
  const still = { medianMin: 0, p90Min: 0 };
  const base = {
    startMin: 480,
    cells: [{ id: 'a', volumeM3: 1, heightM: 1, bottomM: 0 }],
    loads: [{ id: 'L', volumeM3: 3, batchMin: 400, plantDelay: still, travel: still }],
    placingRateM3PerH: 20,
    tempC: 20,
    ratingKPa: 50,
    maxAgeMin: 90,
    duskMin: 1140,
    trials: 5,
    seed: 1,
  };
  expect(evaluate(pourSimulation, base).result.timetable.shortM3).toBe(0);
  try {
    evaluate(pourSimulation, { ...base, ...change });
    throw new Error('was taken');
  } catch (e) {
    expect((e as { issues?: { path: string }[] }).issues?.map((i) => i.path)).toContain(path);
  }
});

describe('the fast trial loop', () => {
  const withSpread = pours.chain((v) =>
    fc
      .record({
        p90: num(1, 2),
        delay: num(0, 15),
        seed: fc.integer({ min: 0, max: 2 ** 31 - 1 }),
        rating: num(8, 60),
        dusk: num(500, 700),
      })
      .map((s): SimulationInput => ({
        ...v,
        seed: s.seed,
        ratingKPa: s.rating,
        duskMin: s.dusk,
        maxAgeMin: 60,
        loads: v.loads.map((l) => ({
          ...l,
          plantDelay: { medianMin: s.delay, p90Min: s.delay * s.p90 },
          travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin * s.p90 },
        })),
      })),
  );
  test('counts what the timetable of the same arrivals shows', () => {
    fc.assert(
      fc.property(withSpread, (v) => {
        const many = trialsOf(v);
        const one = many.run(1, v.seed);
        const t = timetableOf(v, many.firstArrivals(v.seed));
        expect(one.finishSum).toBeCloseTo(t.finishMin, 8);
        expect(one.crewWaitSum).toBeCloseTo(t.crewWaitMin, 8);
        expect(one.shortSum).toBeCloseTo(t.shortM3, 9);
        expect(one.leftOverSum).toBeCloseTo(t.leftOverM3, 6);
        expect(
          [one.coldSeam, one.overAge, one.short, one.afterDusk, one.overRating].map(Boolean),
        ).toEqual([
          t.seams.some((s) => s.verdict === 'cold'),
          t.loads.some((l) => l.overAge),
          t.shortM3 > 0,
          t.finishMin > v.duskMin,
          t.cells.some((c) => c.overRating),
        ]);
      }),
      { numRuns: 300 },
    );
  });
  test('the same seed gives the same bits, another seed others', () => {
    fc.assert(
      fc.property(withSpread, (v) => {
        expect(trialsOf(v).run(20, v.seed)).toEqual(trialsOf(v).run(20, v.seed));
        const late = {
          ...v,
          loads: v.loads.map((l) => ({
            ...l,
            travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin * 1.5 },
          })),
        };
        expect(trialsOf(late).firstArrivals(v.seed)).not.toEqual(
          trialsOf(late).firstArrivals(v.seed + 1),
        );
      }),
      { numRuns: 30 },
    );
  });
});

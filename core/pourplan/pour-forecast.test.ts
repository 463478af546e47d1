import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BadInput, evaluate } from '../kit/calculation.ts';
import { pours } from '../testdata/pours.ts';
import type { ForecastInput } from './forecast-model.ts';
import { timetableFrom } from './going-on.ts';
import { pourForecast } from './pour-forecast.ts';
import { pourSimulation } from './pour-simulation.ts';
import type { Placement, SimulationInput, Timetable } from './simulation-model.ts';

const forecast = (input: unknown) => evaluate(pourForecast, input).result;
const simulated = (input: unknown) => evaluate(pourSimulation, input).result;

/** What has become of a pour that runs as planned, at a moment. */
function asRun(v: SimulationInput, t: Timetable, nowMin: number) {
  const placed = t.placements
    .filter((p) => p.fromMin < nowMin)
    .map((p): Placement => {
      if (p.toMin <= nowMin) return p;
      const share = (nowMin - p.fromMin) / (p.toMin - p.fromMin);
      return { ...p, toMin: nowMin, volumeM3: p.volumeM3 * share };
    });
  const past = (x: number | null) => (x !== null && x <= nowMin ? x : null);
  return {
    ...v,
    nowMin,
    placed,
    loadsNow: t.loads.map((l) => ({
      id: l.id,
      arriveMin: past(l.arriveMin),
      startMin: past(l.startMin),
      endMin: past(l.endMin),
    })),
  };
}
/** Stretches that only the present parts are one. */
function joined(placements: Placement[]): Placement[] {
  const out: Placement[] = [];
  for (const p of placements) {
    const last = out.at(-1);
    if (
      last?.cellId === p.cellId &&
      last.loadId === p.loadId &&
      Math.abs(last.toMin - p.fromMin) < 1e-6
    )
      out[out.length - 1] = { ...last, toMin: p.toMin, volumeM3: last.volumeM3 + p.volumeM3 };
    else out.push({ ...p });
  }
  return out;
}
/** Figures that agree to a millionth. */
const near = (x: unknown): unknown => {
  if (typeof x === 'number') return Math.round(x * 1e5) / 1e5 + 0;
  if (Array.isArray(x)) return x.map(near);
  if (typeof x === 'object' && x !== null)
    return Object.fromEntries(Object.entries(x).map(([k, v]) => [k, near(v)]));
  return x;
};

describe('the two laws', () => {
  test('with nothing done and now before the first batch it is the simulation, odds and all', () => {
    fc.assert(
      fc.property(pours, fc.double({ min: 1.05, max: 3, noNaN: true }), (plain, late) => {
        const v = {
          ...plain,
          trials: 40,
          loads: plain.loads.map((l) => ({
            ...l,
            travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin * late },
          })),
        };
        expect(forecast({ ...v, nowMin: 300 })).toEqual(simulated(v));
      }),
      { numRuns: 60 },
    );
  });

  test('a pour without spread that has run as planned up to any moment is forecast to end as planned', () => {
    fc.assert(
      fc.property(pours, fc.double({ min: 0, max: 1, noNaN: true }), (v, share) => {
        const planned = simulated(v);
        const { timetable } = planned;
        const now = 470 + share * (timetable.finishMin + 30 - 470);
        const got = forecast(asRun(v, timetable, now));
        expect(near({ ...got.timetable, placements: joined(got.timetable.placements) })).toEqual(
          near({ ...timetable, placements: joined(timetable.placements) }),
        );
        expect(near(got.odds)).toEqual(near(planned.odds));
        // What Pour draws of the rest is the same, without the mornings.
        expect(timetableFrom(asRun(v, timetable, now) as never)).toEqual(got.timetable);
      }),
      { numRuns: 300 },
    );
  });
});

/** Two cells on two, three loads half an hour apart; one m³ takes two minutes. */
const base = {
  startMin: 480,
  cells: [
    { id: 'A', volumeM3: 6, heightM: 1, bottomM: 0 },
    { id: 'B', volumeM3: 6, heightM: 1, bottomM: 0, beside: ['A'] },
    { id: 'C', volumeM3: 6, heightM: 1, bottomM: 1, below: 'A' },
  ],
  loads: ['L1', 'L2', 'L3'].map((id, i) => ({
    id,
    volumeM3: 6,
    batchMin: 450 + 30 * i,
    plantDelay: { medianMin: 0, p90Min: 0 },
    travel: { medianMin: 30, p90Min: 30 },
  })),
  placingRateM3PerH: 30,
  tempC: 20,
  ratingKPa: 50,
  maxAgeMin: 90,
  duskMin: 1140,
  trials: 200,
  seed: 7,
};
const placedA = { cellId: 'A', loadId: 'L1', fromMin: 480, toMin: 492, volumeM3: 6 };
const done = { id: 'L1', arriveMin: 480, startMin: 480, endMin: 492 };

describe('what has become of the plan', () => {
  test('a load that is late and has no spread comes at once; what follows moves with it', () => {
    const { timetable } = forecast({ ...base, nowMin: 530, placed: [placedA], loadsNow: [done] });
    expect(timetable.loads.map((l) => l.arriveMin)).toEqual([480, 530, 540]);
    expect(timetable.placements.map((p) => p.fromMin)).toEqual([480, 530, 542]);
    expect(timetable.finishMin).toBe(554);
    expect(timetable.crewWaitMin).toBe(38);
  });

  test('a load sent back gives nothing more, and what it would have filled is short', () => {
    const { timetable, odds } = forecast({
      ...base,
      nowMin: 515,
      placed: [placedA],
      loadsNow: [done, { id: 'L2', arriveMin: 510, sentBack: true }],
    });
    expect(timetable.shortM3).toBeCloseTo(6, 9);
    expect(odds.short).toBe(1);
    expect(timetable.loads.find((l) => l.id === 'L2')?.startMin).toBeNull();
  });

  test('what is still to fill takes the measured yield and rate; the cell under way goes on first', () => {
    const { timetable } = forecast({
      ...base,
      nowMin: 490,
      yieldRatio: 1.1,
      rateM3PerH: 15,
      placed: [{ cellId: 'B', loadId: 'L1', fromMin: 480, toMin: 490, volumeM3: 2 }],
      loadsNow: [{ id: 'L1', arriveMin: 480, startMin: 480 }],
    });
    const [, next, after] = timetable.placements;
    // 4 m³ more of B by 1.1 are 4.4, of which the load still holds 4: at 4 min a m³.
    expect(next).toMatchObject({ cellId: 'B', loadId: 'L1', fromMin: 490, toMin: 506 });
    expect(after).toMatchObject({ cellId: 'B', loadId: 'L2' });
    expect(after?.volumeM3).toBeCloseTo(0.4, 9);
  });

  test('the longer a load is overdue the later it is likely to come, and never before now', () => {
    const spread = {
      ...base,
      trials: 2000,
      loads: base.loads.map((l) => ({ ...l, travel: { medianMin: 30, p90Min: 45 } })),
      placed: [placedA],
      loadsNow: [done],
    };
    const ends = [505, 540, 600, 700].map(
      (nowMin) => forecast({ ...spread, nowMin }).odds.finishMin,
    );
    ends.forEach((e, i) => {
      const before = ends[i - 1];
      if (before) expect(e.p50).toBeGreaterThan(before.p50);
    });
    // At 11:40 two loads are more than an hour overdue: nothing can be done before two of them are placed.
    expect(ends[3]?.p10).toBeGreaterThanOrEqual(700 + 24);
    expect(ends[3]?.p90).toBeLessThan(900);
  });

  test('an overdue load has the tail of its own distribution, drawn by hand for comparison', () => {
    // ln travel ~ N(ln 30, 0.3): of mornings on which it takes more than 60 min the median is 65.9 min.
    const sd = 0.3;
    const p90 = 30 * Math.exp(1.2815515655 * sd);
    const one = {
      ...base,
      cells: [base.cells[0]],
      loads: [{ ...base.loads[0], travel: { medianMin: 30, p90Min: p90 } }],
      trials: 20_000,
      nowMin: 510,
    };
    const { p50 } = forecast(one).odds.finishMin;
    expect(p50 - 12 - 450).toBeGreaterThan(64.5);
    expect(p50 - 12 - 450).toBeLessThan(67.5);
  });
});

test('what cannot be is refused with its path', () => {
  const pathOf = (change: Partial<ForecastInput> | object): string => {
    try {
      forecast({ ...base, nowMin: 500, ...change });
    } catch (e) {
      if (e instanceof BadInput) return e.issues[0]?.path ?? '';
    }
    return 'taken';
  };
  expect(pathOf({ placed: [{ ...placedA, toMin: 510 }] })).toBe('placed.0.toMin');
  expect(pathOf({ placed: [{ ...placedA, cellId: 'X' }] })).toBe('placed.0.cellId');
  expect(pathOf({ placed: [{ ...placedA, volumeM3: 7 }] })).toBe('placed.0.volumeM3');
  expect(pathOf({ loadsNow: [{ id: 'L9' }] })).toBe('loadsNow.0.id');
  expect(pathOf({ loadsNow: [{ id: 'L1', startMin: 480 }] })).toBe('loadsNow.0.startMin');
  expect(pathOf({ loadsNow: [{ ...done, endMin: 470 }] })).toBe('loadsNow.0.endMin');
  expect(pathOf({ yieldRatio: 0 })).toBe('yieldRatio');
});

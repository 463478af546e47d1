import { describe, expect, test } from '@jest/globals';
import type { LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { mixSchema } from '../model/mix.ts';
import { entriesFrom, orderBody } from '../testdata/entries.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { midnightMs } from '../weather/local-date.ts';
import { ifSentBack, outlookOf } from './outlook.ts';
import { planOf, type PourRecord, viewOf } from './pour-view.ts';
import type { PourNow } from './stages/stage.ts';

/** The walls of an L, 2.4 m and 1.2 m high, in two lifts from loads of 3 m³; metric. */
const { site, pour, plant } = job({
  elements: ['WA', 'WB'],
  runs: L_RUNS,
  settings: { lifts: 2, truckM3: 3, changeOverMin: 0, leftBehindM3: 0 },
  plant: {
    trucksM3: [3],
    stepM3: 0.25,
    // Late as trucks are: what is looked ahead to is the likeliest morning, not one of many.
    travel: { medianMin: 30, p90Min: 45 },
    plantDelay: { medianMin: 5, p90Min: 20 },
  },
});
const record = {
  site: {
    ...site,
    mixes: [mixSchema.parse({ mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 160 })],
    plants: [plant],
  },
  pour,
  duskMin: 1100,
} satisfies PourRecord;
const dayMs = midnightMs('2026-10-07', 'Europe/Paris');
const { entry } = entriesFrom(dayMs, 'I. Brandvold');

function nowOf(log: LogEvent[], minute: number, of: PourRecord = record): PourNow {
  const plan = planOf(of);
  const told = orderBody(plan?.simulation.loads ?? [], dayMs, of.pour);
  const state = replay([entry('order', told, -600), ...log]);
  const nowMs = dayMs + minute * 60_000;
  const view = viewOf(of, state, nowMs);
  if (!view) throw new Error('no view');
  return {
    ...view,
    record: of,
    state,
    nowMs,
    units: 'metric',
    curing: null,
    walk: 'route',
    elementName: (id) => id,
  };
}
const planned = nowOf([], 300).plan;

/** The log of a pour that goes as planned, until a moment. */
function asPlanned(until: number): LogEvent[] {
  const grown = 1 + pour.settings.wasteRatio;
  const byFace = new Map<string, { volume: number; done: number }>();
  for (const c of planned.cells) {
    const key = `${c.elementId}#${c.lift}`;
    const f = byFace.get(key) ?? { volume: 0, done: 0 };
    byFace.set(key, { ...f, volume: f.volume + c.volumeM3 });
  }
  const out: LogEvent[] = planned.timetable.loads.flatMap((l, i) => [
    entry(
      'load-arrived',
      {
        loadId: l.id,
        ticket: `T${i}`,
        volumeM3: planned.plannedLoads[i]?.volumeM3 ?? 0,
        batchedAt: new Date(dayMs + (l.arriveMin - 30) * 60_000).toISOString(),
      },
      l.arriveMin,
    ),
    ...(l.endMin === null ? [] : [entry('load-end', { loadId: l.id, returnedM3: 0 }, l.endMin)]),
  ]);
  for (const p of planned.timetable.placements) {
    const cell = planned.cells.find((c) => c.id === p.cellId);
    if (!cell) continue;
    const face = { elementId: cell.elementId, lift: cell.lift };
    const f = byFace.get(`${face.elementId}#${face.lift}`);
    if (!f) continue;
    f.done += p.volumeM3 / grown / f.volume;
    out.push(entry('place-start', { ...face, loadId: p.loadId }, p.fromMin));
    out.push(entry('place-stop', { ...face, filledRatio: Math.min(1, f.done) }, p.toMin));
  }
  return out.filter((e) => Date.parse(e.at) <= dayMs + until * 60_000);
}
const finish = planned.timetable.finishMin;

describe('how it goes on from now', () => {
  test('nothing is done and it is early: as it was planned', () => {
    const ahead = outlookOf(nowOf([], 300));
    expect(ahead?.finishMin).toBeCloseTo(finish, 6);
    expect(ahead?.lost).toEqual([]);
    expect(ahead?.rest).toHaveLength(planned.timetable.placements.length);
  });

  test.each([0.2, 0.5, 0.8])('as planned until %d of it: it ends as planned', (share) => {
    const at = 450 + share * (finish - 450);
    const v = nowOf(asPlanned(at), at);
    const ahead = outlookOf(v);
    expect(ahead?.finishMin).toBeGreaterThan(finish - 3);
    expect(ahead?.finishMin).toBeLessThan(finish + 3);
    expect(ahead?.shortM3).toBeLessThan(0.05);
    // What is done and what is to come make the whole way, once.
    const m = (ahead?.rest ?? []).reduce((s, r) => s + r.toM - r.fromM, 0);
    const all = planned.cells.reduce((s, c) => s + c.toM - c.fromM, 0);
    const done = v.progress.reached.reduce((s, p) => {
      const leg = planned.route.legs.find((l) => l.elementId === p.elementId);
      return s + (p.toRatio - p.fromRatio) * (leg?.lengthM ?? 0);
    }, 0);
    expect(m + done).toBeCloseTo(all, 1);
  });

  test('a load that does not come moves the end, and says which seam is lost first and when', () => {
    const second = planned.timetable.loads[1];
    if (!second) throw new Error('one load only');
    const log = asPlanned(second.arriveMin - 1);
    const late = second.arriveMin + 75;
    const ahead = outlookOf(nowOf(log, late));
    expect(ahead?.finishMin).toBeGreaterThan(finish + 60);
    const [first, ...others] = ahead?.lost ?? [];
    expect(first?.gapMin).toBeGreaterThan(first?.knitMin ?? Infinity);
    for (const o of others) expect(o.shutsAtMin).toBeGreaterThanOrEqual(first?.shutsAtMin ?? 0);
  });

  test('a load sent back leaves it short by what it held', () => {
    const [first] = planned.timetable.loads;
    const at = (first?.arriveMin ?? 0) + 5;
    const log = [
      ...asPlanned(first?.arriveMin ?? 0).filter((e) => e.kind === 'load-arrived'),
      entry('load-verdict', { loadId: 'L1', decision: 'reject' }, at),
    ];
    const v = nowOf(log, at);
    const whole = planned.orderedM3 - planned.order.result.meanM3;
    expect(outlookOf(v)?.shortM3).toBeGreaterThan(3 - whole - 0.3);
  });

  test('the only load sent back before any of it is placed: what fills hoses and pump is missing too', () => {
    const settings = { ...pour.settings, truckM3: 8, leftBehindM3: 0.16 };
    const one = { ...record, pour: { ...pour, elements: ['WB'], settings } };
    const before = nowOf([], 440, one).plan;
    expect(before.plannedLoads).toHaveLength(1);
    const [load] = before.timetable.loads;
    const arrived = entry(
      'load-arrived',
      {
        loadId: load?.id ?? '',
        ticket: 'T1',
        volumeM3: before.orderedM3,
        batchedAt: new Date(dayMs + ((load?.arriveMin ?? 0) - 30) * 60_000).toISOString(),
      },
      load?.arriveMin ?? 0,
    );
    const v = nowOf([arrived], (load?.arriveMin ?? 0) + 2, one);
    // A wall of 5 m, 1.2 m high and 0.25 m thick less its corner, with 5 in 100 of waste.
    const cells = before.cells.reduce((s, c) => s + c.volumeM3, 0) * 1.05;
    expect(outlookOf(v)?.shortM3).toBeCloseTo(0, 6);
    expect(ifSentBack(v, load?.id ?? '')?.shortM3).toBeCloseTo(cells + 0.16, 6);
    expect(ifSentBack(v, load?.id ?? '')?.shortM3).toBeCloseTo(before.order.result.meanM3, 6);
  });

  test('the first load four hours late moves those behind it', () => {
    const late = 450 + 240;
    const ahead = outlookOf(nowOf([], late));
    const due = ahead?.input.loads.map((l) => l.batchMin + 35) ?? [];
    expect(due.length).toBeGreaterThan(1);
    expect(due[0]).toBeLessThanOrEqual(late);
    // Each comes as far behind the one before as it was ordered.
    const apart = planned.simulation.loads.map((l) => l.batchMin);
    for (let i = 1; i < due.length; i += 1)
      expect((due[i] ?? 0) - late).toBeCloseTo((apart[i] ?? 0) - (apart[0] ?? 0), 6);
  });

  test('on another day, or when all is placed, there is nothing to look ahead to', () => {
    expect(outlookOf(nowOf([], -3000))).toBeNull();
    expect(outlookOf(nowOf(asPlanned(finish + 5), finish + 5))).toBeNull();
  });
});

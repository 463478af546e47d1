import { describe, expect, test } from '@jest/globals';
import type { LogEvent } from '../../log/events.ts';
import { replay } from '../../log/state.ts';
import { entriesFrom, orderBody } from '../../testdata/entries.ts';
import { conveyanceSchema, crewMemberSchema, mixerSchema, mixSchema } from '../../model/index.ts';
import { job, L_RUNS } from '../../testdata/jobs.ts';
import { midnightMs } from '../../weather/local-date.ts';
import { crewOf } from '../crew.ts';
import { planningOf } from '../planning.ts';
import { planOf, type PourRecord, viewOf } from '../pour-view.ts';
import { plan } from './plan.ts';
import type { PourNow } from './stage.ts';

/** What the station Plan says of a job that is not the demo: the walls of an L, 2.4 m and 1.2 m high. */
function recordOf(settings: object = {}, site: object = {}): PourRecord {
  const made = job({
    elements: ['WA', 'WB'],
    runs: L_RUNS,
    settings: { lifts: 2, truckM3: 6, leftBehindM3: 0, ...settings },
    ...site,
  });
  const mixes = [mixSchema.parse({ mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 160 })];
  return {
    site: { ...made.site, mixes, plants: [made.plant], mixers: [], ...site },
    pour: made.pour,
    duskMin: 1100,
  };
}

const pourMs = midnightMs('2026-10-07', 'Europe/Paris');
const { entry } = entriesFrom(pourMs, 'I. Brandvold');
const told = (record: PourRecord) =>
  entry('order', orderBody(planOf(record)?.simulation.loads ?? [], pourMs, record.pour), -2000);

function now(
  record: PourRecord,
  log: LogEvent[] = [],
  dayMs = midnightMs('2026-10-06', 'Europe/Paris'),
): PourNow {
  const state = replay(log);
  const view = viewOf(record, state, dayMs);
  if (!view) throw new Error('no view');
  return {
    ...view,
    record,
    state,
    nowMs: dayMs,
    units: record.site.units,
    curing: null,
    walk: 'route',
    elementName: (id) => id,
  };
}

describe('what is next on Plan', () => {
  test('an order that is not placed yet: how much, in how many loads, when the first comes', () => {
    const v = now(recordOf());
    // By hand: 7 · 2.4 + 5 · 1.2 m² of wall at 0.25 m, the corner once, and 5 in 100 of waste.
    expect(v.plan.order.result.meanM3).toBeGreaterThan(5.7);
    expect(v.plan.order.result.meanM3).toBeLessThan(6);
    expect(plan.next(v)).toMatchObject({ label: 'Order', focus: { sheet: 'order' } });
    expect(plan.next(v)?.sentence).toMatch(
      /^Not ordered\. Order 6\.\d+ m³ in [12] loads?, first at 07:30\.$/,
    );
    expect(plan.figure(v).done).toBe(0.6);
  });

  test('nothing, once it is ordered', () => {
    const record = recordOf({ orderM3: 6.25 });
    const v = now(record, [told(record)]);
    expect(plan.next(v)).toBeNull();
    expect(plan.figure(v)).toEqual({ text: '6.3 m³, 2 loads', done: 1 });
  });

  test('changed since, the difference is said; moved to another day, so are both days', () => {
    const ordered = told(recordOf({ orderM3: 6.25 }));
    const more = plan.next(now(recordOf({ orderM3: 7 }), [ordered]));
    expect(more).toMatchObject({ label: 'Change the order', focus: { sheet: 'order' } });
    expect(more?.sentence).toBe('Ordered 6.25 m³; the plan wants 7.00 m³.');
    const record = recordOf({ orderM3: 6.25 });
    const moved = { ...record, pour: { ...record.pour, date: '2026-10-09' } };
    expect(plan.next(now(moved, [ordered]))?.sentence).toBe(
      'Ordered for Wed 7 Oct; the pour is on Fri 9 Oct.',
    );
  });

  test('too late for the plant, the first time that can be had is said', () => {
    // Five o'clock: half an hour of notice, five of delay, thirty on the way.
    const late = plan.next(now(recordOf({ firstLoadMin: 320 }), [], pourMs + 300 * 60_000));
    expect(late?.sentence).toBe('Not ordered, and too late for 05:20. First load from 06:05.');
  });

  test('forms over their rating come before any order, and so does what the pump does not reach', () => {
    const over = plan.next(now(recordOf({ lifts: 1, ratingKPa: 40 })));
    // Full head of 2.4 m by hand: 2400 · 9.80665 · 2.4 = 56.5 kPa.
    expect(over?.sentence).toMatch(/^WA: 56\.5 kPa on forms rated 40 kPa/);
    const boom = conveyanceSchema.parse({
      id: 'boom',
      label: 'Boom',
      kind: 'boom',
      reachM: 10,
      rateM3PerH: 40,
    });
    const far = recordOf({ conveyance: 'boom', setUp: { xM: -6, yM: 0 } }, { conveyances: [boom] });
    expect(plan.next(now(far))?.label).toBe('Move the pump');
  });

  test('mixed on the site it is batches, and what they take', () => {
    const drum = mixerSchema.parse({ id: 'drum', label: 'Drum', batchM3: 0.25, batchMin: 6 });
    const v = now(recordOf({ mixer: 'drum' }, { mixers: [drum] }));
    expect(plan.next(v)).toMatchObject({ label: 'What it takes' });
    expect(plan.next(v)?.sentence).toMatch(
      /^Mix it here: \d+ batches of 0\.25 m³, first at 07:30\.$/,
    );
    expect(plan.figure(v).text).toMatch(/^\d+ batches$/);
  });

  test('a seam that waits too long comes before any order', () => {
    // Small loads an hour and a half apart: the second lift comes when the first has long set.
    const record = recordOf({ truckM3: 1.5, spacingMin: 150 }, { plant: undefined });
    const planning = planningOf(record);
    expect(planning?.cold.length).toBeGreaterThan(0);
    const next = plan.next(now(record));
    expect(next?.sentence).toMatch(/ waits .*too long: /);
    expect(next?.label).toBe(planning?.saver ? 'Save it' : 'Way round');
    expect(next?.focus).toEqual({ tab: 'way' });
  });
});

describe('what a plan says beside its figures', () => {
  test('nothing without the mix or the plant that it names', () => {
    const record = recordOf();
    expect(planningOf(record)?.cold).toEqual([]);
    expect(planningOf(record)?.saver).toBeNull();
    expect(planningOf({ ...record, site: { ...record.site, mixes: [] } })).toBeNull();
    expect(planningOf({ ...record, site: { ...record.site, plants: [] } })).toBeNull();
  });

  test('firm or with the balance called, and who does what: a hose wants a pump', () => {
    const planning = planningOf(recordOf());
    expect(planning?.ways.map((w) => w.way)).toContain('firm');
    // Nobody has said who is in the crew: that is not none.
    expect(crewOf(recordOf())?.hands).toBeNull();
    const jobs = crewOf(recordOf())?.jobs.map((j) => j.job);
    expect(jobs).toContain('truck');
    expect(jobs).not.toContain('hose');
    const boom = conveyanceSchema.parse({
      id: 'boom',
      label: 'Boom',
      kind: 'boom',
      reachM: 24,
      rateM3PerH: 40,
    });
    const crew = [crewMemberSchema.parse({ name: 'I. Brandvold', jobs: ['hose'] })];
    const pumped = crewOf(recordOf({ conveyance: 'boom' }, { conveyances: [boom], crew }));
    expect(pumped?.hands).toBe(1);
    expect(pumped?.jobs.map((j) => j.job)).toContain('hose');
  });
});

import { expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { routeOf } from '../pourplan/route.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { clockTasks } from './clock-tasks.ts';
import type { WarmPlacement } from './placements.ts';

/** A wall in two lifts with two bolts pushed in and one tied; windows of 40 min. */
const { site, pour } = job({
  elements: ['WA'],
  runs: L_RUNS,
  settings: { lifts: 2 },
  anchors: [1, 2, 3].map((atM) => ({
    id: `B${atM}`,
    elementId: 'WA',
    kind: 'bolt',
    diameterMm: 16,
    embedmentMm: 180,
    projectionMm: 60,
    atM,
    wetSet: atM < 3,
  })),
});
const route = routeOf(site, pour);
const dayMs = Date.parse('2026-10-07T00:00:00Z');
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const placed = (lift: number, from: number, to: number, ratio: number): WarmPlacement => ({
  elementId: 'WA',
  lift,
  loadId: null,
  fromMs: ms(from),
  toMs: ms(to),
  open: false,
  fromRatio: 0,
  toRatio: ratio,
  tempC: 20,
});
/** Stiff after 40 minutes at 20 °C, and after 20 where it came hot. */
const windowAt = (tempC: number) => ({ stiffenMin: tempC > 30 ? 20 : 40, knitMin: 75 });
const tasks = (reached: WarmPlacement[], now: number, log: ReturnType<typeof entry>[] = []) =>
  clockTasks(site, pour, route, { reached, windowAt }, replay(log), ms(now));
const named = (list: ReturnType<typeof tasks>) =>
  list.map((t) => [t.id, t.dueMs === null ? null : (t.dueMs - dayMs) / 60_000]);

test('before anything is placed only what is pushed in is listed, without a clock', () => {
  expect(named(tasks([], 400))).toEqual([['WA/wet-bolt', null]]);
});

test('a lift that came hot is stiff sooner, whatever comes after it', () => {
  const hot = { ...placed(0, 450, 470, 1), tempC: 32 };
  const due = (list: ReturnType<typeof tasks>, id: string) =>
    named(list).find(([own]) => own === id)?.[1];
  expect(due(tasks([hot], 480), 'WA/consolidate-0')).toBe(470);
  expect(due(tasks([hot, placed(1, 500, 505, 0.4)], 506), 'WA/consolidate-0')).toBe(470);
  expect(due(tasks([hot, placed(1, 500, 505, 0.4)], 506), 'WA/consolidate-1')).toBe(540);
});

test('each lift asks for its line; the last for spreaders, strike-off and bolts, before its first concrete stiffens', () => {
  const first = placed(0, 450, 470, 1);
  expect(named(tasks([first], 480))).toEqual([
    ['WA/consolidate-0', 490],
    ['WA/line-0', 510],
    ['WA/wet-bolt', null],
  ]);
  // The last lift is under way: spreaders are out before it is full.
  expect(named(tasks([first, placed(1, 500, 505, 0.4)], 506)).map(([id]) => id)).toEqual([
    'WA/consolidate-0',
    'WA/line-0',
    'WA/wet-bolt',
    'WA/consolidate-1',
    'WA/spreaders',
  ]);
  const full = tasks([first, placed(1, 500, 520, 1)], 521);
  expect(Object.fromEntries(named(full))).toEqual({
    'WA/consolidate-0': 490,
    'WA/line-0': 510,
    'WA/consolidate-1': 540,
    'WA/wet-bolt': 540,
    'WA/spreaders': 540,
    'WA/strike-off': 540,
    'WA/plumb': 540,
    'WA/line-1': 560,
  });
});

test('what is not done by its time is late, and so is what was done after it', () => {
  const reached = [placed(0, 450, 470, 1)];
  const line = (now: number, log: ReturnType<typeof entry>[] = []) =>
    tasks(reached, now, log).find((t) => t.id === 'WA/line-0');
  const done = (at: number) => entry('task', { taskId: 'WA/line-0', result: 'done' }, at);
  expect(line(509)).toMatchObject({ state: 'open', late: false });
  expect(line(511)).toMatchObject({ state: 'open', late: true });
  expect(line(600, [done(505)])).toMatchObject({ state: 'done', late: false });
  expect(line(600, [done(530)])).toMatchObject({ state: 'done', late: true });
});

test('how it is worked in goes by the form system, and only a lift on another goes into the one below', () => {
  const titles = (consolidation: string) => {
    const own = job({
      elements: ['WA'],
      runs: L_RUNS,
      settings: { lifts: 2 },
      pour: { forms: 'S' },
      formSystems: [
        {
          mark: 'S',
          kind: 'foam',
          ratingKPa: 30,
          panelWidthM: 1.2,
          tiesPerJoint: 2,
          walers: 0,
          consolidation,
        },
      ],
    });
    const reached = [placed(0, 450, 470, 1), placed(1, 500, 520, 1)];
    return clockTasks(
      own.site,
      own.pour,
      routeOf(own.site, own.pour),
      { reached, windowAt },
      replay([]),
      ms(521),
    )
      .filter((t) => t.id.includes('consolidate'))
      .map((t) => t.title);
  };
  expect(titles('vibrator')).toEqual([
    'lift 1 vibrated every 110 mm to 230 mm, in fast, out slowly',
    'lift 2 vibrated every 110 mm to 230 mm, 150 mm into the lift below, in fast, out slowly',
  ]);
  expect(titles('hammer')[1]).toBe('lift 2 forms tapped with a hammer, low to high, both faces');
});

test('bolts tied in on a pad are read again while it is cast; those of a wall, and those pushed in, are not', () => {
  const bolts = ['a', 'b'].map((id, i) => ({
    id,
    elementId: 'P1',
    kind: 'bolt',
    diameterMm: 20,
    embedmentMm: 300,
    projectionMm: 80,
    atM: 0.4 + i * 0.4,
  }));
  const own = job({
    elements: ['P1'],
    runs: [],
    pads: [{ id: 'P1', xM: 0, yM: 0, widthM: 1.2, lengthM: 1.2, depthM: 0.5, bottomM: 0 }],
    anchors: bolts,
  });
  const at = (now: number, ratio: number) =>
    clockTasks(
      own.site,
      own.pour,
      routeOf(own.site, own.pour),
      { reached: [{ ...placed(0, 450, 460, ratio), elementId: 'P1' }], windowAt },
      replay([]),
      ms(now),
    ).map((t) => t.id);
  expect(at(455, 0.5)).toContain('P1/template');
  expect(tasks([placed(0, 450, 470, 1)], 480).some((t) => t.id.endsWith('template'))).toBe(false);
});

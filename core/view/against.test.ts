import { expect, test } from '@jest/globals';
import { checkList } from '../check/points/index.ts';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { planPour } from '../pourplan/plan.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { againstRule } from './against.ts';
import { loadsOf } from '../pourlog/loads.ts';
import { progressOf } from '../pourlog/progress.ts';
import { replay } from '../log/state.ts';

const T0 = Date.parse('2026-10-07T06:00:00Z');
let n = 0;
function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute: number): LogEvent {
  n += 1;
  const at = new Date(T0 + minute * 60_000).toISOString();
  return { id: `e${n}`, at, actor: 'P. Winder', kind, body } as unknown as LogEvent;
}
const high = job({ runs: L_RUNS, elements: ['WA'], settings: { lifts: 2 } });

function against(log: LogEvent[], minute: number) {
  const { site, pour, mix, plant } = high;
  const nowMs = T0 + minute * 60_000;
  const plan = planPour(site, pour, mix, plant, 1190);
  const state = replay(log);
  const loads = loadsOf(state, plan.plannedLoads, mix, site.ruleProfile, nowMs);
  const progress = progressOf(pour, mix, plan.route, state, loads, nowMs);
  const points = checkList({ site, pour, mix });
  const { route } = plan;
  return againstRule({ site, pour, mix, points, route, state, loads, progress, air: [] });
}

test('a good pour has nothing; the gate, a bad load, a cold seam and early stripping each stand with their reason', () => {
  expect(against([], 0)).toEqual([]);
  const load = { loadId: 'L1', ticket: '7', volumeM3: 4, batchedAt: new Date(T0).toISOString() };
  const log = [
    entry('load-arrived', load, 30),
    entry('slump', { loadId: 'L1', measuredMm: 90, where: 'truck' }, 31),
    entry('load-verdict', { loadId: 'L1', decision: 'accept', reason: 'plant adds no more' }, 32),
    entry('place-start', { elementId: 'WA', lift: 0, loadId: 'L1' }, 33),
    entry('place-stop', { elementId: 'WA', lift: 0, filledRatio: 1 }, 50),
    entry('load-end', { loadId: 'L1', returnedM3: 0 }, 51),
    entry('place-start', { elementId: 'WA', lift: 1 }, 150),
    entry('place-stop', { elementId: 'WA', lift: 1, filledRatio: 1 }, 165),
    entry('strip', { elementIds: ['WA'], reason: 'panels wanted' }, 200),
  ];
  const rows = against(log, 300);
  expect(rows.map((r) => [r.what, r.reason])).toEqual([
    [expect.stringMatching(/^Placing began with the gate shut: \d+ held it$/), null],
    ['Load 1 placed although too stiff', 'plant adds no more'],
    ['Seam of WA, lift 1 met by WA, lift 2 over 7.00 m after 117 min; it knits up to 75', null],
    [expect.stringMatching(/^Forms off WA at .* MPa, 0\.6 h/), 'panels wanted'],
  ]);
  // With a reason logged before it, placing against the gate is the override alone.
  const said = [entry('override', { reason: 'storm before noon' }, 20), ...log.slice(0, 5)];
  expect(against(said, 60).map((r) => [r.what, r.reason])).toEqual([
    ['Poured against the gate', 'storm before noon'],
    ['Load 1 placed although too stiff', 'plant adds no more'],
  ]);
});

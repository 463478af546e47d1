import { expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { job } from '../testdata/jobs.ts';
import { loadsOf } from './loads.ts';
import { setTasks } from './set-tasks.ts';

const dayMs = Date.parse('2026-10-07T00:00:00Z');
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const arrived = entry(
  'load-arrived',
  { loadId: 'L1', ticket: '7', volumeM3: 6, batchedAt: new Date(ms(470)).toISOString() },
  490,
);
const made = entry('cylinders', { loadId: 'L1', set: 1, lab: 3, field: 0 }, 500);
const asked = (now: number, log: ReturnType<typeof entry>[], airRatio?: number) => {
  const { mix } = job({ elements: ['WA'], runs: [], mix: { airRatio } });
  const state = replay([arrived, ...log]);
  const loads = loadsOf(state, [{ id: 'L1', volumeM3: 6 }], mix, 'metric-en', ms(now));
  return setTasks(mix, loads, state, ms(now)).map((t) => [t.title, t.late]);
};
const slump = entry('slump', { loadId: 'L1', measuredMm: 160, where: 'truck' }, 501);
const warm = entry('fresh-test', { loadId: 'L1', concreteTempC: 18, where: 'truck' }, 502);
const air = entry('fresh-test', { loadId: 'L1', airRatio: 0.055, where: 'truck' }, 503);

test('a set is made with its slump, temperature and the air that was ordered', () => {
  expect(asked(504, [])).toEqual([]);
  expect(asked(504, [made])).toEqual([['slump, temperature of L1, with set 1', false]]);
  expect(asked(504, [made], 0.055)).toEqual([['slump, air, temperature of L1, with set 1', false]]);
  expect(asked(504, [made, slump], 0.055)).toEqual([['air, temperature of L1, with set 1', false]]);
  expect(asked(504, [made, slump, warm])).toEqual([]);
  expect(asked(504, [made, slump, warm, air], 0.055)).toEqual([]);
});

test('it is late five minutes after the set', () => {
  expect([505, 506].map((now) => asked(now, [made])[0]?.[1])).toEqual([false, true]);
});

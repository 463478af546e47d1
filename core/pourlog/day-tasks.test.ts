import { expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { dayTasks } from './day-tasks.ts';

const dayMs = Date.parse('2026-10-07T00:00:00Z');
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const ask = {
  dayMs,
  breaks: [{ fromMin: 600, toMin: 615 }],
  heavy: ['hose', 'vibrator'],
  dryingMs: null as number | null,
  progress: { startedMs: ms(480) as number | null, finishedMs: null as number | null },
};
const at = (now: number, more: Partial<typeof ask> = {}, log: ReturnType<typeof entry>[] = []) =>
  dayTasks({ ...ask, ...more }, replay(log), ms(now)).map((t) => [t.id, t.state, t.late]);

test('nothing is asked of the crew before the pour begins', () => {
  expect(at(500, { progress: { startedMs: null, finishedMs: null } })).toEqual([]);
});

test('heavy jobs change hands every half hour: the last turn is asked for, till the pour is done', () => {
  expect(at(509)).toEqual([]);
  expect(at(511)).toEqual([['crew/turn-1', 'open', false]]);
  expect(at(521)).toEqual([['crew/turn-1', 'open', true]]);
  const done = entry('task', { taskId: 'crew/turn-2', result: 'done' }, 542);
  expect(at(545, {}, [done])).toEqual([['crew/turn-2', 'done', false]]);
  const over = { progress: { startedMs: ms(480), finishedMs: ms(545) } };
  expect(at(900, over).filter(([id]) => String(id).includes('turn'))).toEqual([
    ['crew/turn-2', 'open', true],
  ]);
});

test('a break is called ten minutes before, and is over when it ends', () => {
  const breaks = (now: number) => at(now, { heavy: [] });
  expect(breaks(589)).toEqual([]);
  expect(breaks(591)).toEqual([['crew/break-600', 'open', false]]);
  expect(breaks(616)).toEqual([['crew/break-600', 'open', true]]);
});

test('weather that dries flat faces asks for cover within a quarter of an hour; what dried before the pour does not', () => {
  const dry = (dryingMs: number, now: number) => at(now, { heavy: [], dryingMs });
  expect(dry(ms(500), 510)).toEqual([['crew/cover-500', 'open', false]]);
  expect(dry(ms(500), 516)).toEqual([['crew/cover-500', 'open', true]]);
  expect(dry(ms(470), 490)).toEqual([]);
});

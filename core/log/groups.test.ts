import { expect, test } from '@jest/globals';
import { entriesFrom } from '../testdata/entries.ts';
import { filterLog, LOG_GROUPS, type LogQuery, placeOf } from './groups.ts';
import { replay, stateAt, timeline } from './state.ts';

const dayMs = Date.parse('2026-10-07T00:00:00Z');
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const note = entry('note', { text: 'Pump priming on North' }, 480);
const start = entry('place-start', { elementId: 'N', lift: 0, loadId: 'L1' }, 490);
const slump = {
  ...entry('slump', { loadId: 'L1', measuredMm: 100, where: 'truck' }, 485),
  actor: 'R. Oduya',
};
const task = entry('task', { taskId: 'N/spreaders', result: 'done' }, 500);
const list = [note, slump, start, task];
const ALL: LogQuery = { words: '', group: null, actor: null, place: null };
const found = (q: Partial<LogQuery>) =>
  filterLog(list, { ...ALL, ...q }, (e) => JSON.stringify(e.body)).map((e) => e.kind);

test('by words in any order and case, by kind, by who and by place; together they narrow', () => {
  expect(found({})).toHaveLength(4);
  expect(found({ words: 'north PUMP' })).toEqual(['note']);
  expect(found({ words: 'oduya' })).toEqual(['slump']);
  expect(found({ group: 'loads' })).toEqual(['slump']);
  expect(found({ actor: 'I. Brandvold', group: 'loads' })).toEqual([]);
  expect(found({ place: 'N' })).toEqual(['place-start', 'task']);
});

test('every kind is found under some heading that is offered', () => {
  for (const e of list)
    expect(
      found({ group: LOG_GROUPS.find((g) => found({ group: g }).includes(e.kind)) ?? null }),
    ).toContain(e.kind);
  expect(placeOf(note)).toBeNull();
  expect(placeOf(task)).toBe('N');
});

test('as it was: what came later is not there, and has corrected nothing yet', () => {
  const wrong = entry('slump', { loadId: 'L1', measuredMm: 200, where: 'truck' }, 485);
  const right = {
    ...entry('slump', { loadId: 'L1', measuredMm: 120, where: 'truck' }, 487),
    supersedes: wrong.id,
  };
  const whole = replay([note, wrong, right, start]);
  const at = (min: number) => timeline(stateAt(whole, ms(min))).map((e) => e.id);
  expect(at(479)).toEqual([]);
  expect(at(486)).toEqual([note.id, wrong.id]);
  expect(at(488)).toEqual([note.id, right.id]);
  expect(timeline(stateAt(whole, ms(600)))).toEqual(timeline(whole));
});

test('an element with a slash in its name is found whole', () => {
  const of = (body: object) => placeOf({ body });
  expect(of({ checkId: 'F1/B 2/cover-side' })).toBe('F1/B 2');
  expect(of({ taskId: 'F1/B 2/line-300' })).toBe('F1/B 2');
  expect(of({ elementId: 'F1/B 2' })).toBe('F1/B 2');
});

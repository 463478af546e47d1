import { expect, test } from '@jest/globals';
import { refuseClosed } from './closed.ts';
import type { EventBody, EventKind, LogEvent } from './events.ts';
import { replay } from './state.ts';
import { asCounted, deviceNoted, driftNoted, refuseTime } from './time.ts';

let n = 0;
const at = (minute: number) => new Date(Date.UTC(2026, 8, 23, 12, minute)).toISOString();
function entry<K extends EventKind>(kind: K, body: EventBody<K>, minute: number): LogEvent {
  n += 1;
  return { id: `e${n}`, at: at(minute), actor: 'A', kind, body } as unknown as LogEvent;
}
const closed = replay([entry('close', {}, 10)]);

test('a closed pour takes what belongs after the closing, and what happened before it', () => {
  expect(refuseClosed(closed, entry('note', { text: 'late' }, 11))).toMatch(/Open it again first/);
  expect(refuseClosed(closed, entry('note', { text: 'was offline' }, 9))).toBeNull();
  expect(refuseClosed(closed, entry('break-test', { ageDays: 7, strengthMPa: 20 }, 11))).toBeNull();
  expect(refuseClosed(closed, entry('defect', { elementId: 'E1', what: 'crack' }, 11))).toBeNull();
  expect(refuseClosed(closed, entry('reopen', { reason: 'a break' }, 11))).toBeNull();
  expect(refuseClosed(replay([]), entry('note', { text: 'open' }, 11))).toBeNull();
});

test('what is taken back after the closing says why', () => {
  expect(refuseClosed(closed, entry('supersede', {}, 11))).toMatch(/says why/);
  expect(refuseClosed(closed, entry('supersede', { reason: 'wrong run' }, 11))).toBeNull();
});

test('an entry whose clock runs ahead counts as of when it came, and keeps what the clock said', () => {
  const early = { at: at(30), recordedAt: at(5) };
  expect(asCounted(early)).toEqual({ ...early, at: at(5), saidAt: at(30) });
  expect(asCounted({ at: at(14), recordedAt: at(5) })).toEqual({ at: at(5), recordedAt: at(5) });
  const late = { at: at(5), recordedAt: at(500) };
  expect(asCounted(late)).toBe(late);
});

test.each([
  ['far', 50],
  ['a little', 4],
])('by a clock that runs %s ahead no later reading is overruled', (_, minute) => {
  const reading = (mm: number, minute: number, recordedAt: string) =>
    ({
      ...entry('reading', { checkId: 'E1/cover', place: 0, value: { type: 'length', mm } }, minute),
      recordedAt,
    }) as LogEvent;
  const state = replay([reading(10, minute, at(1)), reading(40, 2, at(2))]);
  expect(state.active.reading?.map((e) => e.body.value)).toEqual([
    { type: 'length', mm: 10 },
    { type: 'length', mm: 40 },
  ]);
});

test.each([
  ['a sign-off ten minutes ahead', 'sign', 10, /not dated ahead/],
  ['a sign-off within what clocks differ', 'sign', 1, null],
  ['a reading an hour ahead, which will count as of now', 'reading', 60, null],
  ['a reading two days ahead', 'reading', 2 * 1440, /more than a day ahead/],
  ['a reading of hours without signal', 'reading', -600, null],
  ['a reading of years ago', 'reading', -2 * 366 * 1440, /more than a year ago/],
] as const)('%s', (_, kind, minutes, why) => {
  const said = refuseTime(kind, minutes * 60_000, 0);
  if (why) expect(said).toMatch(why);
  else expect(said).toBeNull();
});

test('a device whose clock is more than two minutes off says so with its entries', () => {
  expect(deviceNoted('tablet', 60_000, 0)).toBe('tablet');
  expect(deviceNoted('tablet', null, 0)).toBe('tablet');
  const slow = deviceNoted('tablet', -420_000, 0);
  expect(slow).toBe('tablet clock -420 s');
  expect(driftNoted(slow)).toBe(-420_000);
  expect(driftNoted(deviceNoted('tablet', 180_000, 0))).toBe(180_000);
  expect(driftNoted('tablet')).toBeNull();
});

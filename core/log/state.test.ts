import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { EventBody, EventKind, LogEvent } from './events.ts';
import {
  entries,
  isClosed,
  latest,
  replay,
  step,
  EMPTY_STATE,
  timeline,
  type PourState,
} from './state.ts';

let n = 0;
const T0 = Date.parse('2026-09-23T12:00:00Z');
function entry<K extends EventKind>(
  kind: K,
  body: EventBody<K>,
  minute: number,
  supersedes: string | null = null,
): LogEvent {
  n += 1;
  return {
    id: `e${String(n).padStart(4, '0')}`,
    at: new Date(T0 + minute * 60_000).toISOString(),
    actor: 'T. Oakes',
    kind,
    body,
    supersedes,
  } as LogEvent;
}
const reading = (mm: number, minute: number, supersedes: string | null = null) =>
  entry(
    'reading',
    { checkId: 'F/cover', place: 0, value: { type: 'length', mm } },
    minute,
    supersedes,
  );
/** What counts, without the order in which it was heard. */
const essence = (s: PourState) => ({
  lines: timeline(s).map((e) => e.id),
  seen: [...s.seen.keys()].sort(),
  superseded: [...s.superseded].sort(),
});

describe('the log as a set of entries', () => {
  test('any order, and any doubles, leave the same state', () => {
    const a = reading(70, 1);
    const b = reading(80, 2, a.id);
    const log = [
      a,
      b,
      entry('note', { text: 'rain' }, 1),
      entry('weather', { airTempC: 12, sky: 'rain' }, 3),
      entry('supersede', {}, 4, b.id),
      reading(75, 4),
      entry('close', {}, 9),
    ];
    const straight = essence(replay(log));
    fc.assert(
      fc.property(
        fc.shuffledSubarray(log, { minLength: log.length }),
        fc.array(fc.nat({ max: log.length - 1 }), { maxLength: 5 }),
        (mixed, doubles) => {
          expect(essence(replay([...mixed, ...doubles.map((i) => log[i] as LogEvent)]))).toEqual(
            straight,
          );
        },
      ),
    );
  });

  test('a step at a time is the same as all at once', () => {
    const log = Array.from({ length: 40 }, (_, i) => reading(60 + i, (i * 7) % 40));
    log.push(reading(1, 3, log[5]?.id), entry('supersede', {}, 2, log[9]?.id), reading(2, 3));
    const oneByOne = log.reduce(step, EMPTY_STATE);
    expect(replay(log)).toEqual(oneByOne);
    // Nor does it matter where the log is cut.
    fc.assert(
      fc.property(fc.nat({ max: log.length }), fc.nat({ max: log.length }), (cut, again) => {
        const first = replay(log.slice(0, cut));
        expect(replay(log.slice(Math.min(cut, again)), first)).toEqual(oneByOne);
      }),
    );
    // What brings nothing new leaves the state itself, so that nothing is worked out again.
    expect(replay(log.slice(3, 9), oneByOne)).toBe(oneByOne);
    const minutes = entries(replay(log), 'reading').map((e) => Date.parse(e.at));
    expect(minutes).toEqual([...minutes].sort((x, y) => x - y));
  });

  test('a corrected entry no longer counts but is not forgotten; taking back the correction does not bring it back', () => {
    const wrong = reading(7, 1);
    const right = reading(70, 1, wrong.id);
    const s = replay([right, wrong]);
    expect(entries(s, 'reading').map((e) => e.id)).toEqual([right.id]);
    expect(s.seen.has(wrong.id)).toBe(true);
    expect(entries(step(s, entry('supersede', {}, 5, right.id)), 'reading')).toEqual([]);
  });

  test('device time rules over arrival, to the instant and not to the text', () => {
    const early = { ...reading(1, 0), at: '2026-09-23T14:00:00+02:00' };
    const late = { ...reading(2, 0), at: '2026-09-23T12:00:01Z' };
    expect(latest(replay([late, early]), 'reading')?.id).toBe(late.id);
  });

  test('closed, opened, and closed again', () => {
    const close = entry('close', {}, 1);
    const open = entry('reopen', { reason: 'one more break' }, 2);
    expect(isClosed(replay([close]))).toBe(true);
    expect(isClosed(replay([open, close]))).toBe(false);
    expect(isClosed(replay([open, close, entry('close', {}, 3)]))).toBe(true);
    expect(isClosed(replay([close, entry('supersede', {}, 2, close.id)]))).toBe(false);
  });
});

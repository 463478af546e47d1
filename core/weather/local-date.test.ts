import { describe, expect, test } from '@jest/globals';
import { localDate, localIso, midnightMs, minuteOfDay, pourDayMs, wallMs } from './local-date.ts';

/** Days on which clocks change: back and forward, north and south, and one on which they do not. */
const DAYS = [
  ['2026-11-01', 'America/Chicago'],
  ['2026-03-08', 'America/Chicago'],
  ['2026-10-25', 'Europe/Paris'],
  ['2026-03-29', 'Europe/Paris'],
  ['2026-04-05', 'Australia/Sydney'],
  ['2026-10-04', 'Australia/Sydney'],
  ['2026-09-23', 'America/Chicago'],
] as const;

describe.each(DAYS)('on %s in %s', (date, zone) => {
  test.each([30, 450, 720, 1410])('minute %d is when its clocks show it', (min) => {
    const ms = wallMs(date, min, zone);
    expect([localDate(ms, zone), minuteOfDay(ms, zone)]).toEqual([date, min]);
  });
  test('a morning counts from midnight as the clocks show it', () => {
    expect(midnightMs(date, zone) + 450 * 60_000).toBe(wallMs(date, 450, zone));
    expect(pourDayMs(date, 450, zone) + 510 * 60_000).toBe(wallMs(date, 510, zone));
  });
  test('a pour in the night begins by the clock, whatever becomes of it after', () => {
    expect(pourDayMs(date, 30, zone) + 30 * 60_000).toBe(wallMs(date, 30, zone));
  });
});

test('a time that is skipped is the one after it, one that comes twice its first', () => {
  expect(localIso(wallMs('2026-03-08', 150, 'America/Chicago'), 'America/Chicago')).toBe(
    '2026-03-08T03:30:00-05:00',
  );
  expect(localIso(wallMs('2026-11-01', 90, 'America/Chicago'), 'America/Chicago')).toBe(
    '2026-11-01T01:30:00-05:00',
  );
});

test('minutes go on after midnight, and parts of one are kept', () => {
  const next = wallMs('2026-09-23', 1440 + 30.5, 'Europe/Paris');
  expect([localDate(next, 'Europe/Paris'), minuteOfDay(next, 'Europe/Paris')]).toEqual([
    '2026-09-24',
    30.5,
  ]);
});

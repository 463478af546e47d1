import { expect, test } from '@jest/globals';
import { isTimeZone, timeOfDay } from './time-zone.ts';

test('the time of day is the one on the clocks of the zone, from 00:00, summer time counted', () => {
  const ms = Date.UTC(2026, 8, 23, 5, 5);
  expect(timeOfDay(ms, 'America/Chicago')).toBe('00:05');
  expect(timeOfDay(ms, 'Europe/Berlin')).toBe('07:05');
  expect(timeOfDay(Date.UTC(2026, 11, 23, 5, 5), 'America/Chicago')).toBe('23:05');
});

test('a zone that no machine knows is refused, each time', () => {
  expect(isTimeZone('Europe/Berlin')).toBe(true);
  expect(isTimeZone('Mars/Olympus')).toBe(false);
  expect(isTimeZone('Mars/Olympus')).toBe(false);
});

import { expect, test } from '@jest/globals';
import { hoursBetween } from './between.ts';

const H = 3_600_000;
const hour = (h: number, airTempC: number, rainMmH = 0) => ({
  ms: h * H,
  airTempC,
  humidity: 0.5,
  windKmH: 10,
  rainMmH,
});

test('a few lines are enough: hours between them go straight, rain holds until the next', () => {
  const got = hoursBetween([hour(6, 4), hour(10, 12, 2), hour(12, 10)], 5 * H, 20 * H);
  const at = (h: number) => got.find((g) => g.ms === h * H);
  expect(at(8)?.airTempC).toBeCloseTo(8, 9);
  expect(at(11)).toMatchObject({ airTempC: 11, rainMmH: 2 });
  expect(at(9)?.rainMmH).toBe(0);
  // An hour before the first is as the first; three after the last are as the last, then nothing is known.
  expect(at(5)?.airTempC).toBe(4);
  expect(at(15)?.airTempC).toBe(10);
  expect(at(16)).toBeUndefined();
  expect(hoursBetween([], 0, H)).toEqual([]);
});

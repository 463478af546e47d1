import { describe, expect, test } from '@jest/globals';
import { dailyWeather } from './days.ts';

const hour = (at: string, airTempC: number, rainMmH = 0) => ({ at, airTempC, rainMmH });

describe('weather by the day', () => {
  test('coolest, warmest, and the rain of its hours in all', () => {
    expect(
      dailyWeather(
        [
          hour('2026-10-07T04:00:00Z', 6),
          hour('2026-10-07T12:00:00Z', 15, 2),
          hour('2026-10-07T13:00:00Z', 14, 0.5),
        ],
        'UTC',
      ),
    ).toEqual([
      {
        date: '2026-10-07',
        lowC: 6,
        highC: 15,
        rainMm: 2.5,
        atMs: Date.parse('2026-10-07T04:00:00Z'),
      },
    ]);
  });

  test('an hour belongs to the day it is in where the site is', () => {
    const late = [hour('2026-10-07T22:30:00Z', 9), hour('2026-10-08T03:30:00Z', 5)];
    expect(dailyWeather(late, 'Europe/Paris').map((d) => d.date)).toEqual(['2026-10-08']);
    expect(dailyWeather(late, 'America/Chicago').map((d) => d.date)).toEqual(['2026-10-07']);
    expect(dailyWeather(late, 'UTC').map((d) => [d.date, d.lowC, d.highC])).toEqual([
      ['2026-10-07', 9, 9],
      ['2026-10-08', 5, 5],
    ]);
  });

  test('no hours make no days', () => {
    expect(dailyWeather([], 'UTC')).toEqual([]);
  });
});

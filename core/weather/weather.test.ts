import { describe, expect, test } from '@jest/globals';
import { resultOf } from '../kit/calculation.ts';
import { daylight, daylightOf, workingLight } from './daylight.ts';
import { leastPlacedC } from '../concrete/cold.ts';
import { weatherRules } from './weather-rules.ts';

const day = (more: Record<number, object> = {}) =>
  Array.from({ length: 12 }, (_, i) => ({
    timeMin: 420 + i * 60,
    airTempC: 15,
    windKmH: 10,
    ...more[i],
  }));
const base = { leastDimensionM: 0.25, concreteTempC: 20 };

describe('weather', () => {
  test.each([
    [0.2, 13],
    [0.3, 13],
    [0.3048, 10],
    [0.9, 10],
    [0.9144, 7],
    [1.8, 7],
    [1.8288, 5],
  ])('a section of %d m is placed at %d °C or more in the cold', (m, c) => {
    expect(leastPlacedC(m)).toBe(c);
  });
  test('a fair day goes, all in one window', () => {
    expect(resultOf(weatherRules, { ...base, forecast: day() })).toMatchObject({
      verdict: 'go',
      coldWeather: false,
      windows: [{ fromMin: 420, toMin: 1140 }],
    });
  });
  test('rain splits the day; only rain while placing counts against it', () => {
    const forecast = day({ 7: { rainMmH: 4 }, 8: { rainMmH: 0.6 } });
    const out = resultOf(weatherRules, { ...base, forecast, placeFromMin: 450, placeToMin: 830 });
    expect(out.verdict).toBe('go');
    expect(out.windows).toEqual([
      { fromMin: 420, toMin: 840 },
      { fromMin: 900, toMin: 1140 },
    ]);
    expect(
      resultOf(weatherRules, { ...base, forecast, placeFromMin: 450, placeToMin: 850 }).verdict,
    ).toBe('no');
    expect(
      resultOf(weatherRules, { ...base, forecast, placeFromMin: 900, placeToMin: 1000 }),
    ).toMatchObject({ verdict: 'caution' });
  });
  test('frost tonight asks for warm concrete and protection, today already', () => {
    const forecast = day({ 11: { airTempC: -3 } });
    expect(
      resultOf(weatherRules, { ...base, forecast, placeFromMin: 450, placeToMin: 600 }),
    ).toMatchObject({ verdict: 'caution', coldWeather: true, lowestC: -3, leastPlacedC: 13 });
    expect(resultOf(weatherRules, { ...base, concreteTempC: 12, forecast }).reasons.join()).toMatch(
      /this section needs 13/,
    );
    expect(resultOf(weatherRules, { ...base, forecast: day(), lowestSoFarC: 4 }).coldWeather).toBe(
      true,
    );
    expect(resultOf(weatherRules, { ...base, forecast: day(), groundFrozen: true }).verdict).toBe(
      'no',
    );
  });
  test('protection runs from the last concrete, and an hour holds until the next', () => {
    const forecast = [
      { timeMin: 420, airTempC: 10 },
      { timeMin: 600, airTempC: 10, rainMmH: 3 },
      { timeMin: 780, airTempC: 10 },
      { timeMin: 2040, airTempC: -4 },
    ];
    const ask = { ...base, forecast, protectionH: 24 };
    // 960 + 24 h reaches to 2400: the frost of the next morning lies in it; from the first at 420 it would not.
    expect(resultOf(weatherRules, { ...ask, placeFromMin: 420, placeToMin: 590 }).coldWeather).toBe(
      false,
    );
    expect(resultOf(weatherRules, { ...ask, placeFromMin: 800, placeToMin: 960 })).toMatchObject({
      verdict: 'caution',
      coldWeather: true,
      lowestC: -4,
    });
    // Three-hourly: at 770 the rain of 600 still falls.
    expect(resultOf(weatherRules, { ...ask, placeFromMin: 770, placeToMin: 775 }).verdict).toBe(
      'no',
    );
    // Beyond its last hour there is no forecast.
    expect(
      resultOf(weatherRules, { ...base, forecast: day(), placeFromMin: 1000, placeToMin: 1141 })
        .verdict,
    ).toBe('caution');
  });
  test('wind and lightning stop a boom and nothing else', () => {
    const forecast = day({ 1: { windKmH: 50 }, 2: { lightning: true } });
    expect(
      resultOf(weatherRules, { ...base, forecast, boom: true })
        .hours.slice(0, 3)
        .map((h) => h.level),
    ).toEqual(['go', 'no', 'no']);
    expect(
      resultOf(weatherRules, { ...base, forecast })
        .hours.slice(0, 3)
        .map((h) => h.level),
    ).toEqual(['go', 'go', 'caution']);
  });
  test('hot concrete is out', () => {
    expect(
      resultOf(weatherRules, { ...base, concreteTempC: 35.1, forecast: day() }).reasons.join(),
    ).toMatch(/hotter than 35/);
  });
});

describe('daylight', () => {
  test('an equinox day has about twelve hours, and dusk comes after sunset', () => {
    const { sunriseMin, sunsetMin, duskMin } = resultOf(daylightOf, {
      date: '2026-09-23',
      timeZone: 'America/Chicago',
      latitude: 45.2,
      longitude: -92.6,
    });
    expect((sunsetMin as number) - (sunriseMin as number)).toBeGreaterThan(715);
    expect((sunsetMin as number) - (sunriseMin as number)).toBeLessThan(740);
    expect((duskMin as number) - (sunsetMin as number)).toBeGreaterThan(25);
  });
  test('polar day and night are told apart, and only one of them is dark', () => {
    const north = (date: string) => daylight(date, 'Europe/Oslo', 78, 15);
    expect(north('2026-06-21')).toMatchObject({ polar: 'day', sunriseMin: null });
    expect(workingLight(north('2026-06-21'))).toEqual({ sunriseMin: 0, duskMin: 1440 });
    expect(north('2026-12-21')).toMatchObject({ polar: 'night', sunriseMin: null });
    expect(workingLight(north('2026-12-21')).sunriseMin).toBeGreaterThan(1400);
  });
  test('there is no sunset in the polar summer, and a zone nobody knows is bad input', () => {
    expect(
      resultOf(daylightOf, {
        date: '2026-06-21',
        timeZone: 'Europe/Oslo',
        latitude: 78,
        longitude: 15,
      }).sunsetMin,
    ).toBeNull();
    expect(() =>
      resultOf(daylightOf, {
        date: '2026-06-21',
        timeZone: 'Moon/Crater',
        latitude: 0,
        longitude: 0,
      }),
    ).toThrow(/timeZone is not a time zone/);
  });
});

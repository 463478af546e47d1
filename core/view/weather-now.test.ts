import { describe, expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { readWeatherText, weatherAsksText } from '../words/weather.ts';
import { demoPour } from '../testdata/demo.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { midnightMs } from '../weather/local-date.ts';
import { viewOf } from './pour-view.ts';
import { weatherNowOf } from './weather-now.ts';

const { site, pour, mix, plant } = demoPour('kestrel', 'K2');
const dayMs = midnightMs(pour.date ?? '2026-10-06', site.timeZone);
const { entry, ms } = entriesFrom(dayMs, 'I. Brandvold');
const boom = {
  id: 'b',
  label: 'Boom',
  kind: 'boom' as const,
  reachM: 24,
  leastReachM: 3,
  rateM3PerH: 30,
  slumpLossMm: 0,
  staysInM3: 0,
  hands: 1,
  windNoKmH: 40,
};
const hourAt = (min: number, more: object = {}) => ({
  at: new Date(ms(min)).toISOString(),
  airTempC: 12,
  humidity: 0.6,
  windKmH: 15,
  rainMmH: 0,
  ...more,
});
const seen = (read: object, forecast: object[] = []) => {
  const record = {
    site: { ...site, mixes: [mix], plants: [plant], conveyances: [boom] },
    pour: { ...pour, settings: { ...pour.settings, conveyance: 'b' } },
    duskMin: 1180,
  };
  const state = replay([entry('weather', { airTempC: 12, sky: 'clear', ...read }, 500)]);
  const view = viewOf(record, state, ms(510));
  if (!view) throw new Error('no view');
  return weatherNowOf(record, view, state, forecast as never);
};

describe('the weather that was read', () => {
  test('stands beside what was forecast for that hour, where that is another', () => {
    const now = seen({ windKmH: 15, airTempC: 9 }, [hourAt(480)]);
    if (!now) throw new Error('not read');
    expect(readWeatherText(now.read.body, now.forecast, 'metric')).toBe(
      'Air 9 °C (forecast 12 °C), wind 15 km/h, clear',
    );
    // An hour that is over, or not begun, is no forecast for it.
    expect(seen({}, [hourAt(420), hourAt(540)])?.forecast).toBeNull();
  });

  test('a boom stops at its own limit, not at another', () => {
    const asks = (windKmH: number) => {
      const now = seen({ windKmH });
      return now && [now.level, weatherAsksText(now, 'metric')];
    };
    expect(asks(40)).toEqual(['go', []]);
    expect(asks(41)).toEqual(['no', ['Too windy: the boom stops at 40 km/h.']]);
  });

  test('a cold night to come makes it cold weather, however mild it is now', () => {
    const now = seen({}, [hourAt(480), hourAt(1500, { airTempC: 3 })]);
    expect(now).toMatchObject({ cold: true, lowestC: 3, level: 'go' });
    expect(seen({}, [hourAt(480)])?.cold).toBe(false);
  });

  test('rain that was read stops the face', () => {
    const now = seen({ sky: 'rain', rainMmH: 4 });
    expect(now?.level).toBe('no');
    expect(now && weatherAsksText(now, 'metric')[0]).toMatch(/^Rain on the face/);
  });
});

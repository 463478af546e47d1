import type { WeatherAnswer, WeatherHour } from '../../contract/index.ts';
import { type GivenHour, hoursBetween } from '#core/weather';
import type { AppDeps } from '../deps.ts';

const skyOf = (h: GivenHour): WeatherHour['sky'] => {
  if (h.rainMmH > 0) return h.airTempC < 0 ? 'snow' : 'rain';
  return h.humidity > 0.75 ? 'cloud' : 'clear';
};

/** The weather at a site: what was typed or brought in rules over the service, hour by hour. */
export async function weatherAnswer(
  { forecasts, weather }: Pick<AppDeps, 'forecasts' | 'weather'>,
  site: { id: string; name: string; timeZone: string },
  fromMs: number,
  toMs: number,
  nowMs: number,
): Promise<WeatherAnswer> {
  const given = hoursBetween(
    (await forecasts.of(site.id)).map(({ at, ...h }) => ({ ms: Date.parse(at), ...h })),
    fromMs,
    toMs,
  ).map(({ ms, ...h }): WeatherHour => ({
    at: new Date(ms).toISOString(),
    ...h,
    sky: skyOf({ ms, ...h }),
  }));
  const served = weather.hours(site, fromMs, toMs, nowMs);
  if (given.length === 0)
    return served ? { source: 'simulated', hours: served } : { source: 'none', hours: [] };
  const known = new Set(given.map((h) => h.at));
  const hours = [...given, ...(served ?? []).filter((h) => !known.has(h.at))];
  return { source: 'given', hours: hours.sort((a, b) => a.at.localeCompare(b.at)) };
}

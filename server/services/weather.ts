import type { WeatherAnswer, WeatherHour } from '../../contract/index.ts';
import { entries, type PourState } from '#core/log';
import { airBeforeOf, dayBefore } from '#core/view';
import { type GivenHour, hoursBetween } from '#core/weather';
import type { WeatherService } from '../standins/weather.ts';
import type { ForecastStore } from '../store/forecasts.ts';
import type { AirBefore } from '../store/sites.ts';

/** What the air is asked of: what was typed or brought in, and a service. */
interface Weather {
  forecasts: ForecastStore;
  weather: WeatherService;
}

const skyOf = (h: GivenHour): WeatherHour['sky'] => {
  if (h.rainMmH > 0) return h.airTempC < 0 ? 'snow' : 'rain';
  return h.humidity > 0.75 ? 'cloud' : 'clear';
};

/** The weather at a site: what was typed or brought in rules over the service, hour by hour. */
export async function weatherAnswer(
  { forecasts, weather }: Weather,
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

/** How warm the air is on the day before a pour, from the same hours as everything else. */
export const airBeforeFrom =
  (deps: Weather & { clock: { now(): Date } }): AirBefore =>
  async (site, pour) => {
    const nowMs = deps.clock.now().getTime();
    const day = dayBefore(site, pour, nowMs);
    const { hours } = await weatherAnswer(deps, site, day.fromMs, day.toMs, nowMs);
    return airBeforeOf(hours, day);
  };

const DAY_MS = 86_400_000;
/** Curing is reckoned with the air of so long ahead, and of so long back at most, ms. */
const AHEAD_MS = 14 * DAY_MS;
const BACK_MS = 60 * DAY_MS;

/** The air a pour cures in: from its first concrete on, and for two weeks to come. */
export async function curingAir(
  deps: Weather,
  record: { siteId: string; site: { name: string; timeZone: string } },
  state: PourState,
  nowMs: number,
): Promise<WeatherHour[]> {
  const first = entries(state, 'place-start')[0];
  const fromMs = first ? Math.max(Date.parse(first.at), nowMs - BACK_MS) : nowMs;
  const site = { ...record.site, id: record.siteId };
  return (await weatherAnswer(deps, site, fromMs, nowMs + AHEAD_MS, nowMs)).hours;
}

import { congruential32 } from 'pure-rand/generator/congruential32';
import type { WeatherHour } from '../../contract/index.ts';
import { localDate, midnightMs } from '#core/weather';

/** A day of simulated weather, as the demo's scripts give it. */
export interface WeatherDay {
  date: string;
  lowC: number;
  highC: number;
  windKmH: number;
  humidity: number;
  rain?: { fromH: number; toH: number; mmH: number }[];
}
/** Something that forecasts: the stand-in here, or a real service behind the same interface. */
export interface WeatherService {
  /** @param nowMs the moment it is asked: hours before it are observed, those after it forecast */
  hours(
    site: { name: string; timeZone: string },
    fromMs: number,
    toMs: number,
    nowMs: number,
  ): WeatherHour[] | null;
}

const HOUR = 3600_000;
const dayOf = (date: string): number => Math.floor(Date.parse(`${date}T00:00:00Z`) / 86_400_000);

/**
 * A day the script does not name: near the script's own, moved a little by a seed, so that a
 * rehearsal can be repeated.
 */
function drifted(date: string, days: WeatherDay[]): WeatherDay {
  const nearest = days.reduce((a, b) =>
    Math.abs(dayOf(b.date) - dayOf(date)) < Math.abs(dayOf(a.date) - dayOf(date)) ? b : a,
  );
  const swing = ((congruential32(dayOf(date)).next() >>> 8) / 0xff_ffff - 0.5) * 5;
  return { ...nearest, date, lowC: nearest.lowC + swing, highC: nearest.highC + swing, rain: [] };
}

/** Coolest at five, warmest at three in the afternoon, straight cosine between. */
function airAt(day: WeatherDay, hour: number): number {
  const rising = hour >= 5 && hour < 15;
  const sinceTop = hour < 5 ? hour + 14 : hour - 15;
  const share = rising ? (hour - 5) / 10 : sinceTop / 14;
  const wave = (1 - Math.cos(Math.PI * Math.min(1, share))) / 2;
  return rising
    ? day.lowC + (day.highC - day.lowC) * wave
    : day.highC - (day.highC - day.lowC) * wave;
}

/** So far ahead a forecast knows nothing of how it will miss, h. */
const BLIND_H = 12;
/** How far it misses at most: air °C, wind and rain as shares. */
const MISS = { airC: 1.5, wind: 0.25, rain: 0.35 };
/** Its misses change as slowly as this, h. */
const SLOW_H = 6;

/** A number from −1 to 1 that is always the same for the same place in a row of misses. */
const missAt = (knot: number, of: number): number =>
  ((congruential32((Math.imul(knot, 2654435761) ^ Math.imul(of + 1, 40503)) >>> 0).next() >>> 8) /
    0xff_ffff) *
    2 -
  1;

/**
 * How much a forecast made at `nowMs` already knows of its own miss at an hour, −1 to 1: nothing
 * far ahead, all of it once the hour is there. What was forecast so drifts into what is observed.
 */
function missOf(of: number, ms: number, nowMs: number): number {
  const at = ms / HOUR / SLOW_H;
  const knot = Math.floor(at);
  const share = (1 - Math.cos(Math.PI * (at - knot))) / 2;
  const miss = missAt(knot, of) * (1 - share) + missAt(knot + 1, of) * share;
  return miss * (1 - Math.min(1, Math.max(0, (ms - nowMs) / HOUR) / BLIND_H));
}

export class SimulatedWeather implements WeatherService {
  readonly #scripts: Map<string, WeatherDay[]>;
  constructor(scripts: Map<string, WeatherDay[]>) {
    this.#scripts = scripts;
  }

  hours(
    site: { name: string; timeZone: string },
    fromMs: number,
    toMs: number,
    nowMs: number,
  ): WeatherHour[] | null {
    const days = this.#scripts.get(site.name);
    if (!days?.length) return null;
    const out: WeatherHour[] = [];
    for (let t = Math.floor(fromMs / HOUR) * HOUR; t <= toMs; t += HOUR) {
      const date = localDate(t, site.timeZone);
      const day = days.find((d) => d.date === date) ?? drifted(date, days);
      const hour = (t - midnightMs(date, site.timeZone)) / HOUR;
      const rain = day.rain?.find((r) => hour >= r.fromH && hour < r.toH);
      const dry = day.humidity > 0.75 ? 'cloud' : 'clear';
      out.push({
        at: new Date(t).toISOString(),
        airTempC: airAt(day, hour) + MISS.airC * missOf(0, t, nowMs),
        humidity: day.humidity,
        windKmH:
          day.windKmH *
          (0.6 + 0.4 * Math.sin((Math.PI * Math.max(0, hour - 6)) / 14)) *
          (1 + MISS.wind * missOf(1, t, nowMs)),
        rainMmH: (rain?.mmH ?? 0) * (1 + MISS.rain * missOf(2, t, nowMs)),
        sky: rain ? 'rain' : dry,
      });
    }
    return out;
  }
}

export const NO_WEATHER: WeatherService = { hours: () => null };

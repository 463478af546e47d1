import { resultOf } from '#core/kit';
import { atMost } from '#core/units';
import { evaporation } from './evaporation.ts';
import type { StartWindowInput } from './start-input.ts';

export type StartVerdict = 'good' | 'watch' | 'no';
/** What speaks against a start: the figure, the limit it breaks, and the minute at which. */
export interface StartReason {
  rule: 'rain' | 'wind' | 'cold' | 'dark' | 'plant' | 'drying' | 'forecast';
  verdict: StartVerdict;
  value: number;
  limit: number;
  atMin: number;
}
type Hour = StartWindowInput['forecast'][number];
const DAY_MIN = 1440;
/** The last hour of a forecast holds for this long, minutes. */
const LAST_HOLDS_MIN = 60;
/** Two times closer than this are the same moment, minutes. */
const MOMENT = 1e-9;

const endOf = (hours: Hour[], i: number): number =>
  hours[i + 1]?.timeMin ?? (hours[i]?.timeMin ?? 0) + LAST_HOLDS_MIN;

/** Hours that overlap a span for more than a moment. */
const hoursIn = (hours: Hour[], fromMin: number, toMin: number): Hour[] =>
  hours.filter((h, i) => Math.min(endOf(hours, i), toMin) - Math.max(h.timeMin, fromMin) > MOMENT);

/** The first hour with the most of something; undefined where there is none. */
function most(hours: Hour[], of: (h: Hour) => number): { value: number; atMin: number } | null {
  let found: { value: number; atMin: number } | null = null;
  for (const h of hours) {
    const value = of(h);
    if (!found || value > found.value) found = { value, atMin: h.timeMin };
  }
  return found;
}

/** Light of the day a start lies in: days beyond the list are like its last. */
function lightOf(v: StartWindowInput, day: number): { sunriseMin: number; duskMin: number } {
  const index = Math.min(Math.max(day, 0), v.days.length - 1);
  const light = v.days[index] ?? { sunriseMin: 0, duskMin: DAY_MIN };
  const later = (day - index) * DAY_MIN;
  return { sunriseMin: light.sunriseMin + later, duskMin: light.duskMin + later };
}

/** Rain, wind, cold and drying against a start. */
function weatherAgainst(v: StartWindowInput, s: number, e: number, f: number): StartReason[] {
  const wettest = most(hoursIn(v.forecast, s, f), (h) => h.rainMmH);
  const strongest = most(hoursIn(v.forecast, s, e), (h) => h.windKmH);
  const coldest = most(hoursIn(v.forecast, s, f + v.protectH * 60), (h) => -h.airTempC);
  const out: StartReason[] = [];
  if (wettest && !atMost(wettest.value, v.rainNoMmH))
    out.push({ rule: 'rain', verdict: 'no', limit: v.rainNoMmH, ...wettest });
  else if (wettest && !atMost(wettest.value, v.rainWatchMmH))
    out.push({ rule: 'rain', verdict: 'watch', limit: v.rainWatchMmH, ...wettest });
  if (strongest && v.windNoKmH !== undefined && !atMost(strongest.value, v.windNoKmH))
    out.push({ rule: 'wind', verdict: 'no', limit: v.windNoKmH, ...strongest });
  if (coldest && -coldest.value < v.coldC)
    out.push({
      rule: 'cold',
      verdict: 'watch',
      value: -coldest.value,
      limit: v.coldC,
      atMin: coldest.atMin,
    });
  return out;
}

function darkAgainst(v: StartWindowInput, day: number, s: number, f: number): StartReason[] {
  const { sunriseMin, duskMin } = lightOf(v, day);
  const done = f + v.cleanUpMin;
  const dark = { rule: 'dark', verdict: 'watch' } as const;
  if (s < sunriseMin) return [{ ...dark, value: s, limit: sunriseMin, atMin: s }];
  return done > duskMin ? [{ ...dark, value: done, limit: duskMin, atMin: duskMin }] : [];
}

function plantAgainst(v: StartWindowInput, day: number, s: number, e: number): StartReason[] {
  const first = s - v.travelMin;
  const last = e - v.travelMin;
  const [opens, closes] = [v.plantOpenMin, v.plantCloseMin].map((m) =>
    m === undefined ? undefined : m + day * DAY_MIN,
  );
  const shut = { rule: 'plant', verdict: 'no' } as const;
  if (opens !== undefined && first < opens)
    return [{ ...shut, value: first, limit: opens, atMin: first }];
  return closes !== undefined && last > closes
    ? [{ ...shut, value: last, limit: closes, atMin: closes }]
    : [];
}

function dryingAgainst(v: StartWindowInput, s: number, f: number): StartReason[] {
  const { concreteTempC } = v;
  if (!v.flatFace || concreteTempC === undefined) return [];
  const driest = most(
    hoursIn(v.forecast, s, f),
    ({ airTempC, humidity, windKmH }) =>
      resultOf(evaporation, { concreteTempC, airTempC, humidity, windKmH }).rateKgM2H,
  );
  return driest && driest.value >= v.dryingKgM2H
    ? [{ rule: 'drying', verdict: 'watch', limit: v.dryingKgM2H, ...driest }]
    : [];
}

function forecastAgainst(v: StartWindowInput, s: number, f: number): StartReason[] {
  const begins = v.forecast[0]?.timeMin ?? Infinity;
  const ends = endOf(v.forecast, v.forecast.length - 1);
  return begins > s || ends < f
    ? [{ rule: 'forecast', verdict: 'watch', value: f, limit: ends, atMin: ends }]
    : [];
}

function worstOf(reasons: StartReason[]): StartVerdict {
  if (reasons.some((r) => r.verdict === 'no')) return 'no';
  return reasons.length ? 'watch' : 'good';
}

/** One start, and what speaks against it. */
export function judgeStart(v: StartWindowInput, startMin: number) {
  const e = startMin + v.placingMin;
  const f = e + v.finishMin;
  const day = Math.floor(startMin / DAY_MIN);
  const reasons = [
    ...weatherAgainst(v, startMin, e, f),
    ...darkAgainst(v, day, startMin, f),
    ...plantAgainst(v, day, startMin, e),
    ...dryingAgainst(v, startMin, f),
    ...forecastAgainst(v, startMin, f),
  ];
  return { startMin, verdict: worstOf(reasons), reasons };
}

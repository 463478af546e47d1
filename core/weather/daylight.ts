import { getTimes } from 'suncalc';
import { z } from 'zod';
import { anyNumber, calculation, fig } from '#core/kit';
import { isTimeZone } from '#core/units';
import { midnightMs } from './local-date.ts';

/** What the sun does at a place on a date, minutes after local midnight; null where it does not do so. */
export interface Daylight {
  sunriseMin: number | null;
  sunsetMin: number | null;
  duskMin: number | null;
  /** The sun does not set, or does not rise; null where it does both. */
  polar: 'day' | 'night' | null;
}

/** Sunrise, sunset and civil dusk at a place on a date, by the clock of that day. */
export function daylight(
  date: string,
  timeZone: string,
  latitude: number,
  longitude: number,
): Daylight {
  const start = midnightMs(date, timeZone);
  const times = getTimes(new Date(start + 12 * 3600_000), latitude, longitude);
  const minutes = (t: Date | null): number | null =>
    t === null || Number.isNaN(t.getTime()) ? null : (t.getTime() - start) / 60000;
  const night = times.alwaysDown ? 'night' : null;
  return {
    sunriseMin: minutes(times.sunrise),
    sunsetMin: minutes(times.sunset),
    duskMin: minutes(times.dusk),
    polar: times.alwaysUp ? 'day' : night,
  };
}

/** The last minutes of a day: where the sun does not come up, that is all the light there is. */
const NO_LIGHT = { sunriseMin: 1439, duskMin: 1440 };

/** From when to when one sees to work, minutes after local midnight: all day where the sun does not set. */
export function workingLight(sun: Daylight): { sunriseMin: number; duskMin: number } {
  if (sun.polar === 'night') return NO_LIGHT;
  return { sunriseMin: sun.sunriseMin ?? 0, duskMin: sun.duskMin ?? 1440 };
}

/** Light of a day. */
export const daylightOf = calculation({
  id: 'daylight',
  title: 'Daylight',
  purpose: 'When the sun rises and sets and when it is too dark to work without lights.',
  formula:
    'sun’s altitude −0.833° for rise and set, −6° for civil dusk, in minutes after local midnight',
  source: 'Solar position by a general-purpose library; civil dusk as commonly defined',
  limits:
    'Flat horizon, clear sky: hills, trees and cloud bring dusk earlier. None in polar day or night (null; `polar` says which).',
  input: z.object({
    date: z.iso.date('must be a date as 2026-09-23'),
    timeZone: z
      .string({ error: 'must be a time zone as America/Chicago' })
      .refine(isTimeZone, 'is not a time zone this machine knows (as in America/Chicago)'),
    latitude: anyNumber().gte(-90, 'must be from −90 to 90').lte(90, 'must be from −90 to 90'),
    longitude: anyNumber()
      .gte(-180, 'must be from −180 to 180')
      .lte(180, 'must be from −180 to 180'),
  }),
  output: z.object({
    sunriseMin: z.number().nullable(),
    sunsetMin: z.number().nullable(),
    duskMin: z.number().nullable(),
    polar: z.enum(['day', 'night']).nullable(),
  }),
  compute(v, trace) {
    const times = daylight(v.date, v.timeZone, v.latitude, v.longitude);
    const place = `${v.date} at ${fig(v.latitude)}, ${fig(v.longitude)}`;
    trace.step('sunrise', place, times.sunriseMin, 'min after midnight');
    trace.step('sunset', place, times.sunsetMin, 'min after midnight');
    trace.step('dusk', 'sun 6° under the horizon', times.duskMin, 'min after midnight');
    return times;
  },
});

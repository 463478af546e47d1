import { useMemo } from 'react';
import useSWR from 'swr';
import type { DayHour } from '#core/pourplan';
import { daylight, localDate, midnightMs, workingLight } from '#core/weather';
import type { WeatherAnswer } from '../../../../contract/index.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { getJson } from '../../../sync/api.ts';

const DAY_MS = 86_400_000;
/** Days that are drawn, and the hours after them that protection still asks about. */
const DAYS = 5;
const HOURS = DAYS * 24 + 72;

export interface Day {
  date: string;
  /** When it begins and ends, minutes after midnight of the first. */
  fromMin: number;
  toMin: number;
  sunriseMin: number;
  duskMin: number;
}

/** Five days of forecast with their light: from today, or round the day of the pour where it is further off. */
export function useForecast() {
  const v = usePour();
  const { site, pour } = v.record;
  const { timeZone, latitude, longitude } = site;
  const today = localDate(v.nowMs, timeZone);
  const todayMs = midnightMs(today, timeZone);
  const pourMs = pour.date ? midnightMs(pour.date, timeZone) : todayMs;
  const firstMs =
    pourMs - todayMs > (DAYS - 1) * DAY_MS ? pourMs - 2 * DAY_MS : Math.min(todayMs, pourMs);
  const [from, to] = [firstMs, firstMs + HOURS * 3_600_000].map((ms) => new Date(ms).toISOString());
  const { data } = useSWR<WeatherAnswer, Error>(
    `/api/sites/${v.record.siteId}/weather?from=${from ?? ''}&to=${to ?? ''}`,
    getJson,
  );
  const days = useMemo(
    () =>
      Array.from({ length: DAYS }, (_, i): Day => {
        const date = localDate(firstMs + i * DAY_MS + DAY_MS / 2, timeZone);
        const fromMin = (midnightMs(date, timeZone) - firstMs) / 60_000;
        const sun = workingLight(daylight(date, timeZone, latitude, longitude));
        return {
          date,
          fromMin,
          toMin: fromMin + 1440,
          sunriseMin: fromMin + sun.sunriseMin,
          duskMin: fromMin + sun.duskMin,
        };
      }),
    [firstMs, timeZone, latitude, longitude],
  );
  const hours = useMemo(
    () =>
      (data?.hours ?? []).map((h): DayHour => ({
        ...h,
        min: (Date.parse(h.at) - firstMs) / 60_000,
      })),
    [data, firstMs],
  );
  return { firstMs, days, hours, source: data?.source ?? null };
}

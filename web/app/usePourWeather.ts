import { useState } from 'react';
import useSWR from 'swr';
import type { PourAnswer, WeatherAnswer, WeatherHour } from '../../contract/index.ts';
import { getJson } from '../sync/api.ts';

const HOUR_MS = 3_600_000;
/** The service is asked so often, ms. */
const ASK_MS = 5 * 60_000;
const NONE: WeatherHour[] = [];

const addressOf = (siteId: string, fromMs: number, hours: number): string => {
  const [from, to] = [fromMs, fromMs + hours * HOUR_MS].map((ms) => new Date(ms).toISOString());
  return `/api/sites/${siteId}/weather?from=${from ?? ''}&to=${to ?? ''}`;
};

/** The forecast of the day of the pour, and round the present hour. */
export function usePourWeather(record: PourAnswer | undefined, dayMs: number, nowMs: number) {
  const { data: weather } = useSWR<WeatherAnswer, Error>(
    record ? addressOf(record.siteId, dayMs, 47) : null,
    getJson,
  );
  const [heardMs, setHeardMs] = useState<number | null>(null);
  const hourMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  const { data: weatherNow } = useSWR<WeatherAnswer, Error>(
    record ? addressOf(record.siteId, hourMs, 12) : null,
    getJson,
    {
      keepPreviousData: true,
      refreshInterval: ASK_MS,
      onSuccess: () => {
        setHeardMs(Date.now());
      },
    },
  );
  return {
    weather: weather?.hours ?? NONE,
    weatherNow: weatherNow?.hours ?? NONE,
    // What was read from the cache of this device was heard before it was opened: it is not known when.
    weatherHeardMs: heardMs,
  };
}

import useSWR from 'swr';
import type { PourAnswer, WeatherAnswer } from '../../contract/index.ts';
import type { AirHour } from '#core/cure';
import { getJson } from '../sync/api.ts';

const DAY = 86_400_000;
/** Days ahead that the air is asked for, and the most the service answers at once. */
const AHEAD_DAYS = 14;
const MOST_DAYS = 44;
const NONE: AirHour[] = [];

/**
 * Air since a pour was placed and for two weeks to come; empty where it is not asked for or nobody
 * knows, null while it is on its way.
 */
export function useCuringAir(
  record: PourAnswer | undefined,
  finishedMs: number | null,
  nowMs: number,
): AirHour[] | null {
  const fromMs = finishedMs === null ? null : Math.floor(finishedMs / DAY) * DAY;
  const toMs =
    fromMs === null
      ? 0
      : Math.min(Math.ceil(nowMs / DAY) * DAY + AHEAD_DAYS * DAY, fromMs + MOST_DAYS * DAY);
  const asked = record !== undefined && fromMs !== null;
  const { data, error } = useSWR<WeatherAnswer, Error>(
    asked
      ? `/api/sites/${record.siteId}/weather?from=${new Date(fromMs).toISOString()}&to=${new Date(toMs).toISOString()}`
      : null,
    getJson,
    { keepPreviousData: true },
  );
  return data?.hours ?? (asked && !error ? null : NONE);
}

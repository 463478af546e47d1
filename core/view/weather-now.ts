import { leastDimensionM } from '#core/cure';
import { attempt } from '#core/kit';
import { latest, type LogEvent, type PourState } from '#core/log';
import { weatherRules } from '#core/weather';
import { conveyanceOf } from './conveyance.ts';
import type { PourRecord, PourView } from './pour-view.ts';

/** An hour as a forecast has it. */
export interface ForecastHour {
  at: string;
  airTempC: number;
  humidity: number;
  windKmH: number;
  rainMmH: number;
}

/** The weather as it was read last beside what was forecast for then, and what it asks of the pour. */
export interface WeatherNow {
  read: LogEvent<'weather'>;
  forecast: ForecastHour | null;
  /** Wind over what the boom may stand in, km/h; null where it may, or there is none. */
  boomLimitKmH: number | null;
  /** Cold weather rules hold: it is, or is expected to be, below 40 °F within the protection time. */
  cold: boolean;
  lowestC: number;
  level: 'go' | 'caution' | 'no';
  /** What `weather-rules` was given. */
  working: unknown;
}

const HOUR_MS = 3_600_000;

/** What the weather that was read asks of the pour; null while none was read. */
export function weatherNowOf(
  record: PourRecord,
  view: Pick<PourView, 'dayMs' | 'progress' | 'rules'>,
  state: PourState,
  forecast: readonly ForecastHour[],
): WeatherNow | null {
  const read = latest(state, 'weather');
  if (!read) return null;
  const atMs = Date.parse(read.at);
  const hourAt = (h: ForecastHour) => Date.parse(h.at);
  const then = forecast.find((h) => hourAt(h) <= atMs && atMs < hourAt(h) + HOUR_MS) ?? null;
  const minuteOf = (ms: number) => (ms - view.dayMs) / 60_000;
  const { airTempC, windKmH, rainMmH, sky } = read.body;
  const conveyance = conveyanceOf(record);
  const limit = conveyance?.windNoKmH;
  const judged = attempt(weatherRules, {
    forecast: [
      {
        timeMin: minuteOf(atMs),
        airTempC,
        windKmH: windKmH ?? then?.windKmH ?? 0,
        rainMmH: rainMmH ?? (sky === 'rain' ? (then?.rainMmH ?? 0) : 0),
      },
      ...forecast
        .filter((h) => hourAt(h) > atMs)
        .map((h) => ({
          timeMin: minuteOf(hourAt(h)),
          airTempC: h.airTempC,
          windKmH: h.windKmH,
          rainMmH: h.rainMmH,
        })),
    ],
    leastDimensionM: leastDimensionM(record.site, record.pour),
    concreteTempC: view.progress.concreteTempC,
    protectionH: view.rules.value('protection'),
    rainStopMmH: view.rules.value('rainStop'),
    rainCautionMmH: view.rules.value('rainCaution'),
    boom: limit !== undefined,
    ...(limit === undefined ? {} : { boomLimitKmH: limit }),
  }).done;
  if (!judged) return null;
  return {
    read,
    forecast: then,
    boomLimitKmH: limit !== undefined && (windKmH ?? 0) > limit ? limit : null,
    cold: judged.result.coldWeather,
    lowestC: judged.result.lowestC,
    level: judged.result.hours[0]?.level ?? 'go',
    working: judged.input,
  };
}

import { leastDimensionM } from '#core/cure';
import { attempt } from '#core/kit';
import { entries, latest, type LogEvent, type PourState } from '#core/log';
import { windNoOf } from '#core/pourplan';
import { protectionHours, weatherRules } from '#core/weather';
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

/** From when to when is placed, as it went and as it is planned, minutes of the day; not before the reading. */
function placingOf(
  { plan, progress }: Pick<PourView, 'plan' | 'progress'>,
  minuteOf: (ms: number) => number,
  readMs: number,
): { placeFromMin: number; placeToMin: number } {
  const { startedMs, finishedMs } = progress;
  const planned = plan.timetable.placements[0]?.fromMin ?? 0;
  const placeFromMin = Math.max(
    minuteOf(readMs),
    startedMs === null ? planned : minuteOf(startedMs),
  );
  const finishMin = finishedMs === null ? plan.timetable.finishMin : minuteOf(finishedMs);
  return { placeFromMin, placeToMin: Math.max(placeFromMin + 1, finishMin) };
}

/** What the weather that was read asks of the pour; null while none was read. */
export function weatherNowOf(
  record: PourRecord,
  view: Pick<PourView, 'dayMs' | 'plan' | 'progress' | 'rules'>,
  state: PourState,
  forecast: readonly ForecastHour[],
): WeatherNow | null {
  const read = latest(state, 'weather');
  if (!read) return null;
  const atMs = Date.parse(read.at);
  const hourAt = (h: ForecastHour) => Date.parse(h.at);
  const then = forecast.find((h) => hourAt(h) <= atMs && atMs < hourAt(h) + HOUR_MS) ?? null;
  const minuteOf = (ms: number) => (ms - view.dayMs) / 60_000;
  const since = entries(state, 'weather').filter(
    (e) => e.id === read.id || Date.parse(e.at) >= (view.progress.startedMs ?? atMs),
  );
  const { airTempC, windKmH, rainMmH, sky } = read.body;
  const conveyance = conveyanceOf(record);
  const limit = windNoOf(conveyance, view.rules);
  const placing = placingOf(view, minuteOf, atMs);
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
    ...placing,
    lowestSoFarC: Math.min(...since.map((e) => e.body.airTempC)),
    protectionH: protectionHours(view.rules, record.pour),
    hottestC: view.rules.value('hottestConcrete'),
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

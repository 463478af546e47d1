import { deliveredTemperature } from '#core/concrete';
import { type AirHour, leastDimensionM } from '#core/cure';
import { evaluate, madeOncePer } from '#core/kit';
import type { PourDoc, SitePlan } from '#core/model';
import { localDate, wallMs } from '#core/weather';
import { mixOf, type PourRecord } from './record.ts';

/** What the concrete of a pour will come at before a load is read, and who says so. */
export interface PlannedConcrete {
  tempC: number;
  by: 'said' | 'balance' | 'coldMinimum';
  /** The air it was reckoned from, °C; null where it was said. */
  airC: number | null;
  /** Nobody gave a forecast: the air is what the pour expects to cure in. */
  assumed: boolean;
  /** What `fresh-temperature` was given; null where it was said. */
  working: unknown;
}

/** Fresh concrete is never taken for hotter or colder than this, °C. */
const LIMITS_C = { least: 0, most: 60 };

/** The temperature a pour is planned with: what the foreman says, else by the air of the day before, its mix and its section. */
export const plannedConcrete = madeOncePer((r: PourRecord): PlannedConcrete => {
  const { settings, stripping } = r.pour;
  if (settings.concreteTempSaid)
    return {
      tempC: settings.concreteTempC,
      by: 'said',
      airC: null,
      assumed: false,
      working: null,
    };
  const mix = mixOf(r);
  const airC = r.airBeforeC ?? stripping.expectedTempC;
  const { input, result } = evaluate(deliveredTemperature, {
    airC,
    leastDimensionMm: leastDimensionM(r.site, r.pour) * 1000,
    ...(mix?.cementKgM3 === undefined ? {} : { cementKg: mix.cementKgM3 }),
    ...(mix?.waterKgM3 === undefined ? {} : { waterKg: mix.waterKgM3 }),
  });
  return {
    tempC: Math.min(LIMITS_C.most, Math.max(LIMITS_C.least, result.tempC)),
    by: result.rule,
    airC,
    assumed: r.airBeforeC == null,
    working: input,
  };
});

/** A record whose plan goes by that temperature: everything that is worked out of it does. */
export function withPlannedConcrete<R extends PourRecord>(r: R): R {
  const { tempC } = plannedConcrete(r);
  if (tempC === r.pour.settings.concreteTempC) return r;
  return {
    ...r,
    pour: { ...r.pour, settings: { ...r.pour.settings, concreteTempC: tempC } },
  };
}

const HOUR_MS = 3_600_000;
const DAY_H = 24;

/** The day whose air the concrete is made in: the 24 hours before the first load; ms. */
export function dayBefore(
  site: Pick<SitePlan, 'timeZone'>,
  pour: Pick<PourDoc, 'date' | 'settings'>,
  nowMs: number,
): { fromMs: number; toMs: number } {
  const date = pour.date ?? localDate(nowMs, site.timeZone);
  const toMs = wallMs(date, pour.settings.firstLoadMin, site.timeZone);
  return { fromMs: toMs - DAY_H * HOUR_MS, toMs };
}

/** Mean of the air over those hours, °C; null where a good part of them is not known. */
export function airBeforeOf(
  hours: readonly AirHour[],
  { fromMs, toMs }: { fromMs: number; toMs: number },
): number | null {
  const own = hours.filter((h) => {
    const ms = Date.parse(h.at);
    return ms >= fromMs - HOUR_MS / 2 && ms < toMs;
  });
  return own.length >= DAY_H / 2 ? own.reduce((sum, h) => sum + h.airTempC, 0) / own.length : null;
}

import { pierWidthM, type PourDoc, type SitePlan } from '#core/model';
import { footingTopM } from '#core/siteplan';
import type { TempReading } from '#core/concrete';

/** The air of one hour, from a forecast or as observed. `at` is the hour's beginning. */
export interface AirHour {
  at: string;
  airTempC: number;
}

const HOUR = 3_600_000;
/** Concrete of this least dimension is what the cooling time of the rule is given for, m. */
const RULED_M = 0.3;
/** However thin or thick, the cooling time stays within this, h: an assumption, as the rule itself is. */
const COOLING_H = { least: 6, most: 72 };
/** Hours that are worked out ahead one by one; after them the concrete stays as it is. */
const AHEAD_H = 14 * 24;

/**
 * Time in which concrete of this least dimension, m, comes to within 1/e of the air, h: in
 * proportion to the dimension.
 */
export const coolingHours = (leastDimensionM: number, hoursAtRuled: number): number =>
  Math.min(COOLING_H.most, Math.max(COOLING_H.least, (hoursAtRuled * leastDimensionM) / RULED_M));

/** The least dimension of anything in the pour, m: it is the first to follow the air. 0.3 m where nothing is found. */
export function leastDimensionM(site: SitePlan, pour: Pick<PourDoc, 'elements'>): number {
  const own = new Set(pour.elements);
  const sizes = [
    ...site.runs.flatMap((r) => {
      if (!own.has(r.id)) return [];
      const wall = site.wallTypes.find((t) => t.mark === r.type);
      const footing = site.footingTypes.find((t) => t.mark === r.type);
      if (r.kind === 'wall') return wall ? [wall.thicknessM] : [];
      return footing ? [footing.widthM, footingTopM(site, r) - r.bottomM] : [];
    }),
    ...site.pads.flatMap((p) => (own.has(p.id) ? [p.widthM, p.lengthM, p.depthM] : [])),
    ...site.piers.flatMap((p) =>
      own.has(p.id)
        ? [p.topM - p.bottomM, p.diameterM ?? Math.min(pierWidthM(p), p.lengthM ?? 0)]
        : [],
    ),
  ].filter((m) => m > 0);
  return sizes.length ? Math.min(...sizes) : RULED_M;
}

/** Air by the clock: the hour a moment lies in, or what is expected where no hour is known. */
export function airAt(hours: readonly AirHour[], expectedC: number): (ms: number) => number {
  const byHour = new Map(hours.map((h) => [Math.floor(Date.parse(h.at) / HOUR), h.airTempC]));
  return (ms) => byHour.get(Math.floor(ms / HOUR)) ?? expectedC;
}

/** What the temperature of the concrete is worked out from. */
export interface TemperatureCase {
  /** The end of placing, ms: hour 0 of the history. */
  startMs: number;
  placedC: number;
  /** Readings after it, oldest first, °C at hours after the start. */
  readings: readonly TempReading[];
  air: (ms: number) => number;
  coolingH: number;
}

/**
 * The temperature of the concrete from placing on, °C: as it was read, straight from reading to
 * reading; after the last one it goes toward the air of each hour, T = air + (last −
 * air)·e^(−Δt/τ), worked hour by hour (Newton’s law of cooling; that the heat of hydration is left
 * out is on the safe side for stripping). τ is `coolingH`, an assumption.
 * @param untilH how far it is worked out, hours after the start
 */
export function temperatureHistory(c: TemperatureCase, untilH: number): TempReading[] {
  const history: TempReading[] = [{ timeH: 0, tempC: c.placedC }];
  for (const r of c.readings) {
    const last = history.at(-1) as TempReading;
    if (r.timeH > last.timeH + 1e-6) history.push(r);
    else last.tempC = r.tempC;
  }
  let { timeH, tempC } = history.at(-1) as TempReading;
  const endH = Math.min(untilH, timeH + AHEAD_H);
  while (timeH < endH - 1e-6) {
    const ms = c.startMs + timeH * HOUR;
    const nextMs = (Math.floor(ms / HOUR + 1e-9) + 1) * HOUR;
    const nextH = Math.min(endH, (nextMs - c.startMs) / HOUR);
    const air = c.air(ms + 1);
    tempC = air + (tempC - air) * Math.exp(-(nextH - timeH) / c.coolingH);
    timeH = nextH;
    history.push({ timeH, tempC });
  }
  return history;
}

import { COLD_AIR_C, type TempReading } from '#core/concrete';
import type { Mix, PourDoc, RuleProfile } from '#core/model';
import type { Rules } from '#core/rules';
import { atLeast, atMost } from '#core/units';
import { protectionHours } from '#core/weather';
import type { AirHour } from './concrete-temperature.ts';
import type { Curing } from './curing.ts';
import { LEAST_MPA } from './frost.ts';

/** How young concrete is to be kept: from freezing, damp, and from cooling too fast. */
export interface Care {
  /** In cold weather: kept from freezing until then, by its hours or its strength; ms. Null in no cold, and null `untilMs` where the curve never reaches it. */
  protect: { untilMs: number | null; hours: number; strengthMPa: number; source: string } | null;
  /** Kept from drying until then, ms; null where the curve never reaches the strength asked. */
  cure: { untilMs: number | null; hours: number; strengthMPa: number; source: string };
  curedBy: PourDoc['stripping']['curedBy'];
  /** In cold weather, when protection ends: the most it may cool in 24 h, °C. */
  coolingC: number;
  coolingSource: string;
  /** It cooled faster than that by what was read, °C in 24 h; null where it did not. */
  cooledC: number | null;
}

const HOUR = 3_600_000;
const DAY_H = 24;

/** What a pour's care hangs on. */
export interface CareCase {
  curing: Curing;
  pour: Pick<PourDoc, 'stripping'>;
  mix: Pick<Mix, 'cementType' | 'cylinderMPa'>;
  rules: Rules;
  leastDimensionM: number;
  air: readonly AirHour[];
}

/** The moment the curve comes to a strength, ms; null where it does not in the time it is drawn for. */
function reachedMs(c: Curing, wantedMPa: number): number | null {
  if (wantedMPa <= 0) return c.startMs;
  const i = c.curve.findIndex((p) => atLeast(p.strengthMPa, wantedMPa));
  const to = c.curve[i];
  if (!to) return null;
  const from = c.curve[i - 1] ?? to;
  const rise = to.strengthMPa - from.strengthMPa;
  const part = rise > 0 ? (wantedMPa - from.strengthMPa) / rise : 1;
  return c.startMs + (from.timeH + (to.timeH - from.timeH) * part) * HOUR;
}

const later = (a: number, b: number | null): number | null => (b === null ? null : Math.max(a, b));

/** It is cold from placing on, by what was read of the concrete and the air, or is expected to be. */
function isCold({ curing, air, pour }: CareCase, untilMs: number): boolean {
  const within = air.filter((h) => {
    const ms = Date.parse(h.at);
    return ms + HOUR > curing.startMs && ms < untilMs;
  });
  // Where nobody forecasts, the air is the one that the curve goes by.
  const expected = within.some((h) => Date.parse(h.at) > curing.startMs)
    ? []
    : [pour.stripping.expectedTempC];
  return [
    ...expected,
    ...within.map((h) => h.airTempC),
    ...curing.readings.map((r) => r.tempC),
  ].some((c) => c < COLD_AIR_C);
}

/** The most concrete may cool in 24 h after protection, °C, by its least dimension (ACI 306R-16 table 7.5, to be confirmed). */
function coolingOf(profile: RuleProfile, leastM: number): { mostC: number; source: string } {
  if (profile === 'metric-en') return { mostC: 20, source: 'site practice' };
  const mostC = [
    [0.3048, 27.8],
    [0.9144, 22.2],
    [1.8288, 16.7],
  ].find(([toM]) => !atLeast(leastM, toM ?? 0))?.[1];
  return { mostC: mostC ?? 11.1, source: 'ACI 306R-16 table 7.5, to be confirmed' };
}

/** The greatest fall between two readings of concrete no more than a day apart, °C. */
function fallOf(readings: readonly TempReading[]): number {
  let most = 0;
  for (const a of readings)
    for (const b of readings)
      if (b.timeH > a.timeH && atMost(b.timeH - a.timeH, DAY_H))
        most = Math.max(most, a.tempC - b.tempC);
  return most;
}

/** How the concrete of a pour is to be kept, and until when. */
export function careOf(v: CareCase): Care {
  const { curing, rules, mix, pour } = v;
  const { profile } = rules;
  const hours = profile === 'us-aci' ? protectionHours(rules, pour) : 0;
  const strengthMPa = LEAST_MPA[profile];
  const untilMs = later(curing.startMs + hours * HOUR, reachedMs(curing, strengthMPa));
  const cold = isCold(
    v,
    Math.max(untilMs ?? 0, curing.startMs + protectionHours(rules, pour) * HOUR),
  );
  const timeRule = mix.cementType === 'III' ? 'cureTimeEarly' : 'cureTime';
  const cureH = rules.value(timeRule);
  const curedMPa = rules.value('cureShare') * mix.cylinderMPa;
  const cooling = coolingOf(profile, v.leastDimensionM);
  const fallC = fallOf(curing.readings);
  return {
    protect: cold
      ? { untilMs, hours, strengthMPa, source: rules.ruled('protection').source }
      : null,
    cure: {
      untilMs: later(curing.startMs + cureH * HOUR, reachedMs(curing, curedMPa)),
      hours: cureH,
      strengthMPa: curedMPa,
      source: rules.ruled(curedMPa > 0 ? 'cureShare' : timeRule).source,
    },
    curedBy: pour.stripping.curedBy,
    coolingC: cooling.mostC,
    coolingSource: cooling.source,
    cooledC: atMost(fallC, cooling.mostC) ? null : fallC,
  };
}

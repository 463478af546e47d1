import { equivalentAgeH, strengthAtMPa, strengthForecast, type TempReading } from '#core/concrete';
import type { Mix, PourDoc, SitePlan } from '#core/model';
import { entries, type PourState } from '#core/log';
import { evaluate, type Evaluated } from '#core/kit';
import { rulesOf } from '#core/rules';
import { type Acceptance, acceptanceOf } from './acceptance.ts';
import { type Frost, frostOf } from './frost.ts';
import { asCylinderMPa, breaksOf, type BrokenUnder, brokenUnder } from './breaks.ts';
import {
  airAt,
  coolingHours,
  leastDimensionM,
  temperatureHistory,
  type AirHour,
  type TemperatureCase,
} from './concrete-temperature.ts';

/**
 * Whether forms may come off: `no` before the strength and the clock floor; `may` when both are
 * there and the temperatures behind it were read lately enough; `forecast` when both are there by
 * temperatures that nobody has read.
 */
type StripVerdict = 'no' | 'forecast' | 'may';

export interface Curing {
  /** The end of placing: the clock of curing starts here. */
  startMs: number;
  /** Temperatures on that clock, °C, up to now: as read, and after the last reading toward the air. */
  history: TempReading[];
  /** Those that were read. */
  readings: TempReading[];
  measured: boolean;
  lastReadMs: number | null;
  ageH: number;
  strengthMPa: number;
  stripMPa: number;
  floorH: number;
  /** When the strength is reached, and when forms may come off: the later of strength and clock floor. */
  reachedMs: number | null;
  stripMs: number | null;
  strip: StripVerdict;
  working: Evaluated<{ strengthMPa: number; reachedAtH: number | null }>;
  curve: { timeH: number; strengthMPa: number }[];
  /**
   * The air that was taken where no forecast says it, between the last reading and when forms may
   * come off, °C; null where every hour of it is known.
   */
  assumedC: number | null;
  /** Breaks as cylinders, MPa. */
  breaks: { ageDays: number; strengthMPa: number }[];
  /** The last break, where it came out under the curve: it has taken the curve down. */
  broken: BrokenUnder | null;
  /** It froze too soon, or is close to it; null where neither. */
  frost: Frost | null;
  /** Whether the tests of 28 days show the strength specified; null before there is one. */
  acceptance: Acceptance | null;
  stripped: string[];
}

export interface CuringInput {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  state: PourState;
  /** The end of placing, ms; null while it goes on. */
  finishedMs: number | null;
  /** The coldest concrete that was placed: it is the last to be strong, °C. */
  placedC: number;
  nowMs: number;
  /** Air of the hours since and to come, where it is known; elsewhere what the pour expects counts. */
  air: readonly AirHour[];
}

const HOUR = 3_600_000;
/** Cylinder age at which f′c is reached, days. */
const F28_DAYS = 28;
/** Below it the clock of curing stands still, °C. */
const FREEZES_C = 0;
/** The curve is drawn through so many points. */
const CURVE_POINTS = 120;

/** Temperatures that were read after placing, up to now, on the clock of curing. */
function readingsOf(state: PourState, startMs: number, nowMs: number): TempReading[] {
  return entries(state, 'probe')
    .map((e) => ({ timeH: (Date.parse(e.at) - startMs) / HOUR, tempC: e.body.tempC }))
    .filter((p) => p.timeH >= 0 && p.timeH * HOUR <= nowMs - startMs + 1);
}

/** Part of a history up to an hour; the concrete stays as it is after its end. */
function upTo(history: TempReading[], timeH: number): TempReading[] {
  const before = history.filter((h) => h.timeH < timeH - 1e-9);
  const next = history[before.length];
  const last = before.at(-1);
  if (!last) return history.slice(0, 1);
  const share = next ? (timeH - last.timeH) / (next.timeH - last.timeH) : 0;
  return [
    ...before,
    { timeH, tempC: last.tempC + ((next?.tempC ?? last.tempC) - last.tempC) * share },
  ];
}

/** The strength that a history has come to by an hour, MPa. */
function strengthOn(history: TempReading[], mix: Mix, timeH: number, f28MPa: number): number {
  const part = upTo(history, timeH);
  const days = part.length < 2 ? 0 : equivalentAgeH(part, mix.strengthK, FREEZES_C) / 24;
  return strengthAtMPa(f28MPa, mix.cementType, mix.strengthPace * days);
}

function curveOf(
  history: TempReading[],
  mix: Mix,
  untilH: number,
  f28MPa: number,
): Curing['curve'] {
  return Array.from({ length: CURVE_POINTS + 1 }, (_, i) => {
    const timeH = untilH * (i / CURVE_POINTS) ** 2;
    return { timeH, strengthMPa: strengthOn(history, mix, timeH, f28MPa) };
  });
}

/** Whether the air of every hour from one moment to another is known; without an end, of the first of them. */
function airIsKnown(air: readonly AirHour[], fromMs: number, toMs: number | null): boolean {
  const known = new Set(air.map((h) => Math.floor(Date.parse(h.at) / HOUR)));
  const [first, last] = [Math.floor(fromMs / HOUR), Math.floor((toMs ?? fromMs) / HOUR)];
  for (let h = first; h <= Math.max(first, last); h += 1) if (!known.has(h)) return false;
  return true;
}

/**
 * What tests and frost say beside the curve, and the strength at 28 days that the curve goes to:
 * the class of its cylinders, taken down by what broke under it.
 */
function testsOf(v: CuringInput, history: TempReading[], whole: TempReading[]) {
  const { mix, state, nowMs } = v;
  const { ruleProfile } = v.site;
  const siteMPa = (ageDays: number): number =>
    strengthOn(whole, mix, ageDays * 24, mix.cylinderMPa);
  const broken = brokenUnder(state, mix, ruleProfile, nowMs, siteMPa);
  const f28MPa = mix.cylinderMPa * (broken?.share ?? 1);
  return {
    f28MPa,
    broken,
    frost: frostOf(history, (timeH) => strengthOn(history, mix, timeH, f28MPa), ruleProfile),
    acceptance: acceptanceOf(mix, ruleProfile, state),
    breaks: breaksOf(state).map((b) => ({
      ageDays: b.ageDays,
      strengthMPa: asCylinderMPa(mix, ruleProfile, b),
    })),
  };
}

/** Where curing stands at `nowMs`; null until all placing has ended. */
export function curingOf(v: CuringInput): Curing | null {
  const { pour, mix, state, finishedMs: startMs, nowMs } = v;
  if (startMs === null) return null;
  const rules = rulesOf(v.site);
  const readings = readingsOf(state, startMs, nowMs);
  const temps: TemperatureCase = {
    startMs,
    placedC: v.placedC,
    readings,
    air: airAt(v.air, pour.stripping.expectedTempC),
    coolingH: coolingHours(leastDimensionM(v.site, pour), rules.value('coolingTime')),
  };
  const ageH = Math.max((nowMs - startMs) / HOUR, 1e-3);
  const history = temperatureHistory(temps, ageH);
  const whole = temperatureHistory(temps, F28_DAYS * 24);
  const { f28MPa, ...tests } = testsOf(v, history, whole);
  const input = {
    f28MPa,
    cementType: mix.cementType,
    targetMPa: pour.stripping.stripMPa,
    activationK: mix.strengthK,
    paceRatio: mix.strengthPace,
    stopsBelowC: FREEZES_C,
  };
  const now = evaluate(strengthForecast, { ...input, tempHistory: history });
  const working = evaluate(strengthForecast, { ...input, tempHistory: whole });
  const { reachedAtH } = working.result;
  const reachedMs = reachedAtH === null ? null : startMs + reachedAtH * HOUR;
  const floorMs = startMs + pour.stripping.floorH * HOUR;
  const stripMs = reachedMs === null ? null : Math.max(reachedMs, floorMs);
  const lastRead = readings.at(-1);
  const lately = lastRead !== undefined && ageH - lastRead.timeH <= rules.value('probeAge') + 1e-9;
  const there = stripMs !== null && nowMs >= stripMs;
  const onStrength = lately ? 'may' : 'forecast';
  return {
    startMs,
    history,
    readings,
    measured: readings.length > 0,
    lastReadMs: lastRead ? startMs + lastRead.timeH * HOUR : null,
    ageH: (nowMs - startMs) / HOUR,
    strengthMPa: now.result.strengthMPa,
    stripMPa: pour.stripping.stripMPa,
    floorH: pour.stripping.floorH,
    reachedMs,
    stripMs,
    strip: there && tests.frost?.what !== 'frozen' ? onStrength : 'no',
    working: { ...now, result: { ...now.result, reachedAtH } },
    curve: curveOf(whole, mix, Math.max(F28_DAYS * 24, ageH), f28MPa),
    assumedC: airIsKnown(v.air, lastRead ? startMs + lastRead.timeH * HOUR : startMs, stripMs)
      ? null
      : pour.stripping.expectedTempC,
    ...tests,
    stripped: [...new Set(entries(state, 'strip').flatMap((e) => e.body.elementIds))],
  };
}

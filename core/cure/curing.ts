import type { Mix, PourDoc } from '../model/pour.ts';
import { evaluate, type Evaluated } from '../register/calculation.ts';
import { strengthAtMPa, strengthForecast } from '../concrete/strength-forecast.ts';
import { equivalentAgeH, type TempReading } from '../concrete/equivalent-age.ts';
import { entries, type PourState } from '../pourlog/state.ts';

export interface Curing {
  /** The end of placing: the clock of curing starts here. */
  startMs: number;
  /** Temperatures on that clock, °C: probes where there are any, else what was expected. */
  history: TempReading[];
  measured: boolean;
  ageH: number;
  strengthMPa: number;
  stripMPa: number;
  floorH: number;
  /** When the strength is reached, and when forms may come off: the later of strength and clock floor. */
  reachedMs: number | null;
  stripMs: number | null;
  mayStrip: boolean;
  working: Evaluated<{ strengthMPa: number; reachedAtH: number | null }>;
  curve: { timeH: number; strengthMPa: number }[];
  breaks: { ageDays: number; strengthMPa: number }[];
  stripped: string[];
}

const HOUR = 3600_000;
/** Cylinder age at which f′c is reached, days. */
const F28_DAYS = 28;

/** Temperatures since placing ended: what probes read, held on to now; the expected temperature before the first. */
function historyOf(
  pour: PourDoc,
  state: PourState,
  startMs: number,
  nowMs: number,
): { history: TempReading[]; measured: boolean } {
  const probes = entries(state, 'probe')
    .map((e) => ({ timeH: (Date.parse(e.at) - startMs) / HOUR, tempC: e.body.tempC }))
    .filter((p) => p.timeH >= 0 && p.timeH * HOUR <= nowMs - startMs + 1);
  const first = { timeH: 0, tempC: probes[0]?.tempC ?? pour.settings.concreteTempC };
  const history = [first];
  for (const p of probes) if (p.timeH > (history.at(-1)?.timeH ?? 0) + 1e-6) history.push(p);
  const nowH = Math.max((nowMs - startMs) / HOUR, 1e-3);
  const tail = probes.at(-1)?.tempC ?? pour.stripping.expectedTempC;
  if (nowH > (history.at(-1)?.timeH ?? 0) + 1e-6) history.push({ timeH: nowH, tempC: tail });
  return { history, measured: probes.length > 0 };
}

/** Where curing stands at `nowMs`; null until all placing has ended. */
export function curingOf(
  pour: PourDoc,
  mix: Mix,
  state: PourState,
  finishedMs: number | null,
  nowMs: number,
): Curing | null {
  if (finishedMs === null) return null;
  const { history, measured } = historyOf(pour, state, finishedMs, nowMs);
  const working = evaluate(strengthForecast, {
    f28MPa: mix.fcMPa,
    cementType: mix.cementType,
    tempHistory: history,
    targetMPa: pour.stripping.stripMPa,
    activationK: mix.strengthK,
  });
  const reachedMs =
    working.result.reachedAtH === null ? null : finishedMs + working.result.reachedAtH * HOUR;
  const floorMs = finishedMs + pour.stripping.floorH * HOUR;
  const stripMs = reachedMs === null ? null : Math.max(reachedMs, floorMs);
  const last = history.at(-1) as TempReading;
  const untilH = Math.max(F28_DAYS * 24, last.timeH);
  const curve = Array.from({ length: 121 }, (_, i) => {
    const timeH = untilH * (i / 120) ** 2;
    const upTo = [
      ...history.filter((h) => h.timeH < timeH),
      { timeH, tempC: tempAt(history, timeH) },
    ];
    return {
      timeH,
      strengthMPa:
        upTo.length < 2
          ? 0
          : strengthAtMPa(mix.fcMPa, mix.cementType, equivalentAgeH(upTo, mix.strengthK) / 24),
    };
  });
  return {
    startMs: finishedMs,
    history,
    measured,
    ageH: (nowMs - finishedMs) / HOUR,
    strengthMPa: working.result.strengthMPa,
    stripMPa: pour.stripping.stripMPa,
    floorH: pour.stripping.floorH,
    reachedMs,
    stripMs,
    mayStrip: stripMs !== null && nowMs >= stripMs,
    working,
    curve,
    breaks: entries(state, 'break-test').map((e) => ({
      ageDays: e.body.ageDays,
      strengthMPa: e.body.strengthMPa,
    })),
    stripped: [...new Set(entries(state, 'strip').flatMap((e) => e.body.elementIds))],
  };
}

function tempAt(history: TempReading[], timeH: number): number {
  for (let i = 1; i < history.length; i += 1) {
    const a = history[i - 1] as TempReading;
    const b = history[i] as TempReading;
    if (timeH <= b.timeH)
      return a.tempC + ((b.tempC - a.tempC) * (timeH - a.timeH)) / (b.timeH - a.timeH);
  }
  return (history.at(-1) as TempReading).tempC;
}

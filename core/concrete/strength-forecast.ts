import { z } from 'zod';
import { calculation, fig, positive, temperature } from '#core/kit';
import { counted } from '#core/units';
import {
  equivalentAgeH,
  gainAt,
  STRENGTH_K,
  tempHistorySchema,
  type TempReading,
} from './equivalent-age.ts';

/** ACI 209R-92 table 2.2.1, moist cured: strength = f28·t/(a + b·t), t in days. */
const ACI_209 = { I: { a: 4, b: 0.85 }, III: { a: 2.3, b: 0.92 } };
export type CementType = keyof typeof ACI_209;

/** Strength at an equivalent age, MPa. */
export function strengthAtMPa(
  f28MPa: number,
  cementType: CementType,
  equivalentDays: number,
): number {
  const { a, b } = ACI_209[cementType];
  return (f28MPa * equivalentDays) / (a + b * equivalentDays);
}

/**
 * The hour at which the equivalent age comes to `wantedH`; beyond the last reading at the last
 * temperature. Null where the clock stands still for good before.
 */
function hourOfAge(
  history: TempReading[],
  { activationK, stopsBelowC }: { activationK: number; stopsBelowC?: number | undefined },
  wantedH: number,
): number | null {
  let age = 0;
  for (let i = 1; i < history.length; i += 1) {
    const a = history[i - 1] as TempReading;
    const b = history[i] as TempReading;
    const rate = gainAt((a.tempC + b.tempC) / 2, activationK, stopsBelowC);
    const gain = rate * (b.timeH - a.timeH);
    if (rate > 0 && age + gain >= wantedH) return a.timeH + (wantedH - age) / rate;
    age += gain;
  }
  const last = history[history.length - 1] as TempReading;
  const rate = gainAt(last.tempC, activationK, stopsBelowC);
  return rate > 0 ? last.timeH + (wantedH - age) / rate : null;
}

/** Strength now by temperature, and when a strength will be reached. */
export const strengthForecast = calculation({
  id: 'strength-forecast',
  title: 'Strength by temperature',
  purpose:
    'How strong the concrete is from its temperature so far, and when it will be strong enough for the next step.',
  formula:
    'equivalent age t = pace·Σ exp(−Q(1/(T+273.15) − 1/293.15))·Δt; strength = f28·t/(a + b·t); the target is reached at t = a·f/(f28 − b·f)',
  source: 'ASTM C1074-19; ACI 209R-92 §2.2.1; pace of blended cements a house default',
  limits:
    'Moist-cured concrete of the mix that was ordered. Test results rule over the curve; the engineer rules over both.',
  input: z.object({
    f28MPa: positive(),
    cementType: z.enum(['I', 'III'], { error: 'must be I or III' }),
    tempHistory: tempHistorySchema,
    targetMPa: positive(),
    activationK: positive().default(STRENGTH_K),
    /** Slag and ash are slower: equivalent age counts at this share. */
    paceRatio: positive().lte(1, 'must be 1 or less').default(1),
    /** Below it nothing is gained; left out, the formula goes on as it is. */
    stopsBelowC: temperature().optional(),
  }),
  output: z.object({ strengthMPa: z.number(), reachedAtH: z.number().nullable() }),
  compute(v, trace) {
    const { a, b } = ACI_209[v.cementType];
    const ageH = equivalentAgeH(v.tempHistory, v.activationK, v.stopsBelowC);
    const days = (v.paceRatio * ageH) / 24;
    const strengthMPa = strengthAtMPa(v.f28MPa, v.cementType, days);
    trace.step(
      't',
      `${v.paceRatio === 1 ? '' : `${fig(v.paceRatio)}·`}Σ exp(−${v.activationK}(1/(T+273.15) − 1/293.15))·Δt over ${counted(v.tempHistory.length, 'reading')}`,
      days,
      'days at 20 °C',
    );
    trace.step(
      'strength',
      `${fig(v.f28MPa)}·${fig(days)}/(${a} + ${b}·${fig(days)})`,
      strengthMPa,
      'MPa',
    );
    const spare = v.f28MPa - b * v.targetMPa;
    if (spare <= 0) {
      trace.caution('The target is not below what this formula ever reaches.');
      return { strengthMPa, reachedAtH: null };
    }
    const wantedDays = (a * v.targetMPa) / spare;
    const reachedAtH = hourOfAge(v.tempHistory, v, (wantedDays * 24) / v.paceRatio);
    trace.step(
      't wanted',
      `${a}·${fig(v.targetMPa)}/(${fig(v.f28MPa)} − ${b}·${fig(v.targetMPa)})`,
      wantedDays,
      'days at 20 °C',
    );
    if (reachedAtH === null) trace.caution('It stays too cold: nothing more is gained.');
    else trace.step('reached at', 'on the history’s own clock', reachedAtH, 'h');
    trace.caution(
      'A forecast, not a test: strip, load and backfill by test results and the engineer’s word where they differ.',
    );
    return { strengthMPa, reachedAtH };
  },
});

import { z } from 'zod';
import { anyNumber, calculation, fig, positive, temperature } from '#core/kit';
import { counted } from '#core/units';

/** 20 °C in kelvin, as ASTM C1074 rounds it. */
const REFERENCE_K = 293.15;
/** Q = E/R of strength gain, K (ASTM C1074-19 X1). */
export const STRENGTH_K = 5000;
/** Rate of hydration against that at 20 °C (Arrhenius, ASTM C1074-19 eq. 2). `activationK` is Q = E/R in kelvin. */
export const ageFactor = (tempC: number, activationK: number): number =>
  Math.exp(-activationK * (1 / (tempC + 273.15) - 1 / REFERENCE_K));

/** One reading of a temperature history. */
export interface TempReading {
  timeH: number;
  tempC: number;
}

/** A temperature history: two readings or more, with times that rise. */
export const tempHistorySchema = z
  .array(z.object({ timeH: anyNumber(), tempC: temperature() }))
  .min(2, 'must hold two readings or more')
  .max(20_000, 'must hold at most 20 000 readings')
  .superRefine((list, ctx) => {
    list.forEach((r, i) => {
      const before = list[i - 1];
      if (before && r.timeH <= before.timeH)
        ctx.addIssue({
          code: 'custom',
          path: [i, 'timeH'],
          message: 'is not after the reading before it',
        });
    });
  });

/** Σ rate(mean temperature of the interval) × hours. */
function summed(history: TempReading[], rate: (tempC: number) => number): number {
  let sum = 0;
  for (let i = 1; i < history.length; i += 1) {
    const a = history[i - 1] as TempReading;
    const b = history[i] as TempReading;
    sum += rate((a.tempC + b.tempC) / 2) * (b.timeH - a.timeH);
  }
  return sum;
}

/** What of an interval counts at a mean temperature: nothing below where the clock stops, if it does. */
export const gainAt = (tempC: number, activationK: number, stopsBelowC?: number): number =>
  stopsBelowC !== undefined && tempC < stopsBelowC ? 0 : ageFactor(tempC, activationK);

/**
 * Equivalent age at 20 °C in hours; each interval counts at the mean of its two readings (ASTM
 * C1074-19 §9).
 * @param stopsBelowC intervals below it count for nothing, °C: frozen water binds nothing
 */
export const equivalentAgeH = (
  history: TempReading[],
  activationK: number,
  stopsBelowC?: number,
): number => summed(history, (t) => gainAt(t, activationK, stopsBelowC));

/** Age of concrete by its temperature. */
export const equivalentAge = calculation({
  id: 'equivalent-age',
  title: 'Age by temperature',
  purpose: 'How old the concrete is as if it had stood at 20 °C, and its maturity in degree-hours.',
  formula:
    'age = Σ exp(−Q(1/(T+273.15) − 1/293.15))·Δt; maturity = Σ (T − datum)·Δt, nothing below the datum; T the mean of an interval',
  source: 'ASTM C1074-19 (Arrhenius, and Nurse-Saul)',
  limits:
    'From the first reading to the last. The probe must stand where the concrete is coldest, and never freeze while fresh.',
  input: z.object({
    tempHistory: tempHistorySchema,
    activationK: positive().default(STRENGTH_K),
    datumC: temperature().default(0),
  }),
  output: z.object({ equivalentAgeH: z.number(), maturityCH: z.number() }),
  compute(v, trace) {
    const ageH = equivalentAgeH(v.tempHistory, v.activationK);
    const maturityCH = summed(v.tempHistory, (t) => Math.max(0, t - v.datumC));
    trace.step(
      'age',
      `Σ exp(−${fig(v.activationK)}(1/(T+273.15) − 1/293.15))·Δt over ${counted(v.tempHistory.length, 'reading')}`,
      ageH,
      'h at 20 °C',
    );
    trace.step('maturity', `Σ (T − ${fig(v.datumC)})·Δt`, maturityCH, '°C·h');
    if (v.tempHistory.some((r) => r.tempC < 0))
      trace.caution(
        'It froze: concrete that freezes before about 3.5 MPa (500 psi) may never reach its strength, whatever its age by temperature.',
      );
    return { equivalentAgeH: ageH, maturityCH };
  },
});

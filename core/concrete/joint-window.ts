import { z } from 'zod';
import { anyNumber, calculation, fig, freshTemperature, positive, someOf } from '#core/kit';
import { ageFactor } from './equivalent-age.ts';

/** Minutes at 20 °C until a lift has stiffened, and until it no longer knits, before the retarder (site practice). */
export const STIFFEN_MIN_AT_20C = 40;
export const KNIT_MIN_AT_20C = 75;
/** Q = E/R of early setting, K. */
const SETTING_K = 4200;

/** Clock minutes at a steady temperature that come to `minAt20C` minutes at 20 °C. */
export const clockMin = (minAt20C: number, tempC: number, activationK = SETTING_K): number =>
  minAt20C / ageFactor(tempC, activationK);

interface Reading {
  timeMin: number;
  tempC: number;
}

/** Temperature at a minute: straight between readings, the first held before and the last after. */
function tempAt(history: Reading[], minute: number): number {
  const first = history[0] as Reading;
  if (minute <= first.timeMin) return first.tempC;
  for (let i = 1; i < history.length; i += 1) {
    const a = history[i - 1] as Reading;
    const b = history[i] as Reading;
    if (minute <= b.timeMin)
      return a.tempC + ((b.tempC - a.tempC) * (minute - a.timeMin)) / (b.timeMin - a.timeMin);
  }
  return (history[history.length - 1] as Reading).tempC;
}

/** Walks the history in short Simpson steps until the age is reached; good to far better than 0.01 min. */
function minuteOfAge(history: Reading[], activationK: number, wantedMin: number): number {
  const rate = (m: number) => ageFactor(tempAt(history, m), activationK);
  const breaks = history.map((r) => r.timeMin).filter((m) => m > 0);
  const last = Math.max(0, ...breaks);
  let t = 0;
  let age = 0;
  while (t < last) {
    const next = Math.min(t + 0.5, ...breaks.filter((b) => b > t));
    const gain = ((next - t) / 6) * (rate(t) + 4 * rate((t + next) / 2) + rate(next));
    if (age + gain >= wantedMin) return t + ((next - t) * (wantedMin - age)) / gain;
    age += gain;
    t = next;
  }
  return t + (wantedMin - age) / rate(t);
}

/** When a lift is stiff enough to take the next, and when it no longer knits with it. */
export const jointWindow = calculation({
  id: 'joint-window',
  title: 'Window of a seam',
  purpose:
    'From when the lift below relieves the form, until when the next lift still knits with it.',
  formula:
    '∫ exp(−Q(1/(T+273.15) − 1/293.15)) dt from minute 0 = minutes at 20 °C × retarder factor',
  source:
    'Equivalent age after ASTM C1074-19, with the trade’s minutes at 20 °C as editable defaults',
  limits:
    'The field test always rules: a running vibrator must sink into the lower lift by its own weight.',
  input: z
    .object({
      concreteTempC: freshTemperature().optional(),
      tempHistory: someOf(z.object({ timeMin: anyNumber(), tempC: freshTemperature() })).optional(),
      stiffenMinAt20C: positive().default(STIFFEN_MIN_AT_20C),
      knitMinAt20C: positive().default(KNIT_MIN_AT_20C),
      retarderFactor: positive().default(1),
      activationK: positive().default(SETTING_K),
    })
    .superRefine((v, ctx) => {
      if (v.concreteTempC === undefined && !v.tempHistory)
        ctx.addIssue({
          code: 'custom',
          path: ['concreteTempC'],
          message: 'is missing: give concreteTempC or tempHistory',
        });
      v.tempHistory?.forEach((r, i) => {
        const b = v.tempHistory?.[i - 1];
        if (b && r.timeMin <= b.timeMin)
          ctx.addIssue({
            code: 'custom',
            path: ['tempHistory', i, 'timeMin'],
            message: 'is not after the reading before it',
          });
      });
    }),
  output: z.object({ stiffenMin: z.number(), knitMin: z.number() }),
  compute(v, trace) {
    const history = v.tempHistory ?? [{ timeMin: 0, tempC: v.concreteTempC ?? 20 }];
    const stiffenMin = minuteOfAge(history, v.activationK, v.stiffenMinAt20C * v.retarderFactor);
    const knitMin = minuteOfAge(history, v.activationK, v.knitMinAt20C * v.retarderFactor);
    trace.step(
      'opens',
      `${fig(v.stiffenMinAt20C)}·${fig(v.retarderFactor)} min at 20 °C`,
      stiffenMin,
      'min',
    );
    trace.step(
      'shuts',
      `${fig(v.knitMinAt20C)}·${fig(v.retarderFactor)} min at 20 °C`,
      knitMin,
      'min',
    );
    trace.caution(
      'The field test rules: a running vibrator must sink into the lower lift by its own weight.',
    );
    return { stiffenMin, knitMin };
  },
});

import { z } from 'zod';
import {
  calculation,
  fig,
  freshTemperature,
  nonNegative,
  positive,
  share,
  temperature,
} from '#core/kit';

/** Below this a temperature counts as it (the formula's base), °C. */
const BASE_C = -18;

function levelOf(
  rate: number,
  { watchKgM2H, actKgM2H }: { watchKgM2H: number; actKgM2H: number },
): 'low' | 'watch' | 'act' {
  if (rate >= actKgM2H) return 'act';
  return rate >= watchKgM2H ? 'watch' : 'low';
}

/** Drying of a fresh flat face. */
export const evaporation = calculation({
  id: 'evaporation',
  title: 'Evaporation rate',
  purpose: 'How fast a fresh flat face dries: from when to shade, fog or cover it.',
  formula: 'E = 5·((Tc + 18)^2.5 − r·(Ta + 18)^2.5)·(V + 4)·10⁻⁶ kg/m²/h, not less than 0',
  source: 'ACI 305R-20; Uno, ACI Materials Journal 95 (1998)',
  limits: 'Fresh, bleeding, unprotected faces. Wind read 0.5 m over the face.',
  input: z.object({
    concreteTempC: freshTemperature(),
    airTempC: temperature(),
    humidity: share(),
    windKmH: nonNegative(),
    watchKgM2H: positive().default(0.5),
    actKgM2H: positive().default(1),
  }),
  output: z.object({ rateKgM2H: z.number(), level: z.enum(['low', 'watch', 'act']) }),
  compute(v, trace) {
    const tc = Math.max(v.concreteTempC, BASE_C);
    const ta = Math.max(v.airTempC, BASE_C);
    const rateKgM2H = Math.max(
      0,
      5 * ((tc + 18) ** 2.5 - v.humidity * (ta + 18) ** 2.5) * (v.windKmH + 4) * 1e-6,
    );
    trace.step(
      'E',
      `5·((${fig(tc)} + 18)^2.5 − ${fig(v.humidity)}·(${fig(ta)} + 18)^2.5)·(${fig(v.windKmH)} + 4)·10⁻⁶`,
      rateKgM2H,
      'kg/m²/h',
    );
    return {
      rateKgM2H,
      level: levelOf(rateKgM2H, v),
    };
  },
});

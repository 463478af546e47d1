import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, positive } from '#core/kit';

/** Core and face may be so far apart, and the core so hot, °C: 35 °F and 158 °F. */
const LIMIT_C = 35 / 1.8;
const PEAK_C = 70;
const temperature = () =>
  anyNumber().gte(-60, 'must be from −60 to 120').lte(120, 'must be from −60 to 120');

/** Whether thick concrete cracks of its own heat. */
export const thermalDifference = calculation({
  id: 'thermal-difference',
  title: 'Core against face',
  purpose: 'Whether a thick member gets too hot inside, or its face too much cooler than its core.',
  formula:
    'worst = the reading with the greatest |core − face|; hot where the core passes its peak, apart where worst passes its limit',
  source: 'ACI SPEC-301-20 §8: 35 °F between core and face, 158 °F in the core',
  limits:
    'For members as thick as the engineer says they are mass concrete. Keep the insulation on until they agree.',
  input: z
    .object({
      readings: z
        .array(z.object({ timeH: nonNegative(), coreC: temperature(), faceC: temperature() }))
        .min(1, 'holds no reading')
        .max(20_000, 'must hold at most 20 000'),
      limitC: positive().default(LIMIT_C),
      peakC: positive().default(PEAK_C),
    })
    .superRefine((v, ctx) => {
      v.readings.forEach((r, i) => {
        if (i > 0 && r.timeH <= (v.readings[i - 1]?.timeH ?? 0))
          ctx.addIssue({
            code: 'custom',
            path: ['readings', i, 'timeH'],
            message: 'is not after the reading before it',
          });
      });
    }),
  output: z.object({
    worstC: z.number(),
    worstAtH: z.number(),
    peakCoreC: z.number(),
    peakAtH: z.number(),
    verdict: z.enum(['hot', 'apart', 'ok']),
  }),
  compute(v, trace) {
    const apart = (r: { coreC: number; faceC: number }) => Math.abs(r.coreC - r.faceC);
    const worst = v.readings.reduce((a, b) => (apart(b) > apart(a) ? b : a));
    const peak = v.readings.reduce((a, b) => (b.coreC > a.coreC ? b : a));
    const worstC = apart(worst);
    trace.step(
      'apart',
      `|${fig(worst.coreC)} − ${fig(worst.faceC)}| at ${fig(worst.timeH)} h`,
      worstC,
      'K',
    );
    trace.step('core', `hottest at ${fig(peak.timeH)} h`, peak.coreC, '°C');
    if (worstC > v.limitC) trace.caution('Cover it: the face cools too fast for the core.');
    const over = worstC > v.limitC ? ('apart' as const) : ('ok' as const);
    return {
      worstC,
      worstAtH: worst.timeH,
      peakCoreC: peak.coreC,
      peakAtH: peak.timeH,
      verdict: peak.coreC > v.peakC ? ('hot' as const) : over,
    };
  },
});

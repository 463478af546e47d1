import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, someOf } from '#core/kit';
import { atMost } from '#core/units';

const reading = z.object({
  id: z.string().min(1, 'is empty'),
  rodM: nonNegative(),
  planM: anyNumber().optional(),
});
const setup = z.object({
  backSightM: nonNegative(),
  readings: z.array(reading),
  turnRodM: nonNegative().optional(),
});

/** Levels from a benchmark and back to it. */
export const levelLoop = calculation({
  id: 'level-loop',
  title: 'Level loop',
  purpose:
    'Levels of points read from one or more set-ups of the instrument, against the drawing, and whether the loop closes on the benchmark.',
  formula:
    'HI = point + back-sight; elevation = HI − rod; the next back-sight stands on the turning point; misclosure = closing elevation − benchmark',
  source: 'Differential levelling; tolerance 3 mm is site practice, editable',
  limits:
    'The misclosure is shown, not spread over the readings. Back- and fore-sights of like length.',
  input: z
    .object({
      benchmarkM: anyNumber(),
      setups: someOf(setup),
      closingRodM: nonNegative(),
      toleranceMm: nonNegative().default(3),
    })
    .superRefine((v, ctx) => {
      v.setups.forEach((s, i) => {
        if (i < v.setups.length - 1 && s.turnRodM === undefined)
          ctx.addIssue({
            code: 'custom',
            path: ['setups', i, 'turnRodM'],
            message: 'is missing: the next set-up stands on this turning point',
          });
      });
    }),
  output: z.object({
    hiM: z.array(z.number()),
    points: z.array(
      z.object({ id: z.string(), elevationM: z.number(), deviationMm: z.number().nullable() }),
    ),
    misclosureMm: z.number(),
    ok: z.boolean(),
  }),
  compute(v, trace) {
    let pointM = v.benchmarkM;
    const hiM: number[] = [];
    const points = v.setups.flatMap((s, i) => {
      const hi = pointM + s.backSightM;
      hiM.push(hi);
      trace.step(`HI ${i + 1}`, `${fig(pointM)} + ${fig(s.backSightM)}`, hi, 'm above datum');
      const out = s.readings.map((r) => {
        const elevationM = hi - r.rodM;
        trace.step(r.id, `${fig(hi)} − ${fig(r.rodM)}`, elevationM, 'm above datum');
        return {
          id: r.id,
          elevationM,
          deviationMm: r.planM === undefined ? null : (elevationM - r.planM) * 1000,
        };
      });
      if (s.turnRodM !== undefined) pointM = hi - s.turnRodM;
      return out;
    });
    const closing = (hiM.at(-1) as number) - v.closingRodM;
    const misclosureMm = (closing - v.benchmarkM) * 1000;
    // Metres read to a millimetre come to more than their tolerance by a rounding error alone.
    const ok = atMost(Math.abs(misclosureMm), v.toleranceMm + 1e-9);
    trace.step('misclosure', `(${fig(closing)} − ${fig(v.benchmarkM)})·1000`, misclosureMm, 'mm');
    if (!ok) trace.caution('The loop does not close: read it again before anything is set by it.');
    return { hiM, points, misclosureMm, ok };
  },
});

import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative } from '#core/kit';
import { atMost } from '#core/units';

/** A wall against its string line. */
export const straightness = calculation({
  id: 'straightness',
  title: 'Straight to the string',
  purpose: 'How far a form stands out of its string line at each station, and how much it bows.',
  formula:
    'deviation = reading − gauge block (+ is out); bow = the largest distance from the straight line between the first and last deviation',
  source: 'Tolerance from the rule profile: 6.35 mm (¼ in), site practice within ACI 117-10 §4',
  limits:
    'String taut and clear of the form, blocks alike. Read after every lift while the concrete is fresh.',
  input: z
    .object({
      gaugeMm: nonNegative(),
      readings: z
        .array(z.object({ stationM: anyNumber(), readingMm: nonNegative() }))
        .min(2, 'must hold two readings or more'),
      toleranceMm: nonNegative().default(6.35),
    })
    .superRefine((v, ctx) => {
      v.readings.forEach((r, i) => {
        const b = v.readings[i - 1];
        if (b && r.stationM <= b.stationM)
          ctx.addIssue({
            code: 'custom',
            path: ['readings', i, 'stationM'],
            message: 'is not beyond the station before it',
          });
      });
    }),
  output: z.object({
    points: z.array(z.object({ stationM: z.number(), deviationMm: z.number(), ok: z.boolean() })),
    worstMm: z.number(),
    worstAtM: z.number(),
    bowMm: z.number(),
    bowAtM: z.number(),
    ok: z.boolean(),
  }),
  compute(v, trace) {
    const points = v.readings.map((r) => ({
      stationM: r.stationM,
      deviationMm: r.readingMm - v.gaugeMm,
      ok: atMost(Math.abs(r.readingMm - v.gaugeMm), v.toleranceMm),
    }));
    const first = points[0] as (typeof points)[number];
    const last = points.at(-1) as typeof first;
    const worst = points.reduce((w, p) =>
      Math.abs(p.deviationMm) > Math.abs(w.deviationMm) ? p : w,
    );
    const bowOf = (p: typeof first) =>
      p.deviationMm -
      (first.deviationMm +
        ((last.deviationMm - first.deviationMm) * (p.stationM - first.stationM)) /
          (last.stationM - first.stationM));
    const bowed = points.reduce((w, p) => (Math.abs(bowOf(p)) > Math.abs(bowOf(w)) ? p : w));
    trace.step(
      'worst',
      `reading − ${fig(v.gaugeMm)} at ${fig(worst.stationM)} m`,
      worst.deviationMm,
      'mm',
    );
    trace.step(
      'bow',
      `off the line from ${fig(first.deviationMm)} to ${fig(last.deviationMm)} mm, at ${fig(bowed.stationM)} m`,
      bowOf(bowed),
      'mm',
    );
    return {
      points,
      worstMm: worst.deviationMm,
      worstAtM: worst.stationM,
      bowMm: bowOf(bowed),
      bowAtM: bowed.stationM,
      ok: points.every((p) => p.ok),
    };
  },
});

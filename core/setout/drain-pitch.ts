import { z } from 'zod';
import { anyNumber, calculation, fig, positive } from '#core/kit';
import { atMost } from '#core/units';

/** Fall of a drain. */
export const drainPitch = calculation({
  id: 'drain-pitch',
  title: 'Fall of a drain',
  purpose: 'Whether a pipe falls all the way, and at which stations it is too flat or runs back.',
  formula:
    'pitch between neighbours = (level before − level after)/distance; flat below the least pitch, back below 0',
  source: 'Least pitch 1 % is trade practice (IRC R405 asks for positive drainage), editable',
  limits:
    'Invert readings in the direction of flow. Between readings the pipe is taken as straight.',
  input: z
    .object({
      inverts: z
        .array(z.object({ atM: anyNumber(), levelM: anyNumber() }))
        .min(2, 'must hold two readings or more'),
      leastPitchRatio: positive().lte(1, 'is a share from 0 to 1').default(0.01),
    })
    .superRefine((v, ctx) => {
      v.inverts.forEach((r, i) => {
        const b = v.inverts[i - 1];
        if (b && r.atM <= b.atM)
          ctx.addIssue({
            code: 'custom',
            path: ['inverts', i, 'atM'],
            message: 'is not beyond the station before it',
          });
      });
    }),
  output: z.object({
    ok: z.boolean(),
    meanPitchRatio: z.number(),
    spans: z.array(
      z.object({
        fromM: z.number(),
        toM: z.number(),
        pitchRatio: z.number(),
        verdict: z.enum(['ok', 'flat', 'back']),
        raiseMm: z.number(),
      }),
    ),
    backAtM: z.array(z.number()),
  }),
  compute(v, trace) {
    const spans = v.inverts.slice(1).map((b, i) => {
      const a = v.inverts[i] as { atM: number; levelM: number };
      const length = b.atM - a.atM;
      const pitchRatio = (a.levelM - b.levelM) / length;
      const enough = atMost(v.leastPitchRatio * length, a.levelM - b.levelM + 1e-9);
      trace.step(
        `${fig(a.atM)} to ${fig(b.atM)} m`,
        `(${fig(a.levelM)} − ${fig(b.levelM)})/${fig(length)}`,
        pitchRatio,
      );
      const short = pitchRatio < -1e-12 ? ('back' as const) : ('flat' as const);
      return {
        fromM: a.atM,
        toM: b.atM,
        pitchRatio,
        verdict: enough ? ('ok' as const) : short,
        raiseMm: enough ? 0 : (v.leastPitchRatio * length - (a.levelM - b.levelM)) * 1000,
      };
    });
    const first = v.inverts[0] as { atM: number; levelM: number };
    const last = v.inverts.at(-1) as { atM: number; levelM: number };
    const meanPitchRatio = (first.levelM - last.levelM) / (last.atM - first.atM);
    trace.step(
      'mean',
      `(${fig(first.levelM)} − ${fig(last.levelM)})/${fig(last.atM - first.atM)}`,
      meanPitchRatio,
    );
    return {
      ok: spans.every((s) => s.verdict === 'ok'),
      meanPitchRatio,
      spans,
      backAtM: spans.filter((s) => s.verdict === 'back').map((s) => s.toM),
    };
  },
});

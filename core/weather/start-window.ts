import { z } from 'zod';
import { calculation, fig } from '#core/kit';
import { checkWindow, startWindowShape } from './start-input.ts';
import { judgeStart, type StartVerdict } from './start-verdict.ts';

const verdict = z.enum(['good', 'watch', 'no']);

/** Neighbouring starts with the same verdict as one stretch, from the first start to the last of it. */
function rangesOf(starts: { startMin: number; verdict: StartVerdict }[]) {
  const ranges: { fromMin: number; toMin: number; verdict: StartVerdict }[] = [];
  for (const s of starts) {
    const last = ranges.at(-1);
    if (last?.verdict === s.verdict) last.toMin = s.startMin;
    else ranges.push({ fromMin: s.startMin, toMin: s.startMin, verdict: s.verdict });
  }
  return ranges;
}

/**
 * When a pour may start. Times are minutes after midnight of the first day; a start belongs to the
 * day it lies in, and days beyond the list have the light of its last. An hour of the forecast
 * holds until the next, the last one for 60 minutes.
 */
export const startWindow = calculation({
  id: 'start-window',
  title: 'Hours to start in',
  purpose: 'Which starts the weather, the light and the plant allow, and what speaks against each.',
  formula:
    'end = start + placing, done = end + finishing; rain and drying over start to done, wind over start to end, cold until done + protection, dark before sunrise or with clean-up after dusk, plant from start − travel to end − travel',
  source:
    'Cold weather ACI 306R-16 (4.4 °C, 40 °F); drying ACI 305R-20 (1.0 kg/m²/h); rain limits are trade practice; wind limit is the pump maker’s',
  limits: 'As good as its forecast. Look at it again the evening before and in the morning.',
  input: startWindowShape.superRefine((v, ctx) => {
    checkWindow(v, (path, message) => {
      ctx.addIssue({ code: 'custom', path, message });
    });
  }),
  output: z.object({
    starts: z.array(
      z.object({
        startMin: z.number(),
        verdict,
        reasons: z.array(
          z.object({
            rule: z.enum(['rain', 'wind', 'cold', 'dark', 'plant', 'drying', 'forecast']),
            verdict,
            value: z.number(),
            limit: z.number(),
            atMin: z.number(),
          }),
        ),
      }),
    ),
    ranges: z.array(z.object({ fromMin: z.number(), toMin: z.number(), verdict })),
    goodStarts: z.number(),
  }),
  compute(v, trace) {
    const of = Math.floor((v.toMin - v.fromMin) / v.stepMin + 1e-9) + 1;
    const starts = Array.from({ length: of }, (_, i) => judgeStart(v, v.fromMin + i * v.stepMin));
    const goodStarts = starts.filter((s) => s.verdict === 'good').length;
    trace.step('looked at', `every ${fig(v.stepMin)} min`, of, 'starts');
    trace.step('end', `start + ${fig(v.placingMin)}`, v.placingMin, 'min');
    trace.step('done', `end + ${fig(v.finishMin)}`, v.placingMin + v.finishMin, 'min');
    trace.step('good', 'nothing against them', goodStarts, 'starts');
    trace.caution('A forecast is a guess that gets worse by the day: look again before you order.');
    return { starts, ranges: rangesOf(starts), goodStarts };
  },
});

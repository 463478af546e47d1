import { z } from 'zod';
import { calculation, fig, nonNegative, positive, share } from '#core/kit';

/** What goes into a drained trench. */
export const trenchFill = calculation({
  id: 'trench-fill',
  title: 'Fill of a drained trench',
  purpose: 'Gravel, fabric and pipe for a drained trench, so that nothing comes two yards short.',
  formula:
    'gravel = (length·width·depth − π/4·pipe²·length)·(1 + swell); fabric = (2·(width + depth) + lap)·length·(1 + end laps); pipe = length·(1 + waste)',
  source: 'Geometry; swell (loose over placed), laps and waste are trade practice, editable',
  limits: 'An even, straight-sided trench as dug: measure it, the drawing’s is smaller.',
  input: z
    .object({
      lengthM: positive(),
      widthM: positive(),
      depthM: positive(),
      pipeDiameterMm: nonNegative().default(100),
      swellRatio: share().default(0.12),
      fabricLapM: nonNegative().default(0.3),
      fabricWasteRatio: share().default(0.05),
      pipeWasteRatio: share().default(0.03),
    })
    .superRefine((v, ctx) => {
      if (v.pipeDiameterMm / 1000 > Math.min(v.widthM, v.depthM))
        ctx.addIssue({
          code: 'custom',
          path: ['pipeDiameterMm'],
          message: 'is larger than the trench',
        });
    }),
  output: z.object({
    trenchM3: z.number(),
    gravelM3: z.number(),
    fabricM2: z.number(),
    pipeM: z.number(),
  }),
  compute(v, trace) {
    const trenchM3 = v.lengthM * v.widthM * v.depthM;
    const pipeM3 = (Math.PI / 4) * (v.pipeDiameterMm / 1000) ** 2 * v.lengthM;
    const gravelM3 = (trenchM3 - pipeM3) * (1 + v.swellRatio);
    const fabricM2 =
      (2 * (v.widthM + v.depthM) + v.fabricLapM) * v.lengthM * (1 + v.fabricWasteRatio);
    const pipeM = v.pipeDiameterMm > 0 ? v.lengthM * (1 + v.pipeWasteRatio) : 0;
    trace.step('trench', `${fig(v.lengthM)}·${fig(v.widthM)}·${fig(v.depthM)}`, trenchM3, 'm³');
    trace.step(
      'gravel',
      `(${fig(trenchM3)} − ${fig(pipeM3)})·(1 + ${fig(v.swellRatio)})`,
      gravelM3,
      'm³',
    );
    trace.step(
      'fabric',
      `(2·(${fig(v.widthM)} + ${fig(v.depthM)}) + ${fig(v.fabricLapM)})·${fig(v.lengthM)}·(1 + ${fig(v.fabricWasteRatio)})`,
      fabricM2,
      'm²',
    );
    trace.step('pipe', `${fig(v.lengthM)}·(1 + ${fig(v.pipeWasteRatio)})`, pipeM, 'm');
    trace.caution(
      'Trenches bury people: slope or shore it, keep the spoil back, and look again after rain.',
    );
    return { trenchM3, gravelM3, fabricM2, pipeM };
  },
});

import { z } from 'zod';
import { calculation, fig, positive } from '#core/kit';
import { atLeast, atMost } from '#core/units';
import { barField } from './bar.ts';
import { barNamed } from '#core/model';

type Exposure = 'ground' | 'weather' | 'indoors' | 'blinding';
/** ACI 318-19 table 20.5.1.3.1, in exact inches: 3, 2, 1½ and ¾. */
function aciCoverMm(exposure: Exposure, diameterMm: number): number {
  if (exposure === 'ground') return 76.2;
  if (exposure === 'weather') return atLeast(diameterMm, 19) ? 50.8 : 38.1;
  return atMost(diameterMm, 35.814) ? 19.05 : 38.1;
}

/** Cover the code asks for. */
export const minCover = calculation({
  id: 'min-cover',
  title: 'Least cover',
  purpose:
    'The concrete cover a bar needs by what it stands against, where the drawing gives none.',
  formula:
    'us-aci: cast against ground 3 in; weather or ground, formed: 2 in from #6 (19 mm), 1½ in below; indoors walls and slabs ¾ in to #11, 1½ in above. metric-en: 75 on soil, 40 on blinding, else the nominal cover of the drawing',
  source: 'ACI 318-19 table 20.5.1.3.1; EN 1992-1-1 §4.4.1.3',
  limits:
    'Cast-in-place, not prestressed. Corrosive ground, fire and seawater ask for more: the drawing rules.',
  input: z
    .object({
      profile: z.enum(['us-aci', 'metric-en'], { error: 'must be us-aci or metric-en' }),
      exposure: z.enum(['ground', 'weather', 'indoors', 'blinding'], {
        error: 'must be ground, weather, indoors or blinding',
      }),
      bar: barField(),
      nominalMm: positive().optional(),
    })
    .superRefine((v, ctx) => {
      if (v.profile === 'us-aci' && v.exposure === 'blinding')
        ctx.addIssue({
          code: 'custom',
          path: ['exposure'],
          message: 'blinding is known to metric-en only: use ground',
        });
      if (
        v.profile === 'metric-en' &&
        (v.exposure === 'weather' || v.exposure === 'indoors') &&
        v.nominalMm === undefined
      )
        ctx.addIssue({
          code: 'custom',
          path: ['nominalMm'],
          message: 'is missing: metric-en takes the drawing’s nominal cover here',
        });
    }),
  output: z.object({ minCoverMm: z.number() }),
  compute(v, trace) {
    const { diameterMm } = barNamed(v.bar);
    const minCoverMm =
      v.profile === 'us-aci'
        ? aciCoverMm(v.exposure, diameterMm)
        : ({ ground: 75, blinding: 40 }[v.exposure as string] ?? v.nominalMm ?? 0);
    trace.step(
      'cover',
      `${v.profile}, ${v.exposure}, ${v.bar} (${fig(diameterMm)} mm)`,
      minCoverMm,
      'mm',
    );
    return { minCoverMm };
  },
});

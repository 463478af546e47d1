import { z } from 'zod';
import { calculation, fig } from '#core/kit';
import { atMost } from '#core/units';
import { barField } from './bar.ts';
import { barNamed } from '#core/model';

/** Inside bend diameter of a standard hook in bar diameters (ACI 318-19 table 25.3.1): to #8, to #11, #14 and #18. */
function bendMultiple(diameterMm: number): number {
  if (atMost(diameterMm, 25.4)) return 6;
  return atMost(diameterMm, 35.814) ? 8 : 10;
}

/** Standard 90° hook. */
export const hook = calculation({
  id: 'hook',
  title: 'Standard 90° hook',
  purpose: 'How tight a bar may be bent and how much stands beyond the bend.',
  formula:
    'inside bend diameter 6 db (to #8), 8 db (#9 to #11), 10 db (#14, #18); straight extension 12 db; leg = extension + half the bend + db',
  source: 'ACI 318-19 table 25.3.1',
  limits:
    'Deformed bars in tension, 90° only. Bars partly in concrete are bent only as the engineer allows.',
  input: z.object({ bar: barField() }),
  output: z.object({
    bendDiameterMm: z.number(),
    extensionMm: z.number(),
    legMm: z.number(),
    arcMm: z.number(),
  }),
  compute(v, trace) {
    const { diameterMm: db } = barNamed(v.bar);
    const n = bendMultiple(db);
    const bendDiameterMm = n * db;
    const extensionMm = 12 * db;
    const legMm = extensionMm + bendDiameterMm / 2 + db;
    const arcMm = (Math.PI / 2) * (bendDiameterMm / 2 + db / 2);
    trace.step('bend', `${n}·${fig(db)}`, bendDiameterMm, 'mm');
    trace.step('extension', `12·${fig(db)}`, extensionMm, 'mm');
    trace.step(
      'leg',
      `${fig(extensionMm)} + ${fig(bendDiameterMm)}/2 + ${fig(db)}, outside the bend`,
      legMm,
      'mm',
    );
    trace.step(
      'arc',
      `π/2·(${fig(bendDiameterMm)} + ${fig(db)})/2, along the middle of the bar`,
      arcMm,
      'mm',
    );
    return { bendDiameterMm, extensionMm, legMm, arcMm };
  },
});

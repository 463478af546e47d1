import { z } from 'zod';
import { calculation, fig, positive } from '#core/kit';
import { atMost } from '#core/units';

/** Pull on a form tie. */
export const tieLoad = calculation({
  id: 'tie-load',
  title: 'Load on a tie',
  purpose: 'What each tie pulls, and whether it may.',
  formula: 'load = p·a·b; ratio = load/capacity',
  source:
    'Statics; ACI 347R-14 §4.3 for the tie’s safety factor, which its rating must already hold',
  limits:
    'Inner ties of an even grid. A tie at a corner, beside an opening or missing puts more on its neighbours.',
  input: z.object({
    pressureKPa: positive(),
    walerSpacingM: positive(),
    tieSpacingM: positive(),
    tieCapacityKN: positive(),
  }),
  output: z.object({ loadKN: z.number(), ratio: z.number(), ok: z.boolean() }),
  compute(v, trace) {
    const loadKN = v.pressureKPa * v.walerSpacingM * v.tieSpacingM;
    const ratio = loadKN / v.tieCapacityKN;
    trace.step(
      'load',
      `${fig(v.pressureKPa)}·${fig(v.walerSpacingM)}·${fig(v.tieSpacingM)}`,
      loadKN,
      'kN',
    );
    trace.step('ratio', `${fig(loadKN)}/${fig(v.tieCapacityKN)}`, ratio);
    if (!atMost(loadKN, v.tieCapacityKN))
      trace.caution(
        'The ties are too far apart or too weak: close them up, place slower, or ask the form’s maker.',
      );
    return { loadKN, ratio, ok: atMost(loadKN, v.tieCapacityKN) };
  },
});

import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, positive } from '#core/kit';
import { atMost } from '#core/units';

/** From the ground, between lying and upright, neither included. */
export const angleField = () =>
  anyNumber().gt(0, 'must be between 0 and 90°').lt(90, 'must be between 0 and 90°');
const RAD = Math.PI / 180;

/** Force in a wall brace. */
export const braceLoad = calculation({
  id: 'brace-load',
  title: 'Load on a brace',
  purpose: 'What each brace of a wall form has to hold along itself, sideways and upward.',
  formula:
    'top load = max(line load, q·h/2); horizontal = top load·s·h/a; axial = horizontal/cos θ; uplift = axial·sin θ',
  source:
    'ACI 347R-14 §4.3.3: 1.5 kN/m (100 lb/ft) along the top, or wind of 0.72 kPa (15 psf) on the form',
  limits:
    'A straight form that hinges at its foot, braces at one height. Storm wind and impact need a design.',
  input: z
    .object({
      wallHeightM: positive(),
      braceSpacingM: positive(),
      attachHeightM: positive(),
      angleDeg: angleField(),
      lineLoadKNM: nonNegative().default(1.5),
      windKPa: nonNegative().default(0.72),
    })
    .superRefine((v, ctx) => {
      if (!atMost(v.attachHeightM, v.wallHeightM))
        ctx.addIssue({ code: 'custom', path: ['attachHeightM'], message: 'is above the wall' });
    }),
  output: z.object({
    topLoadKNM: z.number(),
    braceAxialKN: z.number(),
    horizontalKN: z.number(),
    upliftKN: z.number(),
  }),
  compute(v, trace) {
    const topLoadKNM = Math.max(v.lineLoadKNM, (v.windKPa * v.wallHeightM) / 2);
    const horizontalKN = (topLoadKNM * v.braceSpacingM * v.wallHeightM) / v.attachHeightM;
    const braceAxialKN = horizontalKN / Math.cos(v.angleDeg * RAD);
    const upliftKN = braceAxialKN * Math.sin(v.angleDeg * RAD);
    trace.step(
      'top load',
      `max(${fig(v.lineLoadKNM)}, ${fig(v.windKPa)}·${fig(v.wallHeightM)}/2)`,
      topLoadKNM,
      'kN/m',
    );
    trace.step(
      'horizontal',
      `${fig(topLoadKNM)}·${fig(v.braceSpacingM)}·${fig(v.wallHeightM)}/${fig(v.attachHeightM)}`,
      horizontalKN,
      'kN',
    );
    trace.step('axial', `${fig(horizontalKN)}/cos ${fig(v.angleDeg)}°`, braceAxialKN, 'kN');
    trace.step('uplift', `${fig(braceAxialKN)}·sin ${fig(v.angleDeg)}°`, upliftKN, 'kN');
    trace.caution(
      'The brace’s foot needs an anchor for the uplift; a brace that only pushes holds one way.',
    );
    return { topLoadKNM, braceAxialKN, horizontalKN, upliftKN };
  },
});

import { z } from 'zod';
import { calculation, fig, positive } from '#core/kit';
import { atMost, MM_PER_IN, MPA_PER_PSI } from '#core/units';
import { BAR_NAMES, barNamed } from '#core/model';

/** ACI 318-19 §25.4.1.4: √f′c is not taken above 100 psi. */
const SQRT_FC_CAP_PSI = 100;
const SHORTEST_MM = 12 * MM_PER_IN;
/** ACI 117 minus tolerance of a lap, #3 to #11. */
const LAP_MINUS_MM = 25.4;

/** ψg of ACI 318-19 table 25.4.2.5. */
function gradeFactor(fyMPa: number): number {
  if (atMost(fyMPa, 420)) return 1;
  return atMost(fyMPa, 552) ? 1.15 : 1.3;
}

type DrawnLap = { multipleOfDb: number } | { lengthMm: number };
/** What the drawing asks for, mm. */
function drawnMm(drawing: DrawnLap | undefined, diameterMm: number): number | undefined {
  if (drawing === undefined) return undefined;
  return 'lengthMm' in drawing ? drawing.lengthMm : drawing.multipleOfDb * diameterMm;
}

/** Tension lap (class B) of deformed bars, computed and as a drawing may rule. */
export const lapLength = calculation({
  id: 'lap-length',
  title: 'Lap length',
  purpose:
    'How far two bars must overlap, computed from concrete and steel, or as the drawing rules.',
  formula:
    'ℓd = fy·ψt·ψe·ψg/(25 λ √f′c)·db (≤ #6) or /20 (larger), 3/50 and 3/40 in the other case; class B = 1.3 ℓd; neither under 12 in',
  source: 'ACI 318-19 §25.4.2.3, §25.4.2.5, §25.5.2.1; ACI 117-10 for the tolerance',
  limits:
    '#14, #18, 45M and 55M may not be lapped. Drawing and engineer rule over the computed length.',
  input: z.object({
    fcMPa: positive(),
    fyMPa: positive(),
    bar: z
      .enum(BAR_NAMES, { error: 'is not a bar the table knows' })
      .refine(
        (b) => !['#14', '#18', '45M', '55M'].includes(b),
        'may not be lapped: it is spliced mechanically',
      ),
    topBar: z.boolean(),
    coating: z.enum(['none', 'epoxy', 'epoxyClose'], {
      error: 'must be none, epoxy or epoxyClose',
    }),
    spacingClass: z.enum(['good', 'other'], { error: 'must be good or other' }),
    lightweight: z.boolean().default(false),
    drawing: z
      .union([z.object({ multipleOfDb: positive() }), z.object({ lengthMm: positive() })], {
        error: 'must be {multipleOfDb} or {lengthMm}, above 0',
      })
      .optional(),
  }),
  output: z.object({
    developmentMm: z.number(),
    computedMm: z.number(),
    lapMm: z.number(),
    lapDiameters: z.number(),
    leastMm: z.number(),
    ruledBy: z.enum(['computed', 'drawing']),
  }),
  compute(v, trace) {
    const { diameterMm } = barNamed(v.bar);
    const fcPsi = v.fcMPa / MPA_PER_PSI;
    const fyPsi = v.fyMPa / MPA_PER_PSI;
    const root = Math.min(Math.sqrt(fcPsi), SQRT_FC_CAP_PSI);
    const top = v.topBar ? 1.3 : 1;
    const coat = { none: 1, epoxy: 1.2, epoxyClose: 1.5 }[v.coating];
    const both = Math.min(top * coat, 1.7);
    const grade = gradeFactor(v.fyMPa);
    const lambda = v.lightweight ? 0.75 : 1;
    const small = atMost(diameterMm, 19.05);
    const wide = small ? 25 : 20;
    const divisor = v.spacingClass === 'good' ? wide : (2 * wide) / 3;
    const raw = ((fyPsi * both * grade) / (divisor * lambda * root)) * diameterMm;
    const developmentMm = Math.max(raw, SHORTEST_MM);
    const computedMm = Math.max(1.3 * raw, SHORTEST_MM);
    const ruled = drawnMm(v.drawing, diameterMm) ?? computedMm;
    trace.step('√f′c', `min(√${fig(fcPsi)}, 100)`, root, 'psi');
    trace.step('ψt·ψe', `min(${top}·${coat}, 1.7)`, both);
    trace.step(
      'ℓd',
      `${fig(fyPsi)}·${fig(both)}·${grade}/(${fig(divisor)}·${lambda}·${fig(root)})·${fig(diameterMm)}`,
      developmentMm,
      'mm',
    );
    trace.step('class B', `max(1.3·${fig(raw)}, 304.8)`, computedMm, 'mm');
    trace.step('lap', v.drawing === undefined ? 'computed' : 'the drawing rules', ruled, 'mm');
    if (v.drawing !== undefined && !atMost(computedMm, ruled))
      trace.caution(
        'The drawing asks for a shorter lap than computed. Ask the engineer before the pour.',
      );
    return {
      developmentMm,
      computedMm,
      lapMm: ruled,
      lapDiameters: ruled / diameterMm,
      leastMm: ruled - LAP_MINUS_MM,
      ruledBy: v.drawing === undefined ? ('computed' as const) : ('drawing' as const),
    };
  },
});

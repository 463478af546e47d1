import { z } from 'zod';
import { calculation, fig, nonNegative, positive, share } from '#core/kit';
import { atMost, L_PER_GAL, M3_PER_YD3, MM_PER_IN } from '#core/units';

/** One inch of slump for a US gallon a cubic yard, in mm per litre a cubic metre; 4.95 as the trade rounds it. */
const SLUMP_MM_PER_L_PER_M3 = MM_PER_IN / 4.95;
/** Gallons a cubic yard in litres a cubic metre, for the working. */
const L_M3_PER_GAL_YD3 = L_PER_GAL / M3_PER_YD3;

/** Why no water may go in any more; null when some may. */
function whyNot(v: { addedL: number; placedM3: number; dischargeLimitM3: number }): string | null {
  if (v.addedL > 0) return `water was added before (${fig(v.addedL)} L): it may be added once`;
  if (atMost(v.placedM3, v.dischargeLimitM3)) return null;
  return `${fig(v.placedM3)} m³ is already discharged: water goes in before more than ${fig(v.dischargeLimitM3)} m³ is out`;
}

/** Water that may still go into a load. */
export const waterAddition = calculation({
  id: 'water-addition',
  title: 'Water that may be added',
  purpose:
    'How much water a stiff load needs, how much it may have, and how much to add, once, before it is discharged.',
  formula:
    'needed = max(0, target − slump)/effect·V; allowed = max(0, w/c max·cementitious − w)·V; add the least of the two; new w/c = (w + added/V)/cementitious; V = load − placed, w = batched + added before/load',
  source:
    'ASTM C94/C94M-21 §12.7; the effect of water on slump is trade practice (one inch a gallon per cubic yard), editable',
  limits:
    'Once only, before a significant part is discharged, and within the water of the approved mix. Mix at least 30 turns after it.',
  input: z
    .object({
      loadM3: positive(),
      slumpMm: nonNegative(),
      targetMm: positive(),
      cementitiousKgM3: positive(),
      waterKgM3: positive(),
      maxWcRatio: share().gt(0, 'must be above 0'),
      placedM3: nonNegative().default(0),
      addedL: nonNegative().default(0),
      slumpMmPerLPerM3: positive().default(SLUMP_MM_PER_L_PER_M3),
      dischargeLimitM3: nonNegative().default(0.25),
    })
    .superRefine((v, ctx) => {
      if (!atMost(v.placedM3, v.loadM3))
        ctx.addIssue({ code: 'custom', path: ['placedM3'], message: 'is more than the load held' });
    }),
  output: z.object({
    neededL: z.number(),
    allowedL: z.number(),
    addL: z.number(),
    newWc: z.number(),
    reason: z.string().nullable(),
  }),
  compute(v, trace) {
    const left = Math.max(0, v.loadM3 - v.placedM3);
    const w = v.waterKgM3 + v.addedL / v.loadM3;
    const neededL = (Math.max(0, v.targetMm - v.slumpMm) / v.slumpMmPerLPerM3) * left;
    const allowedL = Math.max(0, v.maxWcRatio * v.cementitiousKgM3 - w) * left;
    const reason = whyNot(v);
    const addL = reason === null ? Math.min(neededL, allowedL) : 0;
    const newWc = (w + (left > 0 ? addL / left : 0)) / v.cementitiousKgM3;
    trace.step('V', `${fig(v.loadM3)} − ${fig(v.placedM3)}`, left, 'm³');
    trace.step('w', `${fig(v.waterKgM3)} + ${fig(v.addedL)}/${fig(v.loadM3)}`, w, 'kg/m³');
    trace.step(
      'needed',
      `max(0, ${fig(v.targetMm)} − ${fig(v.slumpMm)})/${fig(v.slumpMmPerLPerM3)}·${fig(left)}`,
      neededL,
      'L',
    );
    trace.step(
      'allowed',
      `max(0, ${fig(v.maxWcRatio)}·${fig(v.cementitiousKgM3)} − ${fig(w)})·${fig(left)}`,
      allowedL,
      'L',
    );
    trace.step(
      'add',
      reason ??
        `least of needed and allowed (${fig(left > 0 ? addL / left / L_M3_PER_GAL_YD3 : 0)} gal/yd³)`,
      addL,
      'L',
    );
    trace.step(
      'new w/c',
      `(${fig(w)} + ${fig(addL)}/${fig(left)})/${fig(v.cementitiousKgM3)}`,
      newWc,
    );
    if (addL > 0 && addL < neededL)
      trace.caution(
        'The water the mix still allows does not reach the target: ask the plant for admixture, or send the load back.',
      );
    return { neededL, allowedL, addL, newWc, reason };
  },
});

/** Water to cementitious material of a mix by mass, both kg/m³. Source: ASTM C94/C94M, definitions of ACI 318. */
export const waterCementRatio = (waterKgM3: number, cementKgM3: number): number =>
  waterKgM3 / cementKgM3;

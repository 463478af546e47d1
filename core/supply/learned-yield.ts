import { z } from 'zod';
import { anyNumber, calculation, fig, positive } from '#core/kit';

/** Most past pours and loads that are learned from. */
export const MOST_LEARNED = 2000;

/**
 * What past pours say of waste: a normal-inverse-gamma estimate, in which the profile's waste
 * counts as `priorPours` pours. A waste is used over neat, less 1: it may be negative.
 */
export const learnedYield = calculation({
  id: 'learned-yield',
  title: 'Waste learned from past pours',
  purpose: 'How much more than neat this crew uses, and how far that varies, from its own pours.',
  formula:
    'waste = (k·prior + Σw)/(k + n); spread² = (k·sd² + Σ(w − w̄)² + k·n/(k + n)·(w̄ − prior)²)/(k + n)',
  source: 'Normal-inverse-gamma estimate; the profile’s waste is the prior',
  limits: 'Pours of a like kind by a like crew. A few pours say little: the prior holds on.',
  input: z.object({
    priorWaste: anyNumber().gte(-0.5, 'must be from −0.5 to 2').lte(2, 'must be from −0.5 to 2'),
    priorSd: positive().lte(2, 'must be 2 or less'),
    priorPours: positive().lte(1000, 'must be 1000 or less').default(2),
    wastes: z
      .array(anyNumber().gte(-0.9, 'must be from −0.9 to 5').lte(5, 'must be from −0.9 to 5'))
      .max(MOST_LEARNED, `holds more than ${MOST_LEARNED} pours`),
  }),
  output: z.object({ wasteRatio: z.number(), sdRatio: z.number(), pours: z.number() }),
  compute({ priorWaste, priorSd, priorPours: k, wastes }, trace) {
    const n = wastes.length;
    const sum = wastes.reduce((s, w) => s + w, 0);
    const mean = n ? sum / n : priorWaste;
    const about = wastes.reduce((s, w) => s + (w - mean) ** 2, 0);
    const wasteRatio = (k * priorWaste + sum) / (k + n);
    const sdRatio = Math.sqrt(
      (k * priorSd ** 2 + about + ((k * n) / (k + n)) * (mean - priorWaste) ** 2) / (k + n),
    );
    trace.step('waste', `(${fig(k)}·${fig(priorWaste)} + ${fig(sum)})/${fig(k + n)}`, wasteRatio);
    trace.step('spread', `${n} pours, the prior as ${fig(k)}`, sdRatio);
    return { wasteRatio, sdRatio, pours: n };
  },
});

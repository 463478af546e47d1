import { z } from 'zod';
import { calculation, fig, nonNegative, positive } from '#core/kit';
import { atLeast, atMost } from '#core/units';

const place = () => z.enum(['truck', 'hose'], { error: 'must be truck or hose' });

/** Tolerances by the largest slump ordered that they hold for, mm. */
type Steps = readonly (readonly [toMm: number, toleranceMm: number])[];
const EN_STEPS: Steps = [
  [40, 10],
  [90, 20],
  [Infinity, 30],
];
const ASTM_STEPS: Steps = [
  [50.8, 12.7],
  [101.6, 25.4],
  [Infinity, 38.1],
];
const stepAt = (targetMm: number, steps: Steps): number =>
  steps.find(([toMm]) => atMost(targetMm, toMm))?.[1] ?? 0;

function verdictOf(mm: number, lowMm: number, highMm: number): 'accept' | 'low' | 'high' {
  if (!atLeast(mm, lowMm)) return 'low';
  return atMost(mm, highMm) ? 'accept' : 'high';
}

/** Tolerance below and above the target, mm: ASTM C94/C94M-21 table for nominal and maximum slumps, EN 206 table 23. */
function tolerance(
  standard: 'astm' | 'en',
  kind: 'nominal' | 'maximum',
  targetMm: number,
): { minus: number; plus: number } {
  if (standard === 'en') {
    const t = stepAt(targetMm, EN_STEPS);
    return { minus: t, plus: t };
  }
  if (kind === 'maximum') return { minus: atMost(targetMm, 76.2) ? 38.1 : 63.5, plus: 0 };
  const t = stepAt(targetMm, ASTM_STEPS);
  return { minus: t, plus: t };
}

/** Judges a slump reading where it was taken. */
export const slumpVerdict = calculation({
  id: 'slump-verdict',
  title: 'Slump verdict',
  purpose: 'Says whether a load is as wet as ordered, at the truck or at the hose.',
  formula:
    'low, high = target ∓ tolerance at the place of reading (hose = truck − pump loss); margin = min(measured − low, high − measured)',
  source: 'ASTM C94/C94M-21 tolerances in slump; EN 206:2013 table 23',
  limits: 'One reading of one sample. Pump loss is an allowance, 12.7 mm (½ in) unless measured.',
  input: z
    .object({
      targetMm: positive(),
      kind: z.enum(['nominal', 'maximum'], { error: 'must be nominal or maximum' }),
      measuredMm: nonNegative(),
      standard: z.enum(['astm', 'en'], { error: 'must be astm or en' }),
      at: place(),
      specifiedAt: place().default('truck'),
      pumpLossMm: nonNegative().default(12.7),
    })
    .superRefine((v, ctx) => {
      if (v.standard === 'en' && v.kind === 'maximum')
        ctx.addIssue({
          code: 'custom',
          path: ['kind'],
          message: 'EN 206 has no maximum slump: use nominal',
        });
    }),
  output: z.object({
    verdict: z.enum(['accept', 'low', 'high']),
    lowMm: z.number(),
    highMm: z.number(),
    marginMm: z.number(),
  }),
  compute(v, trace) {
    const t = tolerance(v.standard, v.kind, v.targetMm);
    const lossMm = v.at === 'hose' ? -v.pumpLossMm : v.pumpLossMm;
    const shift = v.at === v.specifiedAt ? 0 : lossMm;
    const lowMm = Math.max(0, v.targetMm - t.minus + shift);
    const highMm = Math.max(0, v.targetMm + t.plus + shift);
    const verdict = verdictOf(v.measuredMm, lowMm, highMm);
    const marginMm = Math.min(v.measuredMm - lowMm, highMm - v.measuredMm);
    trace.step(
      'low',
      `${fig(v.targetMm)} − ${fig(t.minus)}${shift ? ` ${shift < 0 ? '−' : '+'} ${fig(Math.abs(shift))}` : ''}`,
      lowMm,
      'mm',
    );
    trace.step(
      'high',
      `${fig(v.targetMm)} + ${fig(t.plus)}${shift ? ` ${shift < 0 ? '−' : '+'} ${fig(Math.abs(shift))}` : ''}`,
      highMm,
      'mm',
    );
    trace.step(
      'margin',
      `min(${fig(v.measuredMm)} − ${fig(lowMm)}, ${fig(highMm)} − ${fig(v.measuredMm)})`,
      marginMm,
      'mm',
    );
    return { verdict, lowMm, highMm, marginMm };
  },
});

import { z } from 'zod';
import {
  anyNumber,
  calculation,
  fig,
  freshTemperature,
  nonNegative,
  positive,
  share,
} from '#core/kit';
import { atLeast, atMost } from '#core/units';

/** Hottest concrete to take, °C (95 °F; ACI 305.1-14), and coldest where no section rule says more (ACI 306.1). */
const HOTTEST_C = 35;
const COLDEST_C = 5;
/** Air may be so far off what was ordered, as a share of the volume (ASTM C94/C94M-21 §8.2). */
const AIR_TOLERANCE = 0.015;

/** What can be wrong with a load, in the order in which it is said. */
const FAULTS = ['mix', 'age', 'hot', 'cold', 'air', 'wet', 'stiff'] as const;
export type Fault = (typeof FAULTS)[number];

function verdictOf(reject: boolean, adjust: boolean): 'accept' | 'adjust' | 'reject' {
  if (reject) return 'reject';
  return adjust ? 'adjust' : 'accept';
}

/** What a load too stiff may still get; one that goes back gets no water. */
function stiffText(v: { addL: number; neededL?: number | undefined }, goesBack: boolean): string {
  if (goesBack) return 'too stiff';
  const { addL, neededL } = v;
  return neededL !== undefined && addL < neededL
    ? `too stiff: ${fig(addL)} L may be added, ${fig(neededL)} L are wanted`
    : `too stiff: add ${fig(Math.min(addL, neededL ?? addL))} L and mix`;
}

/** Accept a load, adjust it, or send it back. */
export const loadVerdict = calculation({
  id: 'load-verdict',
  title: 'Load verdict',
  purpose: 'Whether a load may be placed, may be adjusted first, or has to go back, and why.',
  formula:
    'reject: other mix, age over its limit, too hot or too cold, air off what was ordered, too wet, or too stiff with no water left; adjust: too stiff and water may be added; accept otherwise',
  source: 'ASTM C94/C94M-21 §8.2, §12.7 and §13; ACI 305.1-14; ACI 306.1',
  limits:
    'The contract’s own limits rule. Slump and water come from slump-verdict and water-addition.',
  input: z
    .object({
      batchMin: anyNumber(),
      nowMin: anyNumber(),
      limitMin: positive().default(90),
      concreteTempC: freshTemperature().optional(),
      hottestC: freshTemperature().default(HOTTEST_C),
      coldestC: freshTemperature().default(COLDEST_C),
      airRatio: share().optional(),
      orderedAirRatio: share().optional(),
      airTolerance: share().default(AIR_TOLERANCE),
      /** More air than ordered by this is off; left out, as much as less. */
      airMore: share().optional(),
      slump: z
        .enum(['accept', 'low', 'high'], { error: 'must be accept, low or high' })
        .nullable()
        .default(null),
      mixMatches: z.boolean({ error: 'must be true or false' }).default(true),
      addL: nonNegative().default(0),
      neededL: nonNegative().optional(),
    })
    .superRefine((v, ctx) => {
      if (v.nowMin < v.batchMin)
        ctx.addIssue({ code: 'custom', path: ['nowMin'], message: 'is before the batch time' });
    }),
  output: z.object({
    verdict: z.enum(['accept', 'adjust', 'reject']),
    reasons: z.array(z.string()),
    faults: z.array(z.enum(FAULTS)),
    ageMin: z.number(),
    minutesLeft: z.number(),
  }),
  compute(v, trace) {
    const age = v.nowMin - v.batchMin;
    const minutesLeft = v.limitMin - age;
    const reject: [Fault, string][] = [];
    const adjust: [Fault, string][] = [];
    if (!v.mixMatches) reject.push(['mix', 'the ticket’s mix is not the one ordered']);
    if (!atMost(age, v.limitMin))
      reject.push([
        'age',
        `${fig(age)} min old, ${fig(age - v.limitMin)} over its ${fig(v.limitMin)}`,
      ]);
    if (v.concreteTempC !== undefined && !atMost(v.concreteTempC, v.hottestC))
      reject.push(['hot', `${fig(v.concreteTempC)} °C is hotter than ${fig(v.hottestC)} °C`]);
    if (v.concreteTempC !== undefined && !atLeast(v.concreteTempC, v.coldestC))
      reject.push(['cold', `${fig(v.concreteTempC)} °C is colder than ${fig(v.coldestC)} °C`]);
    if (v.airRatio !== undefined && v.orderedAirRatio !== undefined) {
      const over = v.airRatio - v.orderedAirRatio;
      const more = v.airMore ?? v.airTolerance;
      if (!atMost(over, more) || !atMost(-over, v.airTolerance))
        reject.push([
          'air',
          `air ${fig(v.airRatio * 100)} in 100, ordered ${fig(v.orderedAirRatio * 100)} −${fig(v.airTolerance * 100)}/+${fig(more * 100)}`,
        ]);
    }
    if (v.slump === 'high') reject.push(['wet', 'too wet: water cannot be taken out']);
    if (v.slump === 'low' && v.addL <= 0)
      reject.push(['stiff', 'too stiff, and no water may be added']);
    if (v.slump === 'low' && v.addL > 0) adjust.push(['stiff', stiffText(v, reject.length > 0)]);
    const verdict = verdictOf(reject.length > 0, adjust.length > 0);
    trace.step('age', `${fig(v.nowMin)} − ${fig(v.batchMin)}`, age, 'min');
    trace.step('left', `${fig(v.limitMin)} − ${fig(age)}`, minutesLeft, 'min');
    const found = [...reject, ...adjust];
    const reasons = found.map(([, reason]) => reason);
    trace.step('verdict', reasons.join('; ') || 'nothing against it', verdict);
    trace.caution('Before a load goes back, look at what that does to the open seam.');
    return { verdict, reasons, faults: found.map(([fault]) => fault), ageMin: age, minutesLeft };
  },
});

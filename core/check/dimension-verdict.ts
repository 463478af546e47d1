import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, someOf } from '#core/kit';
import { atLeast, atMost } from '#core/units';

/** Within so much of its tolerance of a limit a reading is tight. */
export const TIGHT = 0.2;

/** Judges a size, level, lap or count against what is wanted, with its own minus and plus tolerance. */
export const dimensionVerdict = calculation({
  id: 'dimension-verdict',
  title: 'Size and level verdict',
  purpose:
    'Says whether widths, depths, levels, laps or counts are within their tolerance, and by how much.',
  formula:
    'low = wanted − minus; high = wanted + plus; margin = least of (reading − low, high − reading); tight within 20 % of the tolerance of a limit',
  source: 'Tolerances from the rule profile: ACI 117-10 §3 and §2.2, EN 13670:2009 §10',
  limits: 'One kind of reading. No plus tolerance (null) means that more does no harm.',
  input: z.object({
    wantedMm: anyNumber(),
    minusMm: nonNegative(),
    plusMm: nonNegative().nullable(),
    readingsMm: someOf(anyNumber()),
  }),
  output: z.object({
    lowMm: z.number(),
    highMm: z.number().nullable(),
    worstMm: z.number(),
    marginMm: z.number(),
    verdict: z.enum(['ok', 'tight', 'low', 'high']),
    failing: z.array(z.number()),
  }),
  compute({ wantedMm, minusMm, plusMm, readingsMm }, trace) {
    const lowMm = wantedMm - minusMm;
    const highMm = plusMm === null ? null : wantedMm + plusMm;
    const margin = (r: number) => Math.min(r - lowMm, highMm === null ? Infinity : highMm - r);
    const worstMm = readingsMm.reduce((w, r) => (margin(r) < margin(w) ? r : w));
    const failing = readingsMm.flatMap((r, i) =>
      atLeast(r, lowMm) && (highMm === null || atMost(r, highMm)) ? [] : [i],
    );
    // Each side has a tolerance of its own: which reading is the nearest says nothing of the others.
    const isNear = (r: number): boolean =>
      (minusMm > 0 && atMost(r - lowMm, TIGHT * minusMm)) ||
      (plusMm !== null && plusMm > 0 && highMm !== null && atMost(highMm - r, TIGHT * plusMm));
    const off = worstMm < lowMm ? ('low' as const) : ('high' as const);
    const held = readingsMm.some(isNear) ? ('tight' as const) : ('ok' as const);
    const verdict = failing.length ? off : held;
    trace.step('low', `${fig(wantedMm)} − ${fig(minusMm)}`, lowMm, 'mm');
    if (highMm !== null && plusMm !== null)
      trace.step('high', `${fig(wantedMm)} + ${fig(plusMm)}`, highMm, 'mm');
    trace.step('worst', `of ${readingsMm.map(fig).join(', ')}`, worstMm, 'mm');
    trace.step('margin', 'to the nearer limit, negative outside', margin(worstMm), 'mm');
    return { lowMm, highMm, worstMm, marginMm: margin(worstMm), verdict, failing };
  },
});

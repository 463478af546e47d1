import { z } from 'zod';
import { calculation, count, fig, nonNegative, positive, someOf, wholeOrNone } from '#core/kit';
import { atMost } from '#core/units';

/** Bars needed along a length: one at each end distance and no gap wider than the spacing; at least 1. */
export const barsRequired = (lengthMm: number, endMm: number, spacingMm: number): number =>
  Math.max(1, Math.ceil((lengthMm - 2 * endMm) / spacingMm - 1e-9) + 1);

/** Judges bar spacing, counted over a distance or read one by one, and the number of bars. */
export const spacingVerdict = calculation({
  id: 'spacing-verdict',
  title: 'Bar spacing verdict',
  purpose:
    'Says whether bars are close enough together and enough of them, from a count over a distance or single readings.',
  formula:
    'mean = distance / spaces; required bars = ⌈(length − 2·end)/spacing⌉ + 1; few when counted < required; off when the worst is further from specified than the tolerance',
  source: 'ACI 117-10 §2.2.5 (±3 in, total bar count kept)',
  limits: 'Parallel bars of one size. The mean hides single wide gaps: read those one by one.',
  input: z
    .object({
      specifiedMm: positive(),
      overMm: positive().optional(),
      spaces: count().optional(),
      readingsMm: someOf(nonNegative()).optional(),
      toleranceMm: nonNegative().default(76.2),
      lengthMm: positive().optional(),
      countedBars: wholeOrNone().optional(),
      endMm: nonNegative().default(76.2),
    })
    .superRefine((v, ctx) => {
      if (v.readingsMm) return;
      if (v.overMm === undefined)
        ctx.addIssue({
          code: 'custom',
          path: ['overMm'],
          message: 'is missing: give overMm and spaces, or readingsMm',
        });
      if (v.spaces === undefined)
        ctx.addIssue({
          code: 'custom',
          path: ['spaces'],
          message: 'is missing: give overMm and spaces, or readingsMm',
        });
    }),
  output: z.object({
    meanMm: z.number(),
    worstMm: z.number(),
    requiredBars: z.number().nullable(),
    verdict: z.enum(['ok', 'off', 'few']),
    failing: z.array(z.number()),
  }),
  compute(v, trace) {
    const off = (r: number) => Math.abs(r - v.specifiedMm);
    const readings = v.readingsMm;
    const meanMm =
      v.overMm !== undefined && v.spaces !== undefined
        ? v.overMm / v.spaces
        : (readings ?? []).reduce((s, r) => s + r, 0) / (readings?.length ?? 1);
    const worstMm = readings
      ? readings.reduce((w, r) => (off(r) > off(w) || (off(r) === off(w) && r > w) ? r : w))
      : meanMm;
    const requiredBars =
      v.lengthMm === undefined ? null : barsRequired(v.lengthMm, v.endMm, v.specifiedMm);
    if (v.overMm !== undefined && v.spaces !== undefined)
      trace.step('mean', `${fig(v.overMm)} / ${v.spaces}`, meanMm, 'mm');
    else trace.step('mean', `mean(${(readings ?? []).map(fig).join(', ')})`, meanMm, 'mm');
    trace.step('worst', `furthest from ${fig(v.specifiedMm)}`, worstMm, 'mm');
    if (v.lengthMm !== undefined)
      trace.step(
        'required',
        `⌈(${fig(v.lengthMm)} − 2·${fig(v.endMm)})/${fig(v.specifiedMm)}⌉ + 1`,
        requiredBars,
        'bars',
      );
    const few =
      requiredBars !== null && v.countedBars !== undefined && v.countedBars < requiredBars;
    const spaced = atMost(off(worstMm), v.toleranceMm) ? ('ok' as const) : ('off' as const);
    const verdict = few ? ('few' as const) : spaced;
    const failing = (readings ?? [meanMm]).flatMap((r, i) =>
      atMost(off(r), v.toleranceMm) ? [] : [i],
    );
    return { meanMm, worstMm, requiredBars, verdict, failing };
  },
});

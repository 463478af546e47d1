import { z } from 'zod';
import { calculation, fig, nonNegative, positive, someOf } from '#core/kit';
import { atLeast, atMost } from '#core/units';

/** Members up to 8 in deep may be 3/8 in short of cover, deeper ones 1/2 in (ACI 117-10 §2.2.2). */
const ACI_SHALLOW_MM = 203.2;
const ACI_TOLERANCE_MM = { shallow: 9.525, deep: 12.7 };
/** EN 13670 §10.6, Δc,minus for cover. */
const EN_MINUS_MM = 10;

/** How far under the specified cover a reading may be, mm. */
function coverToleranceMm(
  profile: 'aci117' | 'en13670',
  specifiedMm: number,
  memberDepthMm: number,
): number {
  if (profile === 'en13670') return EN_MINUS_MM;
  const table = atMost(memberDepthMm, ACI_SHALLOW_MM)
    ? ACI_TOLERANCE_MM.shallow
    : ACI_TOLERANCE_MM.deep;
  return Math.min(table, specifiedMm / 3);
}

/** Judges cover readings against the specified cover and its tolerance. */
export const coverVerdict = calculation({
  id: 'cover-verdict',
  title: 'Cover verdict',
  purpose:
    'Says whether the concrete cover that was read is good, tight or short, and by which reading.',
  formula:
    'least allowed = specified − tolerance; short when the least reading is below it; tight when within 20 % of the tolerance above it',
  source: 'ACI 117-10 §2.2.2 (never more than a third of the specified cover); EN 13670:2009 §10.6',
  limits:
    'Clear cover read to the nearest steel. It does not say which cover a drawing should have asked for.',
  input: z.object({
    specifiedMm: positive(),
    memberDepthMm: positive(),
    readingsMm: someOf(nonNegative()),
    profile: z.enum(['aci117', 'en13670'], { error: 'must be aci117 or en13670' }),
  }),
  output: z.object({
    leastMm: z.number(),
    meanMm: z.number(),
    allowedLeastMm: z.number(),
    verdict: z.enum(['ok', 'tight', 'short']),
    failing: z.array(z.number()),
    watch: z.array(z.number()),
  }),
  compute({ specifiedMm, memberDepthMm, readingsMm, profile }, trace) {
    const tolerance = coverToleranceMm(profile, specifiedMm, memberDepthMm);
    const aci = atMost(memberDepthMm, ACI_SHALLOW_MM) ? 'shallow' : 'deep';
    const plus = profile === 'en13670' ? Infinity : ACI_TOLERANCE_MM[aci];
    const allowedLeastMm = specifiedMm - tolerance;
    const leastMm = Math.min(...readingsMm);
    const meanMm = readingsMm.reduce((s, r) => s + r, 0) / readingsMm.length;
    const indices = (test: (r: number) => boolean) =>
      readingsMm.flatMap((r, i) => (test(r) ? [i] : []));
    const failing = indices((r) => !atLeast(r, allowedLeastMm));
    const watch = indices((r) => !atMost(r, specifiedMm + plus));
    const near = atMost(leastMm, allowedLeastMm + 0.2 * tolerance);
    const held = near ? ('tight' as const) : ('ok' as const);
    const verdict = failing.length ? ('short' as const) : held;
    trace.step(
      'tolerance',
      profile === 'en13670'
        ? 'EN 13670, fixed'
        : `min(${fig(memberDepthMm)} mm deep → table, ${fig(specifiedMm)} / 3)`,
      tolerance,
      'mm',
    );
    trace.step('least allowed', `${fig(specifiedMm)} − ${fig(tolerance)}`, allowedLeastMm, 'mm');
    trace.step('least', `min(${readingsMm.map(fig).join(', ')})`, leastMm, 'mm');
    trace.step(
      'margin',
      `${fig(leastMm)} − ${fig(allowedLeastMm)}`,
      leastMm - allowedLeastMm,
      'mm',
    );
    if (watch.length)
      trace.caution(
        'A reading is well above the specified cover: the bar stands away from where it works. Check the effective depth.',
      );
    return { leastMm, meanMm, allowedLeastMm, verdict, failing, watch };
  },
});

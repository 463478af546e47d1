import { slumpVerdict } from '#core/concrete';
import { evaluate, type Evaluated } from '#core/kit';
import type { Mix, RuleProfile } from '#core/model';
import { atMost } from '#core/units';
import type { z } from 'zod';

/** What a slump reading is judged by, and what it aims at, mm at the place of reading. */
export type JudgedSlump = Evaluated<z.output<typeof slumpVerdict.output>> & { aimMm: number };

/**
 * Judges a slump of this mix under the site's rule profile. EN 206 knows no maximum: where one was
 * ordered its own tolerance holds below, and nothing above.
 */
export function judgeSlump(
  mix: Mix,
  profile: RuleProfile,
  measuredMm: number,
  where: 'truck' | 'hose',
): JudgedSlump {
  const aci = profile === 'us-aci';
  const judged = evaluate(slumpVerdict, {
    targetMm: mix.slumpMm,
    kind: aci ? mix.slumpKind : 'nominal',
    measuredMm,
    standard: aci ? 'astm' : 'en',
    at: where,
    pumpLossMm: mix.pumpLossMm,
  });
  const { lowMm, highMm, verdict } = judged.result;
  if (mix.slumpKind !== 'maximum') return { ...judged, aimMm: (lowMm + highMm) / 2 };
  const mostMm = aci ? highMm : (lowMm + highMm) / 2;
  const result = {
    lowMm,
    highMm: mostMm,
    marginMm: Math.min(measuredMm - lowMm, mostMm - measuredMm),
    verdict: atMost(measuredMm, mostMm) ? verdict : ('high' as const),
  };
  return { ...judged, result, aimMm: (lowMm + mostMm) / 2 };
}

import { evaluate, type Evaluated } from '#core/kit';
import { latest, type PourState } from '#core/log';
import { withRules } from '#core/rules';
import { evaporation } from '#core/weather';
import type { z } from 'zod';
import type { PourView } from './pour-view.ts';

/**
 * How fast a fresh flat face dries in the weather as it was read last, and when that was; null
 * where it was not read in full.
 */
export function dryingOf(
  { rules, progress }: Pick<PourView, 'rules' | 'progress'>,
  state: PourState,
): (Evaluated<z.output<typeof evaporation.output>> & { atMs: number }) | null {
  const read = latest(state, 'weather');
  const w = read?.body;
  if (w?.humidity === undefined || w.windKmH === undefined) return null;
  const input = withRules('evaporation', rules, {
    concreteTempC: progress.concreteTempC,
    airTempC: w.airTempC,
    humidity: w.humidity,
    windKmH: w.windKmH,
  });
  return { ...evaluate(evaporation, input), atMs: Date.parse(read?.at ?? '') };
}

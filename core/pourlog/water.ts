import { waterAddition } from '#core/concrete';
import { attempt, type Evaluated } from '#core/kit';
import type { Mix, RuleProfile } from '#core/model';
import type { z } from 'zod';
import type { LoadState } from './loads.ts';
import { judgeSlump } from './slump.ts';

export type WaterAdvice = Evaluated<z.output<typeof waterAddition.output>>;

/** So often the drum turns after water went in (ASTM C94 §12.7). */
export const TURNS_AFTER_WATER = 30;

/**
 * Water that may still go into a load; null where its slump is not read or is not too low, where
 * the mix does not say what water it has, or nobody answers for water on the site (EN 206 §7.5).
 * @param placedM3 what of it is placed already
 */
export function waterFor(
  load: LoadState,
  mix: Mix,
  profile: RuleProfile,
  placedM3: number,
): WaterAdvice | null {
  const { cementKgM3, waterKgM3, maxWcRatio } = mix;
  if (load.advice !== 'tooStiff' || !load.slump || load.volumeM3 === null) return null;
  if (!mix.mayWater) return null;
  if (cementKgM3 === undefined || waterKgM3 === undefined || maxWcRatio === undefined) return null;
  const asked = attempt(waterAddition, {
    loadM3: load.volumeM3,
    slumpMm: load.slump.measuredMm,
    targetMm: Math.max(1, judgeSlump(mix, profile, load.slump.measuredMm, load.slump.where).aimMm),
    cementitiousKgM3: cementKgM3,
    waterKgM3,
    maxWcRatio,
    placedM3: Math.min(placedM3, load.volumeM3),
    addedL: load.addedL,
    slumpMmPerLPerM3: mix.waterEffect,
    dischargeLimitM3: mix.waterUntilM3,
  });
  return asked.done ?? null;
}

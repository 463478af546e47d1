import { waterAddition } from '#core/concrete';
import { attempt, type Evaluated } from '#core/kit';
import type { Mix } from '#core/model';
import type { z } from 'zod';
import type { LoadState } from './loads.ts';

export type WaterAdvice = Evaluated<z.output<typeof waterAddition.output>>;

/** So often the drum turns after water went in (ASTM C94 §12.7). */
export const TURNS_AFTER_WATER = 30;

/**
 * Water that may still go into a load; null where its slump is not read or is not too low, or the
 * mix does not say what water it has.
 * @param placedM3 what of it is placed already
 */
export function waterFor(load: LoadState, mix: Mix, placedM3: number): WaterAdvice | null {
  const { cementKgM3, waterKgM3, maxWcRatio } = mix;
  if (load.advice !== 'tooStiff' || !load.slump || load.volumeM3 === null) return null;
  if (cementKgM3 === undefined || waterKgM3 === undefined || maxWcRatio === undefined) return null;
  const asked = attempt(waterAddition, {
    loadM3: load.volumeM3,
    slumpMm: load.slump.measuredMm,
    targetMm: mix.slumpMm,
    cementitiousKgM3: cementKgM3,
    waterKgM3,
    maxWcRatio,
    placedM3: Math.min(placedM3, load.volumeM3),
    addedL: load.addedL,
  });
  return asked.done ?? null;
}

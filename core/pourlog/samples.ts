import { attempt, type Evaluated, seedOf } from '#core/kit';
import { samplingPlan } from '#core/concrete';
import { entries, type LogEvent, type PourState } from '#core/log';
import type { PourDoc } from '#core/model';
import type { PourPlan } from '#core/pourplan';
import type { Rules } from '#core/rules';
import type { z } from 'zod';
import type { LoadState } from './loads.ts';

/** The strength tests of a pour: from which loads they are drawn, and what was made so far. */
export interface Samples {
  plan: Evaluated<z.output<typeof samplingPlan.output>>;
  /** Each test with its load, in their order; `made` is what was made for it. */
  sets: { set: number; loadId: string; made: LogEvent<'cylinders'> | null }[];
}

/** Which loads are sampled, drawn once for the pour; null for a pour without loads. */
export function samplesOf(
  pour: Pick<PourDoc, 'code' | 'testsWaived'>,
  rules: Rules,
  plan: PourPlan,
  state: PourState,
  loads: readonly LoadState[],
): Samples | null {
  const drawn = attempt(samplingPlan, {
    volumeM3: plan.orderedM3,
    areaM2: plan.route.legs.filter((l) => l.wall).reduce((a, l) => a + l.lengthM * l.heightM, 0),
    loads: plan.loadIds,
    seed: seedOf(pour.code),
    waived: pour.testsWaived === true,
    everyM3: rules.value('testEveryM3'),
    everyM2: rules.value('testEveryM2'),
    waiverM3: rules.value('testWaiver'),
  }).done;
  if (!drawn) return null;
  const made = entries(state, 'cylinders');
  const drawnIds = drawn.result.loads;
  // One that was sent back is sampled no more: the next that was not drawn is.
  const back = (id: string) => loads.find((l) => l.id === id)?.stage === 'back';
  const spare = loads.filter((l) => !drawnIds.includes(l.id) && !back(l.id)).map((l) => l.id);
  const insteadOf = (id: string): string => {
    const at = loads.findIndex((l) => l.id === id);
    const next = spare.findIndex((s) => loads.findIndex((l) => l.id === s) > at);
    return next < 0 ? id : (spare.splice(next, 1)[0] ?? id);
  };
  return {
    plan: drawn,
    sets: drawnIds.map((loadId, i) => {
      const own = made.findLast((e) => e.body.set === i + 1) ?? null;
      const from = own === null && back(loadId) ? insteadOf(loadId) : loadId;
      return { set: i + 1, loadId: own?.body.loadId ?? from, made: own };
    }),
  };
}

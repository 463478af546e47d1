import { madeOncePer } from '#core/kit';
import { pricesOf } from '#core/model';
import {
  type ColdStretch,
  coldStretches,
  orderWays,
  type OrderWay,
  type SeamSaver,
  seamSaver,
  supplierOf,
} from '#core/pourplan';
import { mixNamed, planOf, type PourRecord } from './pour-view.ts';

/** What a plan says beside its figures, worked out once a record. */
export interface Planning {
  cold: ColdStretch[];
  /** What would save the seams; null where none is cold, or nothing alone saves them. */
  saver: SeamSaver | null;
  ways: OrderWay[];
}

/** The plan of a record with what is wrong with it. Null without its mix or plant. */
export const planningOf = madeOncePer((r: PourRecord): Planning | null => {
  const plan = planOf(r);
  const mix = mixNamed(r.site, r.pour.mix);
  const plant = supplierOf(r.site, r.pour);
  if (!plan || !mix || !plant) return null;
  const cold = coldStretches(plan);
  return {
    cold,
    saver: cold.length ? seamSaver(r.site, r.pour, mix, plant, r.duskMin, plan) : null,
    ways: orderWays(r.site, r.pour, mix, plant, r.duskMin, plan, pricesOf(r.site)),
  };
});

import type { Mix, Plant, PourDoc, PourSettings, SitePlan } from '#core/model';
import { mostLifts, MOST_LIFTS } from './lifts.ts';
import { planPour } from './plan.ts';

/** Waits between lifts that are tried, min. */
const WAITS_MIN = [0, 15, 30, 45, 60];

/**
 * Lifts and waits with which the forms hold, the fewest lifts and the shortest wait first; one that
 * leaves no seam cold goes before one that does. Null where none of them holds: slower, or other
 * forms.
 */
export function withinForms(
  site: SitePlan,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
): Pick<PourSettings, 'lifts' | 'liftWaitMin'> | null {
  const own = planPour(site, pour, mix, plant, duskMin);
  const first = mostLifts(own.route);
  let holds: Pick<PourSettings, 'lifts' | 'liftWaitMin'> | null = null;
  for (let lifts = first; lifts <= Math.min(MOST_LIFTS, first + 4); lifts += 1)
    for (const liftWaitMin of WAITS_MIN) {
      const change = { lifts, liftWaitMin };
      const tried = { ...pour, settings: { ...pour.settings, ...change } };
      const plan = planPour(site, tried, mix, plant, duskMin);
      if (plan.odds.overRating > 0) continue;
      if (plan.odds.coldSeam === 0) return change;
      holds ??= change;
    }
  return holds;
}

import type { Mix, Plant, PourDoc, PourSettings, SitePlan } from '#core/model';
import { proposedBulkheads } from './bulkheads.ts';
import { layings } from './lay.ts';
import { mostLifts } from './lifts.ts';
import { type PourPlan, planPour } from './plan.ts';

/** What would keep every seam in its window, the smallest change first. */
export interface SeamSaver {
  how:
    | 'way-round'
    | 'two-fronts'
    | 'pier-by-pad'
    | 'closer-loads'
    | 'fewer-lifts'
    | 'faster'
    | 'bigger-trucks'
    | 'retarder'
    | 'bulkhead';
  change: Partial<PourSettings>;
}

const coldIn = (plan: PourPlan): number =>
  plan.timetable.seams.filter((s) => s.verdict === 'cold').length;

/** Only so much slower does a retarder make it stiffen. */
const RETARDED = 1.4;

/**
 * Looks for what saves the seams of a plan that has cold ones: another way round, loads closer together, fewer lifts,
 * bigger trucks, a faster rate, a retarder, bulkheads. The first that leaves none cold; null where
 * none of them alone does.
 */
export function seamSaver(
  site: SitePlan,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
  plan: PourPlan,
): SeamSaver | null {
  const s = pour.settings;
  const spacing = plan.trucks.result.spacingMin;
  const lifts = mostLifts(plan.route);
  const bigger = plant.trucksM3.filter((t) => t > s.truckM3 + 1e-6).sort((a, b) => a - b)[0];
  const ways: (SeamSaver & { mix?: Mix })[] = [
    ...layings(site, pour, mix, plant, duskMin).map(({ how, change }) => ({
      how: how === 'two-fronts' || how === 'pier-by-pad' ? how : ('way-round' as const),
      change,
    })),
    ...(s.spacingMin === null
      ? []
      : [{ how: 'closer-loads' as const, change: { spacingMin: null } }]),
    ...[0.9, 0.8, 0.7].map((share) => ({
      how: 'closer-loads' as const,
      change: { spacingMin: Math.max(1, Math.floor(spacing * share)) },
    })),
    ...(bigger === undefined
      ? []
      : [{ how: 'bigger-trucks' as const, change: { truckM3: bigger } }]),
    ...(lifts > 1 ? [{ how: 'fewer-lifts' as const, change: { lifts: lifts - 1 } }] : []),
    { how: 'faster', change: { placingRateM3PerH: s.placingRateM3PerH * 1.25 } },
    { how: 'retarder', change: {}, mix: { ...mix, retarderFactor: mix.retarderFactor * RETARDED } },
    ...[2, 3, 4].flatMap((parts) => {
      const bulkheads = proposedBulkheads(site, plan.route, parts);
      return bulkheads.length ? [{ how: 'bulkhead' as const, change: { bulkheads } }] : [];
    }),
  ];
  for (const way of ways) {
    const changed = { ...pour, settings: { ...s, ...way.change } };
    const tried = planPour(site, changed, way.mix ?? mix, plant, duskMin);
    // What the forms do not hold saves nothing.
    if (coldIn(tried) === 0 && tried.odds.overRating === 0)
      return { how: way.how, change: way.change };
  }
  return null;
}

import type { LoadState } from '#core/pourlog';
import type { PourView } from './pour-view.ts';

/**
 * A load that is waited for: how much of it, and when it is batched and here as it is planned or
 * was called. Minutes of the day.
 */
interface Due {
  volumeM3: number;
  batchMin: number;
  arriveMin: number;
}

/** When a load is due; null for one that nobody ordered. */
export function dueOf(
  { plan, plant, dayMs }: Pick<PourView, 'plan' | 'plant' | 'dayMs'>,
  load: Pick<LoadState, 'id' | 'calledAt' | 'plannedM3'>,
): Due | null {
  const planned = plan.trucks.result.loads[plan.loadIds.indexOf(load.id)];
  if (planned) return planned;
  if (load.calledAt === null || load.plannedM3 === null) return null;
  const batchMin = (Date.parse(load.calledAt) - dayMs) / 60_000;
  return {
    volumeM3: load.plannedM3,
    batchMin,
    arriveMin: batchMin + plant.travel.medianMin,
  };
}

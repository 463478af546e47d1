import type { LoadState } from '#core/pourlog';
import type { Plant } from '#core/model';
import type { PourPlan } from '#core/pourplan';

/**
 * A load that is waited for: how much of it, and when it is batched and here as it was ordered.
 * Minutes of the day.
 */
interface Due {
  volumeM3: number;
  batchMin: number;
  arriveMin: number;
}

interface Ground {
  plan: PourPlan;
  plant: Plant;
  dayMs: number;
  /** Without a day nothing is due at any moment. */
  dated: boolean;
}

/** When a load is due; null for one that nobody ordered. What is mixed on the site comes as it is planned. */
export function dueOf(
  { plan, plant, dayMs }: Ground,
  load: Pick<LoadState, 'id' | 'batchAt' | 'plannedM3'>,
): Due | null {
  if (plant.mixer) return plan.trucks.result.loads[plan.loadIds.indexOf(load.id)] ?? null;
  if (load.batchAt === null || load.plannedM3 === null) return null;
  const batchMin = (Date.parse(load.batchAt) - dayMs) / 60_000;
  return {
    volumeM3: load.plannedM3,
    batchMin,
    arriveMin: batchMin + plant.plantDelay.medianMin + plant.travel.medianMin,
  };
}

/** The same as a moment, ms. */
export function dueAtMs(on: Ground, load: Parameters<typeof dueOf>[1]): number | null {
  const due = on.dated ? dueOf(on, load) : null;
  return due && on.dayMs + due.arriveMin * 60_000;
}

/** A truck is late when it is not here so long after it was due, min (site practice). */
const LATE_MIN = 5;

/** How late a load is that is not here yet, min; 0 for one that is not, or that nobody waits for. */
export function lateMin(on: Ground, load: LoadState, nowMs: number): number {
  if (load.arrivedAt !== null || load.decision === 'reject') return 0;
  const dueMs = dueAtMs(on, load);
  const late = dueMs === null ? 0 : (nowMs - dueMs) / 60_000;
  return late >= LATE_MIN ? late : 0;
}

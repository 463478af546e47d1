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
  loads: readonly LoadState[];
}

type Awaited = Pick<LoadState, 'id' | 'batchAt' | 'plannedM3'>;

/** When a batch is mixed: as it is planned; once the drum turns, one after the other from the last. */
function mixedAt({ plan, loads, dayMs }: Ground, load: Awaited, batchMin: number): Due | null {
  const at = plan.loadIds.indexOf(load.id);
  const due = plan.trucks.result.loads[at];
  if (!due) return null;
  const last = loads.findLast((l) => l.arrivedAt !== null);
  const after = last && at - plan.loadIds.indexOf(last.id);
  if (!last?.arrivedAt || !after || after <= 0) return due;
  const arriveMin = (Date.parse(last.arrivedAt) - dayMs) / 60_000 + after * batchMin;
  return { volumeM3: due.volumeM3, batchMin: arriveMin, arriveMin };
}

/** When a load is due; null for one that nobody ordered. What is mixed on the site comes as it is planned. */
export function dueOf(on: Ground, load: Awaited): Due | null {
  const { plant, dayMs } = on;
  if (plant.mixer) return mixedAt(on, load, plant.mixer.batchMin);
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

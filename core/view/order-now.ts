import type { StandingOrder } from '#core/pourlog';
import type { PourPlan } from '#core/pourplan';
import type { Plant } from '#core/model';
import { localDate } from '#core/weather';
import type { PourRecord } from './record.ts';

/** Volumes nearer than this are the same, m³. */
const SAME_M3 = 0.01;
/** Minutes nearer than this are the same. */
const SAME_MIN = 1;
const MIN = 60_000;

/** What of a standing order is not as the plan wants it now. */
export interface OrderApart {
  /** Ordered and planned, m³; null where they agree. */
  volume: { orderedM3: number; plannedM3: number } | null;
  loads: { ordered: number; planned: number } | null;
  /** When the first load was ordered to be batched, and when the plan wants it, ms. */
  first: { orderedMs: number; plannedMs: number } | null;
  /** The day that was ordered, where the pour has moved; the plan's is null where it has none. */
  day: { ordered: string; planned: string | null } | null;
}

interface Asked {
  record: Pick<PourRecord, 'site' | 'pour'>;
  plan: PourPlan;
  plant: Plant;
  order: StandingOrder;
  dayMs: number;
}

/** Whether the plan was changed since it was ordered; null where nothing is ordered, or all agrees. */
export function orderApart({ record, plan, plant, order, dayMs }: Asked): OrderApart | null {
  const { loads, orderedM3 } = order;
  const first = loads[0];
  if (order.state === 'none' || plant.mixer || orderedM3 === null || !first) return null;
  const orderedMs = Date.parse(first.batchAt);
  const plannedMs = dayMs + (plan.simulation.loads[0]?.batchMin ?? 0) * MIN;
  const ordered = localDate(orderedMs, record.site.timeZone);
  const planned = record.pour.date;
  const apart: OrderApart = {
    volume:
      Math.abs(orderedM3 - plan.orderedM3) > SAME_M3
        ? { orderedM3, plannedM3: plan.orderedM3 }
        : null,
    loads:
      loads.length === plan.loadIds.length
        ? null
        : { ordered: loads.length, planned: plan.loadIds.length },
    first:
      ordered === planned && Math.abs(orderedMs - plannedMs) > SAME_MIN * MIN
        ? { orderedMs, plannedMs }
        : null,
    day: ordered === planned ? null : { ordered, planned },
  };
  return Object.values(apart).some((x) => x !== null) ? apart : null;
}

/** What a plant that names no notice wants at least, min. */
const LEAST_NOTICE_MIN = 30;
/** How long before its first batch a plant wants an order, min; none where it is mixed on the site. */
export const noticeOf = (plant: Plant): number =>
  plant.mixer ? 0 : (plant.noticeMin ?? LEAST_NOTICE_MIN);

/**
 * The earliest that a first load can be had when it is ordered now, minutes of the pour's day, where
 * that is later than it is planned; null where the plan can be had, or the plant is not asked.
 */
export function firstToBeHad(
  { plan, plant, dayMs, record }: Omit<Asked, 'order'>,
  nowMs: number,
): number | null {
  const first = plan.simulation.loads[0];
  if (plant.mixer || record.pour.date === null || !first) return null;
  const soonest = (nowMs - dayMs) / MIN + noticeOf(plant);
  const batch = Math.max(soonest, plant.openMin ?? soonest);
  if (first.batchMin >= soonest - 1e-6) return null;
  const wayMin = record.pour.settings.firstLoadMin - first.batchMin;
  return Math.ceil((batch + wayMin) / 5) * 5;
}

import type { PourSettings } from '#core/model';
import { mostLifts, type PourPlan } from '#core/pourplan';

/** What can be dragged on the chart, and what a distance changes of the plan. */
export interface Handle {
  id: string;
  label: string;
  /** What it says of the plan as it stands, for who cannot see the chart. */
  value: number;
  least: number;
  most: number;
  /** One press of an arrow key. */
  step: number;
  change: (value: number) => Partial<PourSettings>;
}

const SNAP_MIN = 5;
const snapped = (min: number): number => Math.round(min / SNAP_MIN) * SNAP_MIN;
const within = (n: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, n));

/** The first load: the whole pour goes with it. */
export const firstLoad = (s: PourSettings): Handle => ({
  id: 'first',
  label: 'First load',
  value: s.firstLoadMin,
  least: 0,
  most: 1435,
  step: SNAP_MIN,
  change: (min) => ({ firstLoadMin: within(snapped(min), 0, 1435) }),
});

/** A later load: all come as far apart as it needs to come then. */
export function laterLoad(s: PourSettings, plan: PourPlan, index: number): Handle {
  const arrives = plan.trucks.result.loads[index]?.arriveMin ?? s.firstLoadMin;
  return {
    id: `load${index}`,
    label: `Load ${index + 1}`,
    value: arrives,
    least: s.firstLoadMin + index,
    most: s.firstLoadMin + index * 240,
    step: index,
    change: (min) => ({
      spacingMin: within(Math.round((min - s.firstLoadMin) / index), 1, 240),
    }),
  };
}

/** A lift: it waits for the one below as long as it is dragged down. */
export const liftLine = (s: PourSettings, plan: PourPlan): Handle | null =>
  mostLifts(plan.route) > 1
    ? {
        id: 'lift',
        label: 'Wait before the next lift',
        value: s.liftWaitMin,
        least: 0,
        most: 240,
        step: SNAP_MIN,
        change: (min) => ({ liftWaitMin: within(snapped(min), 0, 240) }),
      }
    : null;

/** Where it starts: the run under the place it is dragged to, in the order of the pour. */
export function startCorner(s: PourSettings, elements: string[]): Handle {
  return {
    id: 'start',
    label: 'Start of the way round',
    value: s.startAt,
    least: 0,
    most: elements.length - 1,
    step: 1,
    change: (n) => ({
      startAt: ((Math.round(n) % elements.length) + elements.length) % elements.length,
    }),
  };
}

/** Which run of the pour lies at a distance along the route. */
export function startAtOf(plan: PourPlan, elements: string[], m: number): number {
  const leg = plan.route.legs.find((l) => m <= l.fromM + l.lengthM) ?? plan.route.legs.at(-1);
  return Math.max(0, elements.indexOf(leg?.elementId ?? ''));
}

import {
  conveyancesFor,
  mostLifts,
  type NoGo,
  otherOrders,
  type SearchInput,
} from '#core/pourplan';
import type { PourView } from '../../../app/pour-view.ts';

/** Mornings each plan is poured on, and the most plans looked at. */
export const SEARCH_MORNINGS = 200;
export const MOST_PLANS = 1000;
export const CHOICES = [
  ['startAt', 'where it starts'],
  ['reverse', 'which way round'],
  ['way', 'one front or two'],
  ['lifts', 'lifts'],
  ['truckM3', 'truck size'],
  ['spacingMin', 'time between loads'],
  ['firstLoadMin', 'first load'],
  ['placingRateM3PerH', 'how fast'],
  ['liftWaitMin', 'waits between lifts'],
  ['conveyance', 'what conveys it'],
] as const;
export type Choice = (typeof CHOICES)[number][0];

/** The values each free choice may take; what is not free keeps the pour's own. */
export function choicesOf(v: PourView, free: Set<Choice>): SearchInput['choices'] {
  const s = v.record.pour.settings;
  const due = v.plan.trucks.result.spacingMin;
  // The first truck must still be able to be batched.
  const soonest = v.minuteOf(v.nowMs) + v.plant.travel.medianMin + v.plant.plantDelay.medianMin;
  const all: SearchInput['choices'] = {
    startAt: v.record.pour.elements.map((_, i) => i),
    reverse: [false, true],
    way: [{}, ...otherOrders(v.record.site, v.record.pour)],
    lifts: [...new Set([1, 2, 3, 4, 5, s.lifts ?? mostLifts(v.plan.route)])].sort((a, b) => a - b),
    truckM3: v.plant.trucksM3,
    spacingMin: [null, Math.round(due * 0.8), Math.round(due * 1.25)],
    // No faster than pump and crew are said to give: what is set is the most.
    placingRateM3PerH: [0.4, 0.55, 0.7, 0.85, 1].map((share) => s.placingRateM3PerH * share),
    liftWaitMin: [...new Set([0, 20, 40, s.liftWaitMin])].sort((a, b) => a - b),
    conveyance: free.has('conveyance')
      ? [
          ...new Set([
            s.conveyance,
            ...conveyancesFor(v.record.site, v.plan, v.mix, v.rules).map((c) => c.id),
          ]),
        ]
      : [],
    firstLoadMin: [-60, -30, 0, 30, 60]
      .map((d) => s.firstLoadMin + d)
      .filter((m) => m >= 0 && m < 1440 && (m >= soonest || m === s.firstLoadMin)),
  };
  return Object.fromEntries(
    CHOICES.map(([k]) => [k, free.has(k) ? all[k] : []]),
  ) as unknown as SearchInput['choices'];
}
export const inputOf = (
  v: PourView,
  choices: SearchInput['choices'],
  prices: SearchInput['prices'],
  noGo: NoGo[],
): SearchInput => ({
  site: v.record.site,
  pour: v.record.pour,
  mix: v.mix,
  plant: v.plant,
  duskMin: v.record.duskMin,
  choices,
  conveyances: v.record.site.conveyances,
  prices,
  noGo,
  coldSeamShare: v.rules.value('coldSeamShare'),
  trials: SEARCH_MORNINGS,
  seed: 7,
  maxPlans: MOST_PLANS,
  runnersUp: 6,
  pressureBy: 'rise',
});

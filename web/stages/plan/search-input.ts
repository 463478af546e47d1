import { mostLifts, type NoGo, type SearchInput } from '#core/pourplan';
import { clockText } from '#core/units';
import type { PourView } from '../../app/pour-view.ts';

/** Prices to begin with, in the site's money; the foreman sets his own. */
export const PRICES = { crewPerMin: 5, oldLoad: 400, afterDusk: 300 };
export type Price = keyof typeof PRICES;
/** Mornings each plan is poured on, and the most plans looked at. */
export const MORNINGS = 200;
export const MOST_PLANS = 1000;
export const CHOICES = [
  ['startAt', 'where it starts'],
  ['reverse', 'which way round'],
  ['lifts', 'lifts'],
  ['truckM3', 'truck size'],
  ['spacingMin', 'time between loads'],
  ['firstLoadMin', 'first load'],
  ['placingRateM3PerH', 'how fast'],
  ['liftWaitMin', 'waits between lifts'],
] as const;
export type Choice = (typeof CHOICES)[number][0];

/** Hours in which rain stops placing, joined, by the forecast of the day. */
function rainOf(v: PourView): NoGo[] {
  const stop = v.rules.value('rainStop');
  const out: NoGo[] = [];
  for (const h of v.weather) {
    if (h.rainMmH <= stop) continue;
    const fromMin = v.minuteOf(Date.parse(h.at));
    const last = out.at(-1);
    if (last && last.toMin >= fromMin - 1) last.toMin = fromMin + 60;
    else out.push({ fromMin, toMin: fromMin + 60, reason: `rain from ${clockText(fromMin)}` });
  }
  return out;
}

/** The values each free choice may take; what is not free keeps the pour's own. */
export function choicesOf(v: PourView, free: Set<Choice>): SearchInput['choices'] {
  const s = v.record.pour.settings;
  const due = v.plan.trucks.result.spacingMin;
  // The first truck must still be able to be batched.
  const soonest = v.minuteOf(v.nowMs) + v.plant.travel.medianMin + v.plant.plantDelay.medianMin;
  const all: SearchInput['choices'] = {
    startAt: v.record.pour.elements.map((_, i) => i),
    reverse: [false, true],
    lifts: [...new Set([1, 2, 3, 4, 5, s.lifts ?? mostLifts(v.plan.route)])].sort((a, b) => a - b),
    truckM3: v.plant.trucksM3,
    spacingMin: [null, Math.round(due * 0.8), Math.round(due * 1.25)],
    // No faster than pump and crew are said to give: what is set is the most.
    placingRateM3PerH: [0.4, 0.55, 0.7, 0.85, 1].map((share) => s.placingRateM3PerH * share),
    liftWaitMin: [...new Set([0, 20, 40, s.liftWaitMin])].sort((a, b) => a - b),
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
): SearchInput => ({
  site: v.record.site,
  pour: v.record.pour,
  mix: v.mix,
  plant: v.plant,
  duskMin: v.record.duskMin,
  choices,
  prices,
  noGo: rainOf(v),
  coldSeamShare: v.rules.value('coldSeamShare'),
  trials: MORNINGS,
  seed: 7,
  maxPlans: MOST_PLANS,
  runnersUp: 6,
});

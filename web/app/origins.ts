import type { LoadState } from '#core/pourlog';
import { timeline } from '#core/log';
import type { Origin } from '../ui/origin.ts';
import type { PourView } from './pour-view.ts';

/**
 * Where the figures of the screens come from: the calculation and its input, so that each can be
 * opened to its working.
 */

/** Concrete and forms of one element, or of the whole pour. */
export const takeoffOrigin = (v: PourView, elementId: string | null = null): Origin => ({
  id: 'takeoff',
  input: v.record.site,
  only: (s) =>
    elementId !== null
      ? s.symbol === `V ${elementId}` || s.symbol === `A ${elementId}`
      : v.record.pour.elements.some((e) => s.symbol === `V ${e}` || s.symbol === `A ${e}`),
});
export const barsOrigin = (v: PourView, elementId: string): Origin => ({
  id: 'rebar-takeoff',
  input: { site: v.record.site, stockLengthM: v.rules.value('barStock') },
  only: (s) => s.symbol.startsWith(`${elementId} `),
});
export const orderOrigin = (v: PourView): Origin => ({
  id: 'order-quantity',
  input: v.plan.order.input,
});
export const trucksOrigin = (v: PourView): Origin => ({
  id: 'truck-plan',
  input: v.plan.trucks.input,
});
export const timetableOrigin = (v: PourView): Origin => ({
  id: 'pour-simulation',
  input: {
    ...v.plan.simulation,
    trials: 1,
    loads: v.plan.simulation.loads.map((l) => ({
      ...l,
      plantDelay: { medianMin: l.plantDelay.medianMin, p90Min: l.plantDelay.medianMin },
      travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin },
    })),
  },
});
export const oddsOrigin = (v: PourView): Origin => ({
  id: 'pour-simulation',
  input: { ...v.plan.simulation, trials: 400 },
});
export const stateOrigin = (v: PourView): Origin => ({
  id: 'pour-state',
  input: {
    site: v.record.site,
    pour: v.record.pour,
    mix: v.mix,
    plant: v.plant,
    events: timeline(v.state),
    now: new Date(v.nowMs).toISOString(),
  },
});
export const seamOrigin = (v: PourView): Origin => ({
  id: 'joint-window',
  input: {
    concreteTempC: v.progress.concreteTempC,
    stiffenMinAt20C: v.mix.stiffenMinAt20C,
    knitMinAt20C: v.mix.knitMinAt20C,
    retarderFactor: v.mix.retarderFactor,
  },
});
export const ageOrigin = (load: LoadState): Origin => ({
  id: 'load-verdict',
  input: load.working,
  only: (s) => s.symbol !== 'verdict',
});
export const strengthOrigin = (v: PourView): Origin => ({
  id: 'strength-forecast',
  input: v.curing?.working.input,
});

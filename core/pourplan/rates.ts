import { evaluate, type Evaluated } from '#core/kit';
import { maxRateOfRise } from '#core/formwork';
import type { Conveyance, Mix, PourDoc, SitePlan } from '#core/model';
import type { Rules } from '#core/rules';
import { placingRate } from '#core/supply';
import type { z } from 'zod';
import type { Lift } from './lifts.ts';
import type { PourPlan } from './plan.ts';
import { PRESSURE_METHODS, type PressureMethod } from './pressure-method.ts';
import { headKPa, type LiftPressure, pressureAtPlace, pressureRule } from './pressure.ts';

export interface RateAsk {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  rules: Rules;
  plan: PourPlan;
  plantRoundTripMin: number;
  conveyance: Conveyance | undefined;
  /** Hands on the pour; null where the crew is not given: it then holds nothing back. */
  hands: number | null;
}

/** Where the walls press most by the plan; null where no wall is poured. */
const worstOf = (plan: PourPlan): LiftPressure | null =>
  plan.pressure.reduce<LiftPressure | null>(
    (a, b) => (a === null || b.maxKPa > a.maxKPa ? b : a),
    null,
  );

/**
 * What the forms let through: the plan area that goes up with the worst place at the planned rate,
 * and the rise it may have. Null where there are no walls, or full head is within the rating.
 */
function formsLimit({
  plan,
  mix,
  pour,
}: RateAsk): { planAreaM2: number; riseMPerH: number } | null {
  const worst = worstOf(plan);
  const leg = plan.route.legs.find((l) => l.elementId === worst?.elementId);
  if (!worst || !leg) return null;
  const { rateMPerH } = evaluate(maxRateOfRise, {
    ...pressureRule(plan.route.pressureMethod, mix),
    element: 'wall',
    placementHeightM: worst.heightM,
    formHeightM: leg.heightM,
    concreteTempC: worst.tempC,
    ratedPressureKPa: pour.settings.ratingKPa,
  }).result;
  return rateMPerH === null || rateMPerH <= 0
    ? null
    : {
        planAreaM2: pour.settings.placingRateM3PerH / worst.riseMPerH,
        riseMPerH: rateMPerH,
      };
}

/** What holds the rate back: what conveys it, the crew, the plant and the forms, and which of them rules. */
export function ratesOf(ask: RateAsk): Evaluated<z.output<typeof placingRate.output>> {
  const { plan, conveyance, hands, rules } = ask;
  const spacing = plan.trucks.result.spacingMin;
  return evaluate(placingRate, {
    ...(conveyance ? { pumpM3PerH: conveyance.rateM3PerH } : {}),
    ...(hands === null ? {} : { crewM3PerH: Math.max(0.1, hands * rules.value('handRate')) }),
    trucks: Math.max(0.01, ask.plantRoundTripMin / Math.max(1, spacing)),
    truckM3: plan.orderedM3 / Math.max(1, plan.loadIds.length),
    roundTripMin: ask.plantRoundTripMin,
    ...formsLimit(ask),
  });
}

/** What the concrete presses on the forms where it presses most, by one method. */
interface MethodPressure {
  method: PressureMethod;
  rules: boolean;
  maxPressureKPa: number;
  headM: number;
}

/**
 * The pressure where it is greatest: by all three methods, lift by lift, against the rating. Null
 * where no wall is poured.
 */
export interface Envelope {
  elementId: string;
  heightM: number;
  lifts: Lift[];
  riseMPerH: number;
  fullHeadKPa: number;
  ratingKPa: number;
  byMethod: MethodPressure[];
  /** Greatest pressure when each lift is full, by the method that rules. */
  byLift: number[];
  worst: LiftPressure;
}

/** The envelope of the wall that presses most, at its own rise. */
export function envelopeOf(ask: RateAsk): Envelope | null {
  const { plan, mix, pour } = ask;
  const worst = worstOf(plan);
  const leg = plan.route.legs.find((l) => l.elementId === worst?.elementId);
  if (!worst || !leg) return null;
  const byMethod = PRESSURE_METHODS.map((method): MethodPressure => {
    const { maxKPa } = pressureAtPlace(
      pressureRule(method, mix),
      worst.placings,
      leg.heightM,
      worst.tempC,
    );
    const rules = method === plan.route.pressureMethod;
    return { method, rules, maxPressureKPa: maxKPa, headM: maxKPa / headKPa(1) };
  });
  return {
    elementId: worst.elementId,
    heightM: leg.heightM,
    lifts: leg.liftSpans,
    riseMPerH: worst.riseMPerH,
    fullHeadKPa: headKPa(leg.heightM),
    ratingKPa: pour.settings.ratingKPa,
    byMethod,
    byLift: plan.pressure.filter((p) => p.elementId === worst.elementId).map((p) => p.maxKPa),
    worst,
  };
}

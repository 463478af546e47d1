import { evaluate, type Evaluated } from '#core/kit';
import { formPressure, maxRateOfRise } from '#core/formwork';
import type { Conveyance, Mix, PourDoc, SitePlan } from '#core/model';
import type { Rules } from '#core/rules';
import { placingRate } from '#core/supply';
import type { z } from 'zod';
import type { PourPlan } from './plan.ts';

export interface RateAsk {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  rules: Rules;
  plan: PourPlan;
  plantRoundTripMin: number;
  conveyance: Conveyance | undefined;
  /** Hands on the pour. */
  hands: number;
}

const METHODS = ['aci347', 'ciria108', 'hydrostatic'] as const;
type Method = (typeof METHODS)[number];
/** The method that rules, by the site's profile. */
export const rulingMethod = (site: Pick<SitePlan, 'ruleProfile'>): Method =>
  site.ruleProfile === 'us-aci' ? 'aci347' : 'ciria108';

const wallsIn = (plan: PourPlan) => plan.route.legs.filter((l) => l.wall);

/** Plan area of all walls once round, m²: what one metre of rise takes. */
const planAreaOf = (plan: PourPlan): number =>
  wallsIn(plan).reduce((s, l) => s + l.volumeM3 / l.heightM, 0);

const caseOf = ({ pour, mix, plan }: RateAsk, method: Method) => ({
  method,
  element: 'wall' as const,
  placementHeightM: Math.max(...wallsIn(plan).map((l) => l.heightM)),
  concreteTempC: pour.settings.concreteTempC,
  cement: 'plain' as const,
  retarder: mix.retarderFactor > 1,
  slumpMm: mix.slumpMm,
});

/** How fast the forms let the walls rise, m/h; null where there are none, or full head is within the rating. */
function riseAllowed(ask: RateAsk): Evaluated<z.output<typeof maxRateOfRise.output>> | null {
  return wallsIn(ask.plan).length === 0
    ? null
    : evaluate(maxRateOfRise, {
        ...caseOf(ask, rulingMethod(ask.site)),
        ratedPressureKPa: ask.pour.settings.ratingKPa,
      });
}

/** What holds the rate back: what conveys it, the crew, the plant and the forms, and which of them rules. */
export function ratesOf(ask: RateAsk): Evaluated<z.output<typeof placingRate.output>> {
  const { plan, conveyance, hands, rules } = ask;
  const rise = riseAllowed(ask)?.result.rateMPerH;
  const spacing = plan.trucks.result.spacingMin;
  return evaluate(placingRate, {
    ...(conveyance ? { pumpM3PerH: conveyance.rateM3PerH } : {}),
    crewM3PerH: Math.max(0.1, hands * rules.value('handRate')),
    trucks: Math.max(0.01, ask.plantRoundTripMin / Math.max(1, spacing)),
    truckM3: plan.orderedM3 / Math.max(1, plan.loadIds.length),
    roundTripMin: ask.plantRoundTripMin,
    ...(rise !== undefined && rise !== null && rise > 0
      ? { planAreaM2: planAreaOf(plan), riseMPerH: rise }
      : {}),
  });
}

/** What the concrete presses on the forms at the rate that is planned, by one method. */
interface MethodPressure {
  method: Method;
  rules: boolean;
  maxPressureKPa: number;
  headM: number;
}

/** The pressure envelope: by all three methods, lift by lift, against the rating. Null where no wall is poured. */
export interface Envelope {
  heightM: number;
  liftM: number;
  lifts: number;
  riseMPerH: number;
  fullHeadKPa: number;
  ratingKPa: number;
  byMethod: MethodPressure[];
  /** Greatest pressure at the foot of the wall when each lift is full, by the method that rules. */
  byLift: number[];
}

/** Works the envelope out at the rate of the plan. */
export function envelopeOf(ask: RateAsk): Envelope | null {
  const walls = wallsIn(ask.plan);
  const [first, ...others] = walls;
  if (!first) return null;
  const tallest = others.reduce((a, b) => (b.heightM > a.heightM ? b : a), first);
  const riseMPerH = Math.max(0.01, ask.pour.settings.placingRateM3PerH / planAreaOf(ask.plan));
  const pressureAt = (method: Method, heightM: number) =>
    evaluate(formPressure, {
      ...caseOf(ask, method),
      placementHeightM: heightM,
      rateMPerH: riseMPerH,
    }).result;
  const ruling = rulingMethod(ask.site);
  const byMethod = METHODS.map((method) => {
    const { maxPressureKPa, headM } = pressureAt(method, tallest.heightM);
    return { method, rules: method === ruling, maxPressureKPa, headM };
  });
  const liftM = tallest.heightM / tallest.lifts;
  return {
    heightM: tallest.heightM,
    liftM,
    lifts: tallest.lifts,
    riseMPerH,
    fullHeadKPa: pressureAt('hydrostatic', tallest.heightM).maxPressureKPa,
    ratingKPa: ask.pour.settings.ratingKPa,
    byMethod,
    byLift: Array.from(
      { length: tallest.lifts },
      (_, i) => pressureAt(ruling, liftM * (i + 1)).maxPressureKPa,
    ),
  };
}

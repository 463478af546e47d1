import { anchorLayout } from '../anchors/anchor-layout.ts';
import { anchorVerdict } from '../anchors/anchor-verdict.ts';
import { dimensionVerdict } from '../check/dimension-verdict.ts';
import { equivalentAge } from '../concrete/equivalent-age.ts';
import { jointWindow } from '../concrete/joint-window.ts';
import { loadVerdict } from '../concrete/load-verdict.ts';
import { samplingPlan } from '../concrete/sampling-plan.ts';
import { slumpVerdict } from '../concrete/slump-verdict.ts';
import { strengthAcceptance } from '../concrete/strength-acceptance.ts';
import { strengthForecast } from '../concrete/strength-forecast.ts';
import { waterAddition } from '../concrete/water-addition.ts';
import { braceLoad } from '../formwork/brace-load.ts';
import { braceTurn } from '../formwork/brace-turn.ts';
import { formPressure } from '../formwork/form-pressure.ts';
import { maxRateOfRise } from '../formwork/max-rate-of-rise.ts';
import { sheathingSpan } from '../formwork/sheathing-span.ts';
import { tieLoad } from '../formwork/tie-load.ts';
import { walerLayout } from '../formwork/waler-layout.ts';
import { pourStateOf } from '../pourlog/pour-state.ts';
import { yieldSoFar } from '../pourlog/yield.ts';
import { pourSimulation } from '../pourplan/pour-simulation.ts';
import { sequenceSearch } from '../pourplan/sequence-search.ts';
import type { Calculation } from '../kit/calculation.ts';
import { clearanceVerdict } from '../setout/clearance-verdict.ts';
import { drainPitch } from '../setout/drain-pitch.ts';
import { levelLoop } from '../setout/level-loop.ts';
import { squareness } from '../setout/squareness.ts';
import { straightness } from '../setout/straightness.ts';
import { trenchFill } from '../setout/trench-fill.ts';
import { bar } from '../steel/bar.ts';
import { coverVerdict } from '../steel/cover-verdict.ts';
import { hook } from '../steel/hook.ts';
import { lapLength } from '../steel/lap-length.ts';
import { minCover } from '../steel/min-cover.ts';
import { rebarTakeoff } from '../steel/rebar-takeoff.ts';
import { spacingVerdict } from '../steel/spacing-verdict.ts';
import { vertLayout } from '../steel/vert-layout.ts';
import { bagCount } from '../supply/bag-count.ts';
import { orderQuantity } from '../supply/order-quantity.ts';
import { placingRate } from '../supply/placing-rate.ts';
import { pumpReach } from '../supply/pump-reach.ts';
import { siteMix } from '../supply/site-mix.ts';
import { truckPlan } from '../supply/truck-plan.ts';
import { takeoff } from '../takeoff/takeoff.ts';
import { daylightOf } from '../weather/daylight.ts';
import { evaporation } from '../weather/evaporation.ts';
import { weatherRules } from '../weather/weather-rules.ts';

/** A trade subject and its calculations, in the order of the work. */
export interface Subject {
  title: string;
  calculations: readonly Calculation[];
}
export const SUBJECTS: readonly Subject[] = [
  {
    title: 'Set-out and sizes',
    calculations: [
      takeoff,
      trenchFill,
      drainPitch,
      clearanceVerdict,
      levelLoop,
      squareness,
      straightness,
      dimensionVerdict,
    ],
  },
  {
    title: 'Steel',
    calculations: [
      bar,
      minCover,
      coverVerdict,
      spacingVerdict,
      lapLength,
      hook,
      rebarTakeoff,
      vertLayout,
    ],
  },
  { title: 'Anchors', calculations: [anchorLayout, anchorVerdict] },
  {
    title: 'Formwork',
    calculations: [
      formPressure,
      maxRateOfRise,
      tieLoad,
      sheathingSpan,
      walerLayout,
      braceLoad,
      braceTurn,
    ],
  },
  {
    title: 'Order and supply',
    calculations: [orderQuantity, truckPlan, bagCount, siteMix, pumpReach, placingRate],
  },
  {
    title: 'Concrete',
    calculations: [
      slumpVerdict,
      waterAddition,
      loadVerdict,
      jointWindow,
      equivalentAge,
      strengthForecast,
      samplingPlan,
      strengthAcceptance,
    ],
  },
  { title: 'Weather', calculations: [evaporation, weatherRules, daylightOf] },
  { title: 'Pour', calculations: [pourSimulation, sequenceSearch, pourStateOf, yieldSoFar] },
];

/** Every calculation of the house. */
export const REGISTER: readonly Calculation[] = SUBJECTS.flatMap((s) => s.calculations);
const byId = new Map(REGISTER.map((c) => [c.id, c]));
/** The calculation of that id, or undefined. */
export const calculationNamed = (id: string): Calculation | undefined => byId.get(id);

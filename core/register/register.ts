import { anchorLayout, anchorTemplate, anchorVerdict } from '#core/anchors';
import { dimensionVerdict } from '#core/check';
import {
  deliveredTemperature,
  equivalentAge,
  jointWindow,
  loadVerdict,
  samplingPlan,
  slumpVerdict,
  strengthAcceptance,
  strengthBand,
  strengthForecast,
  waterAddition,
} from '#core/concrete';
import {
  braceLoad,
  braceTurn,
  formPressure,
  localRise,
  maxRateOfRise,
  sheathingSpan,
  tieLoad,
  walerLayout,
} from '#core/formwork';
import { thermalDifference } from '#core/cure';
import { pourStateOf, yieldSoFar } from '#core/pourlog';
import { pourForecast, pourSimulation, sequenceSearch } from '#core/pourplan';
import type { Calculation } from '#core/kit';
import {
  clearanceVerdict,
  drainPitch,
  levelLoop,
  squareness,
  straightness,
  trenchFill,
} from '#core/setout';
import {
  bar,
  coverVerdict,
  hook,
  lapLength,
  lapLengthEn,
  minCover,
  rebarTakeoff,
  spacingVerdict,
  vertLayout,
} from '#core/steel';
import {
  bagCount,
  dayBalance,
  learnedDelay,
  learnedYield,
  orderQuantity,
  placingRate,
  pumpReach,
  siteMix,
  truckPlan,
} from '#core/supply';
import { takeoff } from '#core/takeoff';
import { daylightOf, evaporation, startWindow, weatherRules } from '#core/weather';

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
      lapLengthEn,
      hook,
      rebarTakeoff,
      vertLayout,
    ],
  },
  { title: 'Anchors', calculations: [anchorLayout, anchorVerdict, anchorTemplate] },
  {
    title: 'Formwork',
    calculations: [
      formPressure,
      localRise,
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
    calculations: [
      orderQuantity,
      truckPlan,
      dayBalance,
      learnedYield,
      learnedDelay,
      bagCount,
      siteMix,
      pumpReach,
      placingRate,
    ],
  },
  {
    title: 'Concrete',
    calculations: [
      slumpVerdict,
      deliveredTemperature,
      waterAddition,
      loadVerdict,
      jointWindow,
      equivalentAge,
      strengthForecast,
      strengthBand,
      thermalDifference,
      samplingPlan,
      strengthAcceptance,
    ],
  },
  { title: 'Weather', calculations: [evaporation, weatherRules, startWindow, daylightOf] },
  {
    title: 'Pour',
    calculations: [pourSimulation, pourForecast, sequenceSearch, pourStateOf, yieldSoFar],
  },
];

/** Every calculation of the house. */
export const REGISTER: readonly Calculation[] = SUBJECTS.flatMap((s) => s.calculations);
const byId = new Map(REGISTER.map((c) => [c.id, c]));
/** The calculation of that id, or undefined. */
export const calculationNamed = (id: string): Calculation | undefined => byId.get(id);

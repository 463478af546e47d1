import { dimensionVerdict } from './check/dimension-verdict.ts';
import { jointWindow } from './concrete/joint-window.ts';
import { slumpVerdict } from './concrete/slump-verdict.ts';
import { strengthForecast } from './concrete/strength-forecast.ts';
import { pourSimulation } from './pourplan/pour-simulation.ts';
import type { Calculation } from './register/calculation.ts';
import { coverVerdict } from './steel/cover-verdict.ts';
import { lapLength } from './steel/lap-length.ts';
import { rebarTakeoff } from './steel/rebar-takeoff.ts';
import { spacingVerdict } from './steel/spacing-verdict.ts';
import { orderQuantity } from './supply/order-quantity.ts';
import { truckPlan } from './supply/truck-plan.ts';
import { takeoff } from './takeoff/takeoff.ts';
import { evaporation } from './weather/evaporation.ts';

/** Every calculation of the house, in the order of the work. */
export const REGISTER: readonly Calculation[] = [
  takeoff, rebarTakeoff, coverVerdict, spacingVerdict, lapLength, dimensionVerdict,
  orderQuantity, truckPlan, pourSimulation, jointWindow, slumpVerdict, evaporation, strengthForecast,
];

const byId = new Map(REGISTER.map((c) => [c.id, c]));
/** The calculation of that id, or undefined. */
export const calculationNamed = (id: string): Calculation | undefined => byId.get(id);

/** The public face of this room: what others use of it. */
export { COLD_AIR_C, leastPlacedC, leastPlacedEnC } from './cold.ts';
export { strengthBand } from './strength-band.ts';
export { deliveredTemperature } from './fresh-temperature.ts';
export { equivalentAge, equivalentAgeH, type TempReading } from './equivalent-age.ts';
export { clockMin, jointWindow, KNIT_MIN_AT_20C, STIFFEN_MIN_AT_20C } from './joint-window.ts';
export { type Fault, loadVerdict } from './load-verdict.ts';
export { samplingPlan } from './sampling-plan.ts';
export { slumpVerdict } from './slump-verdict.ts';
export { strengthAcceptance } from './strength-acceptance.ts';
export { type CementType, strengthAtMPa, strengthForecast } from './strength-forecast.ts';
export { waterAddition, waterCementRatio } from './water-addition.ts';

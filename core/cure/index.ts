/** The public face of this room: what others use of it. */
export { type Care, careOf } from './care.ts';
export type { Acceptance } from './acceptance.ts';
export { usualSpecimen } from './breaks.ts';
export { thermalDifference } from './thermal-difference.ts';
export { type AirHour, leastDimensionM } from './concrete-temperature.ts';
export { type Curing, curingOf } from './curing.ts';
export { type EarlyStrip, earlyStrips, refuseBreak, refuseStrip, stripWords } from './strip.ts';

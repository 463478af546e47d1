/** The public face of this room: what others use of it. */
export { braceLoad } from './brace-load.ts';
export { braceTurn } from './brace-turn.ts';
export { formPressure, pressureKPa } from './form-pressure.ts';
export {
  bracePlaces,
  CONSOLIDATION_WORDS,
  drawnForms,
  type DrawnForms,
  foamBlocks,
  formSystemOf,
  tieJoints,
  tiesAtJoint,
  walerRows,
} from './forms-layout.ts';
export { localRise, type PlacedAt, riseOf } from './local-rise.ts';
export { maxRateOfRise } from './max-rate-of-rise.ts';
export { type FormCase, pressureFields } from './pressure-model.ts';
export { sheathingSpan } from './sheathing-span.ts';
export { tieLoad } from './tie-load.ts';
export { walerLayout } from './waler-layout.ts';

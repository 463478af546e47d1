/** The public face of this room: what others use of it. */
export { diffText, planDiff } from './changes.ts';
export { type Drawn, drawnOf, drawnSchema, pourDrawn, withDrawn } from './drawn.ts';
export { EditRefused, type PlanEdit } from './edit/acts.ts';
export { applyEdit } from './edit/apply.ts';
export { freeName, RUN_STEM, typeMarks } from './edit/names.ts';
export {
  anchorAt,
  FIRST_WALL_M,
  nextFootingType,
  nextForms,
  nextWallType,
  openingAt,
  padAt,
  pierAt,
} from './first-sizes.ts';
export { type Offer, offersOf } from './offers.ts';
export { changePlan } from './plan-change.ts';
export { withTopsKept } from './keep-tops.ts';
export { snapNode, type Snapped } from './snap.ts';
export { footingTopM, footingUnder, gapUnder, piersOn, standsOn, wallsOn } from './standing.ts';
export { stepFlights } from './steps.ts';
export { movedBy, scaledTo, squaredBy } from './underlay.ts';
export { type Strip, unroll, type Unrolled, unrolledRows } from './unroll.ts';

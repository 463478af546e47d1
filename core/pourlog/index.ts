/** The public face of this room: what others use of it. */
export { type Alarm, alarmsOf, isShort, seamUrgent, SHORT_M3 } from './alarms.ts';
export { FAULT_WORDS, loadsOf, type LoadStage, type LoadState, speaksAgainst } from './loads.ts';
export { type ActualPlacement, faceKey, loadFor } from './placements.ts';
export { orderOf, type StandingOrder } from './order.ts';
export { pourStateOf } from './pour-state.ts';
export { type Progress, progressOf } from './progress.ts';
export { type OpenSeam, shutsAt } from './seams.ts';
export { type ClockTask, clockTasks } from './clock-tasks.ts';
export { linePlaces, turnAt } from './braces.ts';
export { dayTasks } from './day-tasks.ts';
export { type Hours, hoursOf } from './hours.ts';
export { type Rise, riseAt } from './rise.ts';
export { yieldSoFar } from './yield.ts';
export { judgeSlump } from './slump.ts';
export { samplesOf } from './samples.ts';
export { setTasks, unreadWithSet } from './set-tasks.ts';
export { TURNS_AFTER_WATER, type WaterAdvice, waterFor } from './water.ts';
export { troublesOf, type TroubleState } from './troubles.ts';

/** The public face of this room: what others use of it. */
export { cautionOf } from './cautions.ts';
export { dimensionVerdict } from './dimension-verdict.ts';
export {
  type DrainFall,
  drainFalls,
  type DrainInvert,
  type DrainPoint,
  drainPoints,
} from './drains.ts';
export { type Fix, fixList, photoKey, photosOf } from './fixes.ts';
export { type Gate, gateOf, gateWhen, type HoldRow } from './gate.ts';
export { type Judged, judgeReading } from './judge-reading.ts';
export { judgeAll, judgeAt, type PlaceState, type PointState, type Verdict } from './judge.ts';
export { levelsAgainMs } from './levels-again.ts';
export {
  isTurningPoint,
  type Levels,
  levelsOf,
  type LevelTarget,
  levelTargets,
  type LoopInput,
  loopOf,
  nextTurningPoint,
  type SetUp,
  verdictOfLevel,
} from './levels.ts';
export { checkList, withAdded } from './points/index.ts';
export { type TypeChange, typeChanges } from './points/joins.ts';
export {
  type CheckPoint,
  type Trade,
  TRADES,
  type Wanted,
  type WantedDepth,
  WHOLE_POUR,
} from './points/types.ts';
export { putOffOf, type PutOffState } from './put-off.ts';
export { meetReading } from './reading-range.ts';
export { checkRules } from './rules.ts';
export { lineStations } from './set-out-readings.ts';
export { nextStop, type Walk } from './walk.ts';
export { AGAIN_WORDS, marginText, roundText, wantedText } from './words.ts';
export { usualSizes } from './usual.ts';

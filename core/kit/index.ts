/** The public face of this room: what others use of it. */
export {
  attempt,
  BadInput,
  calculation,
  type Calculation,
  evaluate,
  type Evaluated,
  fig,
  type InputIssue,
  issuesOf,
  resultOf,
  type Step,
  type Trace,
} from './calculation.ts';
export {
  airTemperature,
  anyNumber,
  drawSeed,
  count,
  freshTemperature,
  LARGEST,
  nonNegative,
  oneLine,
  onlyUsual,
  positive,
  share,
  someOf,
  temperature,
  wholeOrNone,
} from './fields.ts';
export { limitWords } from './limit-words.ts';
export { codeKey, nameKey } from './name-key.ts';
export { madeOncePer, rememberLast } from './memo.ts';
export { normalDensity, normalQuantile, normalTail } from './normal.ts';
export { seedOf } from './seed.ts';
export { sentenceIn } from './sentence.ts';
export { choiceText, isClock, labelOf, type ResultRow, resultRows, stepText } from './words.ts';

/** The public face of this room: what others use of it. */
export { begunElements, isBegun } from './begun.ts';
export { refuseClosed } from './closed.ts';
export { partsOfId, type Words } from './entry-kind.ts';
export { correctable, type CorrectableField } from './corrections.ts';
export { EVENT_KINDS, type EventBody, type EventKind, kindOf, type LogEvent } from './events.ts';
export { answer, answeredBy } from './kinds/answer.ts';
export { breakTest } from './kinds/break-test.ts';
export { close } from './kinds/close.ts';
export { defect } from './kinds/defect.ts';
export { incident } from './kinds/incident.ts';
export { added } from './kinds/added.ts';
export { cylinders } from './kinds/cylinders.ts';
export { freshTest } from './kinds/fresh-test.ts';
export { item } from './kinds/item.ts';
export { hand } from './kinds/hand.ts';
export { level } from './kinds/level.ts';
export { loadArrived } from './kinds/load-arrived.ts';
export { visitor } from './kinds/visitor.ts';
export { TROUBLE_NAME, type TroubleKind, TROUBLES } from './kinds/trouble.ts';
export { water } from './kinds/water.ts';
export { loadEnd } from './kinds/load-end.ts';
export { note } from './kinds/note.ts';
export { override } from './kinds/override.ts';
export { probe } from './kinds/probe.ts';
export { question } from './kinds/question.ts';
export { readingText, type ReadingValue } from './kinds/reading-value.ts';
export { reopen } from './kinds/reopen.ts';
export { sign } from './kinds/sign.ts';
export { MOST_SLUMP_MM } from './kinds/slump.ts';
export { SKIES, weather } from './kinds/weather.ts';
export { task } from './kinds/task.ts';
export { worked } from './kinds/worked.ts';
export { filterLog, LOG_GROUPS, type LogQuery, placeOf } from './groups.ts';
export { refuseHappened, writtenLateMs } from './late.ts';
export { openQuestions, questionsOf } from './questions.ts';
export { rightsPage } from './rights-page.ts';
export { mayStandFor, mayTakeBack, mayWrite } from './rights.ts';
export {
  EMPTY_STATE,
  entries,
  firstId,
  isClosed,
  latest,
  type PourState,
  replay,
  stateAt,
  step,
  timeline,
} from './state.ts';
export { deviceNoted, driftNoted, refuseTime, refuseWritten, timesOf, writtenMs } from './time.ts';

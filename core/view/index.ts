/** The public face of this room: what others use of it. */
export { againstRule } from './against.ts';
export { figuresOf } from './figures.ts';
export {
  airBeforeOf,
  dayBefore,
  plannedConcrete,
  withPlannedConcrete,
} from './planned-concrete.ts';
export type { PourRecord } from './record.ts';
export { noticeOf } from './order-now.ts';
export { planHolds } from './plan-holds.ts';
export { checksOf, curingIn, mixNamed, planOf, type PourView, viewOf } from './pour-view.ts';
export { STAGE_IDS, type StageId } from './stages/ids.ts';
export { nextLine, STAGE, STAGES } from './stages/index.ts';
export { forecastInputOf, hoseAtM, ifSentBack, outlookOf } from './outlook.ts';
export { dryingOf } from './drying.ts';
export { type AssignedTask, tasksOf } from './tasks.ts';
export { loadTable, logTable } from './tables.ts';
export { careIn } from './care.ts';
export { weatherNowOf } from './weather-now.ts';
export { callByOf } from './call-by.ts';
export { dueOf, lateMin } from './due.ts';
export { placedFrom, placedWhere } from './placed-from.ts';
export { entryTimeText, stampText } from './entry-time.ts';
export { dayText, momentText } from './stages/moment.ts';
export { conveyanceOf, isPumped } from './conveyance.ts';
export { crewOf } from './crew.ts';
export { planningOf } from './planning.ts';
export { type Learned, learnedFrom } from './learned.ts';
export { type Lane, laneOf } from './lane.ts';

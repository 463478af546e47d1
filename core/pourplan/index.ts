/** The public face of this room: what others use of it. */
export { cellsOf, type RouteCell } from './cells.ts';
export { highLifts, liftName, liftsOf, MOST_LIFTS, mostLifts } from './lifts.ts';
export { Normals } from './normals.ts';
export { orderFor, planPour, type PourPlan, rehearse } from './plan.ts';
export { pourSimulation } from './pour-simulation.ts';
export { type Leg, type Route, routeOf } from './route.ts';
export type {
  Candidate,
  Choices,
  NoGo,
  SearchInput,
  SearchProgress,
  SearchResult,
} from './search-types.ts';
export { searchSequences } from './search.ts';
export { sequenceSearch } from './sequence-search.ts';
export { simulationInput, type SimulationInput } from './simulation-model.ts';
export { mergedBreaks, spreadOf } from './trials-layout.ts';
export { type Tally, trialsOf } from './trials.ts';

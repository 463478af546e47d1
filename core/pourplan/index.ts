/** The public face of this room: what others use of it. */
export { type OrderWay, orderWays } from './balance.ts';
export { anotherBulkhead, stopEndsOf } from './bulkheads.ts';
export { cellsOf, type RouteCell } from './cells.ts';
export { type ColdStretch, coldStretches } from './cold-stretches.ts';
export { conveyancesFor, takesMix } from './conveys.ts';
export { type Laying, layings, otherOrders } from './lay.ts';
export { filledShare, type FilledTo, stopHeights } from './filled-to.ts';
export { movedLeg } from './moved-leg.ts';
export { formM3, spareSpot } from './left-over.ts';
export { highLifts, liftName, liftVolumeM3, MOST_LIFTS, mostLifts } from './lifts.ts';
export { Normals } from './normals.ts';
export { type DayHour, noGoOf } from './no-go.ts';
export { moneyOf, type Odds, oddsOf } from './odds.ts';
export { keepPlaced } from './placed-kept.ts';
export { placesOf } from './places.ts';
export { planPour, type PourPlan } from './plan.ts';
export { envelopeOf, ratesOf } from './rates.ts';
export {
  type CellTime,
  greatestByLift,
  headKPa,
  type LiftPressure,
  overRating,
  pressureRule,
  pressuresOf,
} from './pressure.ts';
export { DEEPEST_VIBRATED_M, vibratedTooDeep } from './pressure-method.ts';
export { offeredStands } from './offered-stands.ts';
export { clearOf, type Stand, standAt } from './reach.ts';
export type { ForecastInput } from './forecast-model.ts';
export { timetableFrom } from './going-on.ts';
export { pourForecast } from './pour-forecast.ts';
export { pourSimulation } from './pour-simulation.ts';
export { type Leg, type Route, routeOf, sequenceOf, walkedM } from './route.ts';
export type {
  Candidate,
  Choices,
  NoGo,
  SearchInput,
  SearchProgress,
  SearchResult,
} from './search-types.ts';
export { mixerNeeds, type MixerNeeds } from './mixer-needs.ts';
export { asSupplied, supplierOf } from './supplier.ts';
export { type SeamSaver, seamSaver } from './save-seam.ts';
export { searchSequences } from './search.ts';
export { sequenceSearch } from './sequence-search.ts';
export { type Placement, simulationInput, type SimulationInput } from './simulation-model.ts';
export { mergedBreaks, spreadOf } from './trials-layout.ts';
export {
  bestStarts,
  FINISH_MIN,
  type LastStart,
  lastStartsOf,
  type Start,
  startsOf,
} from './starts.ts';
export { type WhatIf, type WhatIfAsk, whatIfsOf } from './what-ifs.ts';
export { windNoOf } from './wind-no.ts';
export { fillJobs, type Filled, heavyJobs, jobsNeeded, handsOf, turnsOf } from './who.ts';
export { type WayNote, wayNotes } from './way-notes.ts';
export { wayInput } from './ways.ts';
export { type WayOn, waysOn } from './ways-on.ts';
export { withinForms } from './within-forms.ts';
export { trialsOf } from './trials.ts';
export type { Tally } from './trials-types.ts';

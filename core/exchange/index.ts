/** The public face of this room: what others use of it. */
export {
  countedFromText,
  countedText,
  isNone,
  lapFromText,
  lapText,
  ledgeFromText,
  ledgeText,
  metres,
  type Spaced,
  spacedFromText,
  spacedText,
} from './bar-text.ts';
export {
  DRAWING_UNITS,
  type DrawingUnit,
  type DrawnLine,
  guessLayer,
  type LayerUse,
  runsFromLines,
} from './lines.ts';
export { readSchedule, SCHEDULE_COLUMNS, type ScheduleRow } from './schedule.ts';
export { rebarTable, type Table, takeoffTable } from './tables.ts';
export { forecastColumns, readForecast } from './forecast.ts';
export { readTickets, type Ticket } from './tickets.ts';

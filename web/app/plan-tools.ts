/** What changing a plan takes of the core. Fetched when somebody begins to: who only reads a pour does without it. */
export { applyEdit, drawnOf, EditRefused, offersOf, pourDrawn, withDrawn } from '#core/siteplan';
export { PlanWork } from './plan-work.ts';
export { storing, undoTellsOf } from './plan-storing.ts';

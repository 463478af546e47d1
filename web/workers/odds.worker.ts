import { expose } from 'comlink';
import { oddsOf, waysOn, whatIfsOf } from '#core/pourplan';

/** Draws the mornings away from the page's own thread. */
const worker = { odds: oddsOf, whatIfs: whatIfsOf, ways: waysOn };
export type OddsWorker = typeof worker;
expose(worker);

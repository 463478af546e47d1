import { expose } from 'comlink';
import { oddsOf, whatIfsOf } from '#core/pourplan';

/** Draws the mornings away from the page's own thread. */
const worker = { odds: oddsOf, whatIfs: whatIfsOf };
export type OddsWorker = typeof worker;
expose(worker);

import { expose } from 'comlink';
import { planPour, type PourPlan } from '#core/pourplan';

/** Draws the mornings away from the page's own thread. */
const odds = {
  odds: (...input: Parameters<typeof planPour>): PourPlan['odds'] => planPour(...input).odds,
};
export type OddsWorker = typeof odds;
expose(odds);

/** The public face of this room: what others use of it. */
export { bagCount } from './bag-count.ts';
export { dayBalance, type LoadStanding } from './day-balance.ts';
export { learnedDelay } from './learned-delay.ts';
export { learnedYield } from './learned-yield.ts';
export { orderQuantity, shortChance } from './order-quantity.ts';
export { placingRate } from './placing-rate.ts';
export { pumpReach } from './pump-reach.ts';
export { siteMix } from './site-mix.ts';
export { loadsInSteps, truckPlan } from './truck-plan.ts';

/** The public face of this room: what others use of it. */
export { bagCount } from './bag-count.ts';
export { learnedDelay } from './learned-delay.ts';
export { learnedYield } from './learned-yield.ts';
export { orderQuantity } from './order-quantity.ts';
export { placingRate } from './placing-rate.ts';
export { pumpReach } from './pump-reach.ts';
export { siteMix } from './site-mix.ts';
export { truckPlan } from './truck-plan.ts';

import { z } from 'zod';
import { calculation, fig } from '../register/calculation.ts';
import { nonNegative, positive, share } from '../register/fields.ts';
import { normalDensity, normalTail } from './normal.ts';

interface Costs {
  costPerM3: number;
  disposalPerM3: number;
  shortFixed: number;
  shortPerM3: number;
}

/** Chance that a demand of mean and deviation is above q. */
const shortChance = (q: number, mean: number, sd: number): number =>
  sd > 0 ? normalTail((q - mean) / sd) : mean > q + 1e-12 * Math.abs(mean) ? 1 : 0;

/** Expected cost of ordering q: what is left over, the chance of running short, and what is missing. */
function expectedCost(q: number, mean: number, sd: number, c: Costs): number {
  const k = sd > 0 ? (q - mean) / sd : 0;
  const missing = sd > 0 ? sd * (normalDensity(k) - k * normalTail(k)) : Math.max(0, mean - q);
  const over = q - mean + missing;
  return (
    (c.costPerM3 + c.disposalPerM3) * over +
    c.shortFixed * shortChance(q, mean, sd) +
    c.shortPerM3 * missing
  );
}

/**
 * The free least of the expected cost: a fine walk to bracket it, then golden-section. The cost is convex beyond
 * the mean and falls before it, so one bracket holds the least.
 */
function leastFree(mean: number, sd: number, c: Costs): number {
  if (sd === 0) return Math.min(expectedCost(mean, mean, 0, c), expectedCost(0, mean, 0, c));
  let best = Infinity;
  let at = mean;
  for (let i = -800; i <= 800; i += 1) {
    const q = mean + (i / 100) * sd;
    const e = q < 0 ? Infinity : expectedCost(q, mean, sd, c);
    if (e < best) {
      best = e;
      at = q;
    }
  }
  let lo = Math.max(0, at - sd / 100);
  let hi = at + sd / 100;
  const g = (Math.sqrt(5) - 1) / 2;
  for (let i = 0; i < 60; i += 1) {
    const a = hi - g * (hi - lo);
    const b = lo + g * (hi - lo);
    if (expectedCost(a, mean, sd, c) <= expectedCost(b, mean, sd, c)) hi = b;
    else lo = a;
  }
  return Math.min(best, expectedCost((lo + hi) / 2, mean, sd, c));
}

/** The best whole number of steps, and the cost round it. */
function bestMultiple(mean: number, sd: number, stepM3: number, c: Costs): number {
  let best = 1;
  let bestCost = Infinity;
  const last = Math.max(2, Math.ceil((mean + 9 * sd) / stepM3) + 1);
  for (let k = 1; k <= last; k += 1) {
    const cost = expectedCost(k * stepM3, mean, sd, c);
    if (cost < bestCost - 1e-9 * Math.abs(bestCost === Infinity ? 0 : bestCost)) {
      best = k;
      bestCost = cost;
    }
  }
  return best;
}

const money = {
  costPerM3: nonNegative(),
  disposalPerM3: nonNegative(),
  shortFixed: nonNegative(),
  shortPerM3: nonNegative(),
};

/** How much to order: firm with a margin, or the balance called when the end is in sight. */
export const orderQuantity = calculation({
  id: 'order-quantity',
  title: 'Order quantity',
  purpose:
    'The order that costs least on average, between paying for what is left over and running short.',
  formula:
    'D ~ N(μ, σ), μ = neat(1 + waste) + left behind, σ = sd·neat; cost(Q) = (c + disposal)·E[(Q−D)⁺] + fixed·P(D>Q) + per m³·E[(D−Q)⁺]',
  source: 'Newsvendor model with closed normal forms',
  limits: 'As good as the waste and the deviation put in: both learn from finished pours.',
  input: z.object({
    neatM3: positive(),
    wasteRatio: share(),
    leftBehindM3: nonNegative(),
    sdRatio: share(),
    stepM3: positive(),
    ...money,
    callFee: nonNegative().optional(),
    callSdRatio: share().default(0.02),
  }),
  output: z.object({
    meanM3: z.number(),
    sdM3: z.number(),
    orderM3: z.number(),
    cost: z.number(),
    shortProbability: z.number(),
    curve: z.array(
      z.object({ orderM3: z.number(), cost: z.number(), shortProbability: z.number() }),
    ),
    callBalance: z
      .object({ firstM3: z.number(), expectedBalanceM3: z.number(), cost: z.number() })
      .optional(),
    cheaper: z.enum(['firm', 'callBalance']).optional(),
  }),
  compute(v, trace) {
    const meanM3 = v.neatM3 * (1 + v.wasteRatio) + v.leftBehindM3;
    const sdM3 = v.sdRatio * v.neatM3;
    const k = bestMultiple(meanM3, sdM3, v.stepM3, v);
    const at = (q: number) => ({
      orderM3: q,
      cost: expectedCost(q, meanM3, sdM3, v),
      shortProbability: shortChance(q, meanM3, sdM3),
    });
    const best = at(k * v.stepM3);
    const span = Math.max(4, Math.ceil((3 * sdM3) / v.stepM3));
    const curve = [];
    for (let i = Math.max(1, k - span); i <= k + span; i += 1) curve.push(at(i * v.stepM3));
    trace.step(
      'μ',
      `${fig(v.neatM3)}·(1 + ${fig(v.wasteRatio)}) + ${fig(v.leftBehindM3)}`,
      meanM3,
      'm³',
    );
    trace.step('σ', `${fig(v.sdRatio)}·${fig(v.neatM3)}`, sdM3, 'm³');
    trace.step('order', `best multiple of ${fig(v.stepM3)}`, best.orderM3, 'm³');
    trace.step('P(short)', `P(D > ${fig(best.orderM3)})`, best.shortProbability);
    trace.step('cost', 'left over, short, and what is missing', best.cost, 'money');
    const firm = { meanM3, sdM3, ...best, curve };
    if (v.callFee === undefined) return firm;
    const sdCall = v.callSdRatio * meanM3;
    const cost = v.callFee + leastFree(meanM3, sdCall, v);
    const firstM3 = Math.max(0, Math.floor((meanM3 - 2 * sdM3) / v.stepM3 + 1e-9) * v.stepM3);
    trace.step(
      'call the balance',
      `fee ${fig(v.callFee)} + least cost with σ = ${fig(sdCall)}`,
      cost,
      'money',
    );
    return {
      ...firm,
      callBalance: { firstM3, expectedBalanceM3: meanM3 - firstM3, cost },
      cheaper: cost < best.cost ? ('callBalance' as const) : ('firm' as const),
    };
  },
});

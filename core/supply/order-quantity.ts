import { z } from 'zod';
import {
  calculation,
  fig,
  nonNegative,
  normalDensity,
  normalTail,
  positive,
  share,
} from '#core/kit';

interface Costs {
  costPerM3: number;
  disposalPerM3: number;
  shortFixed: number;
  shortPerM3: number;
}

/** Chance that a demand of mean and deviation is above q. */
export const shortChance = (q: number, mean: number, sd: number): number =>
  sd > 0 ? normalTail((q - mean) / sd) : Number(mean > q + 1e-12 * Math.abs(mean));

/** Expected cost of ordering q: what is left over, the chance of running short, and what is missing. */
function expectedCost(q: number, mean: number, sd: number, c: Costs): number {
  const short = shortChance(q, mean, sd);
  const k = sd > 0 ? (q - mean) / sd : 0;
  const missing = sd > 0 ? sd * (normalDensity(k) - k * short) : Math.max(0, mean - q);
  const over = q - mean + missing;
  return (c.costPerM3 + c.disposalPerM3) * over + c.shortFixed * short + c.shortPerM3 * missing;
}

/** The walk goes this many deviations to both sides of the mean, in so many steps to one deviation. */
const REACH_SD = 8;
const STEPS_PER_SD = 10;

/**
 * The free least of the expected cost: a walk to bracket it, then golden-section. The slope over the normal density,
 * ((c + disposal)·Φ − per m³·(1 − Φ))/φ − fixed/σ, only rises, so the cost has one least and one bracket holds it.
 */
function leastFree(mean: number, sd: number, c: Costs): number {
  const cost = (q: number) => expectedCost(q, mean, sd, c);
  if (sd === 0) return Math.min(cost(mean), cost(0));
  let best = Infinity;
  let at = mean;
  for (let i = -REACH_SD * STEPS_PER_SD; i <= REACH_SD * STEPS_PER_SD; i += 1) {
    const q = mean + (i / STEPS_PER_SD) * sd;
    const e = q < 0 ? Infinity : cost(q);
    if (e < best) {
      best = e;
      at = q;
    }
  }
  const from = Math.max(0, at - sd / STEPS_PER_SD);
  return Math.min(best, leastBetween(from, at + sd / STEPS_PER_SD, cost));
}

/** The least of a cost that has one least between two orders: golden-section, one new cost a step. */
function leastBetween(from: number, to: number, cost: (q: number) => number): number {
  const g = (Math.sqrt(5) - 1) / 2;
  let [lo, hi] = [from, to];
  let [a, b] = [hi - g * (hi - lo), lo + g * (hi - lo)];
  let [costA, costB] = [cost(a), cost(b)];
  for (let i = 0; i < 60; i += 1)
    if (costA <= costB) {
      hi = b;
      [b, costB] = [a, costA];
      a = hi - g * (hi - lo);
      costA = cost(a);
    } else {
      lo = a;
      [a, costA] = [b, costB];
      b = lo + g * (hi - lo);
      costB = cost(b);
    }
  return cost((lo + hi) / 2);
}

/** What the loads of an order cost besides their concrete. */
interface LoadCosts {
  truckM3?: number | undefined;
  perLoad: number;
  shortLoadM3: number;
  shortLoadFee: number;
}

const loadsOf = (q: number, truckM3: number): number => Math.ceil(q / truckM3 - 1e-9);

/** Every load its trip, and the fee for a last one under the least; nothing where no truck is named. */
function loadCost(q: number, c: LoadCosts): number {
  if (c.truckM3 === undefined || q <= 0) return 0;
  const loads = loadsOf(q, c.truckM3);
  const last = q - (loads - 1) * c.truckM3;
  return c.perLoad * loads + (last < c.shortLoadM3 - 1e-9 ? c.shortLoadFee : 0);
}

/** The best whole number of steps. */
function bestMultiple(
  mean: number,
  sd: number,
  stepM3: number,
  costOf: (q: number) => number,
): number {
  let best = 1;
  let bestCost = Infinity;
  const last = Math.max(2, Math.ceil((mean + 9 * sd) / stepM3) + 1);
  for (let k = 1; k <= last; k += 1) {
    const cost = costOf(k * stepM3);
    if (cost < bestCost - 1e-9 * Math.abs(bestCost === Infinity ? 0 : bestCost)) {
      best = k;
      bestCost = cost;
    }
  }
  return best;
}

/** As many orders are weighed at most. */
const MOST_STEPS = 200_000;

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
    'D ~ N(μ, σ), μ = neat(1 + waste) + left behind, σ = sd·neat; cost(Q) = (c + disposal)·E[(Q−D)⁺] + fixed·P(D>Q) + per m³·E[(D−Q)⁺] + per load·⌈Q/truck⌉ + fee if the last load is short',
  source: 'Newsvendor model with closed normal forms',
  limits: 'As good as the waste and the deviation put in: both learn from finished pours.',
  input: z
    .object({
      neatM3: positive(),
      wasteRatio: share(),
      leftBehindM3: nonNegative(),
      sdRatio: share(),
      stepM3: positive(),
      ...money,
      /** What a truck carries; without it loads cost nothing of their own. */
      truckM3: positive().optional(),
      perLoad: nonNegative().default(0),
      /** A last load under this costs its fee. */
      shortLoadM3: nonNegative().default(0),
      shortLoadFee: nonNegative().default(0),
      callFee: nonNegative().optional(),
      callSdRatio: share().default(0.02),
    })
    .superRefine((v, ctx) => {
      const steps = (v.neatM3 * (2 + 9 * v.sdRatio) + v.leftBehindM3) / v.stepM3;
      if (steps > MOST_STEPS)
        ctx.addIssue({
          code: 'custom',
          path: ['stepM3'],
          message: 'is too small for so large a pour',
        });
    }),
  output: z.object({
    meanM3: z.number(),
    sdM3: z.number(),
    orderM3: z.number(),
    cost: z.number(),
    shortProbability: z.number(),
    /** What would be best if a load cost nothing of its own; null when it is the same, or no truck is named. */
    withoutLoadsM3: z.number().nullable(),
    loads: z.number().nullable(),
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
    const costOf = (q: number) => expectedCost(q, meanM3, sdM3, v) + loadCost(q, v);
    const k = bestMultiple(meanM3, sdM3, v.stepM3, costOf);
    const free = bestMultiple(meanM3, sdM3, v.stepM3, (q) => expectedCost(q, meanM3, sdM3, v));
    const at = (q: number) => ({
      orderM3: q,
      cost: costOf(q),
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
    trace.step('cost', 'left over, short, what is missing, and the loads', best.cost, 'money');
    const loads = v.truckM3 === undefined ? null : loadsOf(best.orderM3, v.truckM3);
    const withoutLoadsM3 = v.truckM3 === undefined || free === k ? null : free * v.stepM3;
    if (loads !== null) trace.step('loads', `⌈${fig(best.orderM3)}/${fig(v.truckM3 ?? 1)}⌉`, loads);
    if (withoutLoadsM3 !== null)
      trace.step('without the cost of a load', 'it would be', withoutLoadsM3, 'm³');
    const firm = { meanM3, sdM3, ...best, withoutLoadsM3, loads, curve };
    if (v.callFee === undefined) return firm;
    const sdCall = v.callSdRatio * meanM3;
    const firstM3 = Math.max(0, Math.floor((meanM3 - 2 * sdM3) / v.stepM3 + 1e-9) * v.stepM3);
    // What is called comes in a load of its own.
    const called = loadCost(firstM3, v) + loadCost(meanM3 - firstM3, v);
    const cost = v.callFee + leastFree(meanM3, sdCall, v) + called;
    trace.step(
      'call the balance',
      `fee ${fig(v.callFee)} + least cost with σ = ${fig(sdCall)} + loads ${fig(called)}`,
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

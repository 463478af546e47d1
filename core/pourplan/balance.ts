import { type Mix, type Plant, type PourDoc, type Prices, type SitePlan } from '#core/model';
import { rulesOf } from '#core/rules';
import { type PourPlan, rehearse } from './plan.ts';
import type { SimulationInput, Timetable } from './simulation-model.ts';
import { medianArrivals, timetableOf } from './timetable.ts';

/** A way of ordering, with what its waits do on a day on which all goes as planned. */
export interface OrderWay {
  way: 'firm' | 'call';
  /** What is ordered at first, and what is called later, m³. */
  firstM3: number;
  calledM3: number;
  /** Likely cost of too much or too little, of standing, and of seams to mend, in the site's money. */
  orderCost: number;
  standingMin: number;
  standingCost: number;
  /** Seams there are at all: what stands apart has none. */
  seams: number;
  coldSeams: number;
  seamCost: number;
  cost: number;
  /** The seam that waits longest over its window; null where all are in it. */
  worst: Timetable['seams'][number] | null;
  finishMin: number;
  /** When the balance is called; null for a firm order. */
  callAtMin: number | null;
  simulation: SimulationInput;
}

/** The day on which all is on time. */
const onTime = (v: SimulationInput): Timetable => timetableOf(v, medianArrivals(v));

function wayOf(
  way: OrderWay['way'],
  v: SimulationInput,
  prices: Required<Prices>,
  order: { firstM3: number; calledM3: number; orderCost: number; callAtMin: number | null },
): OrderWay {
  const t = onTime(v);
  const cold = t.seams.filter((s) => s.verdict === 'cold');
  const standingMin = t.crewWaitMin;
  const standingCost = standingMin * (prices.crewPerMin + prices.pumpPerMin);
  const seamCost = cold.length ? prices.coldSeam : 0;
  return {
    way,
    ...order,
    standingMin,
    standingCost,
    seams: t.seams.length,
    coldSeams: cold.length,
    seamCost,
    cost: order.orderCost + standingCost + seamCost,
    worst: cold.reduce<Timetable['seams'][number] | null>(
      (a, b) => (a && a.gapMaxMin - a.knitMin >= b.gapMaxMin - b.knitMin ? a : b),
      null,
    ),
    finishMin: t.finishMin,
    simulation: v,
  };
}

/**
 * The load that is called when the last of the first ones begins: batched after the plant's lead,
 * then on the road as any.
 */
function withBalance(
  first: SimulationInput,
  calledM3: number,
  callAtMin: number,
  leadMin: number,
): SimulationInput {
  const like = first.loads.at(-1);
  if (!like) return first;
  return {
    ...first,
    // No load is too small to fill the hose.
    leftBehindM3: Math.min(first.leftBehindM3, calledM3 * 0.9),
    loads: [
      ...first.loads,
      { ...like, id: 'LB', volumeM3: calledM3, batchMin: callAtMin + leadMin },
    ],
  };
}

/**
 * Firm with its margin, against calling the balance when the end is in sight: what each is likely
 * to cost, and what the wait for the balance does to the seams. Only the firm one where nothing can
 * be called.
 */
export function orderWays(
  site: SitePlan,
  pour: PourDoc,
  mix: Mix,
  plant: Plant,
  duskMin: number,
  plan: PourPlan,
  prices: Required<Prices>,
): OrderWay[] {
  const order = plan.order.result;
  const planned = (m3: number) => rehearse(plan.route, m3, pour, mix, plant, duskMin, 1).simulation;
  const firm = wayOf('firm', planned(order.orderM3), prices, {
    firstM3: order.orderM3,
    calledM3: 0,
    orderCost: order.cost,
    callAtMin: null,
  });
  const { callBalance } = order;
  // What is mixed on the site is mixed until it is full.
  if (plant.mixer) return [firm];
  // What no plant sends by itself cannot be ordered first.
  if (!callBalance || callBalance.firstM3 < Math.max(plant.minLoadM3, plant.stepM3)) return [firm];
  const first = planned(callBalance.firstM3);
  const begun = onTime(first).loads.at(-1)?.startMin ?? first.startMin;
  const calledM3 =
    Math.max(1, Math.ceil(callBalance.expectedBalanceM3 / plant.stepM3 - 1e-9)) * plant.stepM3;
  const lead = rulesOf(site).value('callLead');
  return [
    firm,
    wayOf('call', withBalance(first, calledM3, begun, lead), prices, {
      firstM3: callBalance.firstM3,
      calledM3,
      orderCost: callBalance.cost,
      callAtMin: begun,
    }),
  ];
}

import { congruential32 } from 'pure-rand/generator/congruential32';
import { seedOf } from '#core/kit';
import { Normals } from '#core/pourplan';
import type { Plant } from '#core/model';
import { clockText } from '#core/units';
import type { Delivery, OrderAnswer } from '../../contract/index.ts';

/** A load as it was ordered. */
interface OrderedLoad {
  id: string;
  volumeM3: number;
  batchAt: string;
}
/** What a plant is asked for. */
export interface PlantOrder {
  pourId: string;
  pourCode: string;
  plant: Plant;
  loads: OrderedLoad[];
  /** Local midnight of the day of the pour, epoch ms. */
  dayMs: number;
  /** Which telling this is, from 1: a changed order has another number. */
  turn: number;
}

/**
 * A batching plant: takes orders, and says where its loads are. The stand-in here, or a real one
 * behind the same interface.
 */
export interface PlantService {
  order(order: PlantOrder, nowMs: number): OrderAnswer;
  /** So much more beside what is ordered: the new loads are the last ones of the order. */
  more(order: PlantOrder): OrderAnswer;
  deliveries(order: PlantOrder, nowMs: number): Delivery[];
}

const MIN = 60_000;
/** Deviations of the standard normal at its 90th percentile. */
const Z90 = 1.2815515655;
/** What a plant that names no notice wants at least, min. */
const LEAST_NOTICE_MIN = 30;

const numberOf = ({ pourId, turn, pourCode }: PlantOrder): string =>
  `${pourCode}-${String(1000 + ((congruential32(seedOf(pourId)).next() >>> 8) % 9000))}${turn > 1 ? `/${turn}` : ''}`;

const delayed = (d: Plant['travel'], z: number): number =>
  d.medianMin === 0 ? 0 : d.medianMin * Math.exp((Math.log(d.p90Min / d.medianMin) / Z90) * z);

/** Why the plant cannot take it; null where it can. Times are minutes of the day of the pour. */
function refusal({ plant, loads, dayMs }: PlantOrder, nowMs: number): string | null {
  const [first] = loads;
  const last = loads.at(-1);
  if (!first || !last) return 'There is nothing to batch.';
  const at = (l: OrderedLoad) => (Date.parse(l.batchAt) - dayMs) / MIN;
  const notice = plant.noticeMin ?? LEAST_NOTICE_MIN;
  const ahead = (Date.parse(first.batchAt) - nowMs) / MIN;
  if (ahead < notice)
    return ahead < 0
      ? `The first load would have left at ${clockText(at(first))}: that is past.`
      : `${notice} min notice wanted, the first load leaves in ${Math.round(ahead)}. Later, or another plant.`;
  if (plant.openMin !== undefined && at(first) < plant.openMin)
    return `The first load would leave at ${clockText(at(first))}; the plant opens at ${clockText(plant.openMin)}.`;
  if (plant.closeMin !== undefined && at(last) > plant.closeMin)
    return `The last load would leave at ${clockText(at(last))}; the plant shuts at ${clockText(plant.closeMin)}.`;
  return null;
}

/**
 * The stand-in for the batching plant. It takes what can be batched within its hours and with its
 * notice; its loads are late as that plant's loads are, from a seed, so that a rehearsal can be
 * repeated.
 */
export class SimulatedPlant implements PlantService {
  order(order: PlantOrder, nowMs: number): OrderAnswer {
    const against = refusal(order, nowMs);
    if (against !== null) return { taken: false, number: null, said: against };
    const number = numberOf(order);
    return { taken: true, number, said: `Taken by ${order.plant.label}.` };
  }

  more(order: PlantOrder): OrderAnswer {
    const last = order.loads.at(-1);
    const { plant, dayMs } = order;
    const at = last ? (Date.parse(last.batchAt) - dayMs) / MIN : 0;
    if (plant.closeMin !== undefined && at > plant.closeMin)
      return {
        taken: false,
        number: null,
        said: `It would leave at ${clockText(at)}; the plant shuts at ${clockText(plant.closeMin)}.`,
      };
    const here = at + plant.travel.medianMin;
    return {
      taken: true,
      number: numberOf(order),
      said: `${last?.id ?? 'It'} leaves about ${clockText(at)}, here about ${clockText(here)}.`,
    };
  }

  deliveries(order: PlantOrder, nowMs: number): Delivery[] {
    // By what the pour is called, not by its id: a rehearsal on another day goes the same.
    const source = new Normals(seedOf(`${order.pourCode} ${order.turn}`));
    return order.loads.map((l, i): Delivery => {
      const batched = Date.parse(l.batchAt) + delayed(order.plant.plantDelay, source.next()) * MIN;
      const here = batched + delayed(order.plant.travel, source.next()) * MIN;
      const left = nowMs >= batched;
      return {
        id: l.id,
        ticket: `${numberOf(order)}-${i + 1}`,
        volumeM3: l.volumeM3,
        batchedAt: left ? new Date(batched).toISOString() : null,
        // Until it has left nobody knows how late it will be: the plant says what it planned.
        dueAt: new Date(
          left ? here : Math.max(Date.parse(l.batchAt), nowMs) + order.plant.travel.medianMin * MIN,
        ).toISOString(),
        state: onItsWay(left, nowMs >= here),
      };
    });
  }
}

function onItsWay(left: boolean, here: boolean): Delivery['state'] {
  if (here) return 'here';
  return left ? 'on the road' : 'to batch';
}

import { v7 as uuid } from 'uuid';
import type { DeliveriesAnswer, OrderAnswer, PourAnswer } from '../../contract/index.ts';
import { newEventSchema } from '../../contract/index.ts';
import { latest, type LogEvent, replay } from '#core/log';
import { rulesOf } from '#core/rules';
import { planOf } from '#core/view';
import { loadsInSteps } from '#core/supply';
import { pourDayMs } from '#core/weather';
import { counted } from '#core/units';
import { admit } from '../log/admit.ts';
import { notFound, parse, ProblemError } from '../problems.ts';
import type { AppDeps } from '../deps.ts';
import type { personOf } from '../session/session.ts';
import type { PlantOrder } from '../standins/plant.ts';

type Deps = Pick<AppDeps, 'sites' | 'events' | 'clock' | 'plant' | 'changes'>;
type Order = LogEvent<'order'>['body'];
interface Asked {
  /** The entry it is written down as, where the device has named it. */
  id?: string | undefined;
  volumeM3: number;
  loads: number;
  act: Order['act'];
  byTelephone?: boolean;
  until?: string | null | undefined;
}

const refused = (path: string, message: string, detail: string): ProblemError =>
  new ProblemError(400, 'Not ordered', detail, [{ path, message }]);

/** The loads of the plan as the plant has to batch them; what is asked for must be what is planned. */
function loadsFor(record: PourAnswer, asked: Asked, dayMs: number): Order['loads'] {
  const plan = planOf(record);
  if (!plan) throw notFound(`mix or plant of pour ${record.id}`);
  if (plan.loadIds.length !== asked.loads || Math.abs(plan.orderedM3 - asked.volumeM3) > 1e-6)
    throw refused(
      'volumeM3',
      'is not what is planned',
      `The plan is ${plan.orderedM3.toFixed(3)} m³ in ${counted(plan.loadIds.length, 'load')}. Plan it so first, then order.`,
    );
  return plan.simulation.loads.map((l) => ({
    id: l.id,
    volumeM3: l.volumeM3,
    batchAt: new Date(dayMs + l.batchMin * 60_000).toISOString(),
  }));
}

/** Whether an order, and what was called for beside it, is still to come. */
const stands = (last: Order | null): last is Order => last?.act === 'order' || last?.act === 'more';

/**
 * Loads that are called for now, in the plant's steps: the first here so long after the call as that
 * takes, each after it as the one before is placed.
 */
function calledNow(record: PourAnswer, asked: Asked, from: number, nowMs: number): Order['loads'] {
  const plant = plantOf(record);
  const { travel, plantDelay, trucksM3, minLoadM3, stepM3 } = plant;
  const leadMin = rulesOf(record.site).value('callLead');
  const largest = Math.max(...trucksM3);
  const volumes = loadsInSteps(asked.volumeM3, largest, 'even', minLoadM3, stepM3);
  if (volumes.length > asked.loads)
    throw refused(
      'volumeM3',
      'is more than its trucks hold',
      `${asked.loads} of ${largest.toFixed(2)} m³ hold less. Call for more loads.`,
    );
  const { placingRateM3PerH } = record.pour.settings;
  let afterMin = Math.max(0, leadMin - travel.medianMin - plantDelay.medianMin);
  return volumes.map((volumeM3, i) => {
    const batchAt = new Date(nowMs + afterMin * 60_000).toISOString();
    afterMin += (volumeM3 / placingRateM3PerH) * 60;
    return { id: `L${from + i + 1}`, volumeM3, batchAt };
  });
}

const plantOf = (record: PourAnswer) => {
  const plant = record.site.plants.find((p) => p.id === record.pour.plant);
  if (!plant) throw notFound(`plant ${record.pour.plant}`);
  return plant;
};

const orderOf = (record: PourAnswer, body: Pick<Order, 'loads' | 'turn'>, dayMs: number) =>
  ({
    pourId: record.id,
    pourCode: record.pour.code,
    plant: plantOf(record),
    loads: body.loads,
    dayMs,
    turn: body.turn,
  }) satisfies PlantOrder;

/** Orders to the plant: told, answered, and written into the log with the answer. */
export class Orders {
  readonly #deps: Deps;
  constructor(deps: Deps) {
    this.#deps = deps;
  }

  async #last(pourId: string): Promise<Order | null> {
    return latest(replay(await this.#deps.events.after(pourId, 0)), 'order')?.body ?? null;
  }

  /** Tells the plant. What it does not take is answered with its reason, and nothing is written down. */
  async tell(
    pourId: string,
    asked: Asked,
    person: ReturnType<typeof personOf>,
  ): Promise<OrderAnswer> {
    const { sites, events, clock } = this.#deps;
    const record = await sites.pour(pourId);
    const before = asked.id ? (await events.known(pourId).byId([asked.id]))[0] : undefined;
    // It was told already, and the answer was not heard.
    if (before?.kind === 'order')
      return { taken: true, number: before.body.number, said: before.body.said };
    const { date } = record.pour;
    if (date === null)
      throw refused('date', 'is not set', 'The pour has no day yet. Set it on When, then order.');
    const last = await this.#last(pourId);
    if ((asked.act === 'put-off' || asked.act === 'cancel') && !stands(last))
      throw refused('act', 'nothing is ordered', 'There is no order that could be put off.');
    const dayMs = pourDayMs(date, record.pour.settings.firstLoadMin, record.site.timeZone);
    const nowMs = clock.now().getTime();
    const told = this.#told(record, asked, last, dayMs, nowMs);
    const said = asked.byTelephone
      ? { taken: true, number: null, said: 'Settled by telephone.' }
      : this.#answerTo(record, { act: asked.act, ...told }, dayMs, nowMs, last);
    if (!said.taken) return said;
    const body: Order = {
      act: asked.act,
      volumeM3: asked.act === 'order' || asked.act === 'more' ? asked.volumeM3 : 0,
      ...told,
      mix: record.pour.mix,
      plant: record.pour.plant,
      number: said.number,
      said: said.said,
      ...(asked.act === 'put-off' ? { until: asked.until ?? null } : {}),
    };
    const event = parse(
      newEventSchema,
      { id: asked.id ?? uuid(), at: clock.now().toISOString(), kind: 'order', body },
      'The order',
    );
    await admit(person, [event], events.known(pourId), nowMs);
    await events.append(pourId, [event], { actor: person.name, device: person.device });
    // What is put off is of another day, or of none yet: everything that speaks of its day says so.
    if (asked.act === 'put-off') await this.#deps.changes.day(pourId, asked.until ?? null);
    return said;
  }

  /**
   * The loads that stand once it is told, and which telling it is: what is called for beside an
   * order belongs to that order.
   */
  #told(
    record: PourAnswer,
    asked: Asked,
    last: Order | null,
    dayMs: number,
    nowMs: number,
  ): Pick<Order, 'loads' | 'turn'> {
    const turn = (last?.turn ?? 0) + 1;
    if (asked.act === 'order') return { loads: loadsFor(record, asked, dayMs), turn };
    if (asked.act !== 'more') return { loads: [], turn };
    const before = stands(last) ? last.loads : [];
    const known = planOf(record)?.loadIds.length ?? 0;
    const from = Math.max(known, ...before.map((l) => Number(l.id.replace(/\D/g, '')) || 0));
    return {
      loads: [...before, ...calledNow(record, asked, from, nowMs)],
      turn: stands(last) ? last.turn : turn,
    };
  }

  #answerTo(
    record: PourAnswer,
    asked: { act: Order['act']; loads: Order['loads']; turn: number },
    dayMs: number,
    nowMs: number,
    last: Order | null,
  ): OrderAnswer {
    const { plant } = this.#deps;
    if (!plant) return { taken: true, number: null, said: 'Told by telephone.' };
    if (asked.act === 'more') return plant.more(orderOf(record, asked, dayMs));
    if (asked.act !== 'order')
      return { taken: true, number: last?.number ?? null, said: 'The plant knows.' };
    return plant.order(orderOf(record, { loads: asked.loads, turn: asked.turn }, dayMs), nowMs);
  }

  /** Where the loads of the standing order are; none where nothing is ordered, or no plant is connected. */
  async deliveries(pourId: string): Promise<DeliveriesAnswer> {
    const { sites, clock, plant } = this.#deps;
    const record = await sites.pour(pourId);
    const last = await this.#last(pourId);
    const { date } = record.pour;
    if (!stands(last) || date === null)
      return { source: plant ? 'simulated' : 'none', number: null, loads: [] };
    const dayMs = pourDayMs(date, record.pour.settings.firstLoadMin, record.site.timeZone);
    return {
      source: plant ? 'simulated' : 'none',
      number: last.number,
      loads: plant?.deliveries(orderOf(record, last, dayMs), clock.now().getTime()) ?? [],
    };
  }
}

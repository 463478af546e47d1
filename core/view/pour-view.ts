import {
  checkList,
  type CheckPoint,
  type Gate,
  gateOf,
  judgeAll,
  levelsAgainMs,
  type PointState,
  withAdded,
} from '#core/check';
import { COLD_AIR_C, leastPlacedC, leastPlacedEnC } from '#core/concrete';
import { type AirHour, type Curing, curingOf, leastDimensionM } from '#core/cure';
import { madeOncePer, rememberLast } from '#core/kit';
import { type Mix, type Plant, ruledMix } from '#core/model';
import {
  type Alarm,
  alarmsOf,
  orderOf,
  loadsOf,
  type LoadState,
  type Progress,
  progressOf,
  type StandingOrder,
} from '#core/pourlog';
import { entries, isClosed, type PourState } from '#core/log';
import { firstToBeHad, type OrderApart, orderApart } from './order-now.ts';
import { planHolds } from './plan-holds.ts';
import { standOf } from './reach.ts';
import { dueAtMs } from './due.ts';
import type { PourRecord } from './record.ts';

export type { PourRecord } from './record.ts';
import { asSupplied, planPour, type PourPlan, type Stand, supplierOf } from '#core/pourplan';
import { type RuledSite, type Rules, rulesOf } from '#core/rules';
import { localDate, pourDayMs } from '#core/weather';

/**
 * All that a pour comes to at a moment: plan and log through the core, worked out once. Page, strip
 * of pours and report draw from it, and none of them puts it together by itself.
 */
export interface PourView {
  mix: Mix;
  plant: Plant;
  rules: Rules;
  /** Local midnight of the day of the pour; of today where it has no date yet, epoch ms. */
  dayMs: number;
  /** Whether the pour has a day. */
  dated: boolean;
  plan: PourPlan;
  points: PointState[];
  gate: Gate;
  /** What was ordered, as it stands. */
  order: StandingOrder;
  /** What of the order the plan no longer wants so; null where they agree. */
  orderApart: OrderApart | null;
  /** The first load's time that can still be had, minutes of the day, where the plan's cannot; null where it can. */
  soonestMin: number | null;
  /** Where the pump stands and what it reaches; null where none stands anywhere. */
  stand: Stand | null;
  loads: LoadState[];
  progress: Progress;
  closed: boolean;
  /** What will not wait, most urgent first. */
  alarms: Alarm[];
}

/** The mix of that mark as the site's rules have it; undefined when the site has none. */
export function mixNamed(
  site: Pick<PourRecord['site'], 'mixes'> & RuledSite,
  mark: string,
): Mix | undefined {
  const found = site.mixes.find((m) => m.mark === mark);
  return found && ruledMix(found, rulesOf(site));
}

/** What a record alone says. Null where its site has no such mix or plant. */
const groundOf = madeOncePer((r: PourRecord) => {
  const mix = mixNamed(r.site, r.pour.mix);
  const plant = supplierOf(r.site, r.pour);
  if (!mix || !plant) return null;
  // What supplies it rules what stays in a hose, how much comes at a time, how fast it is placed.
  const pour = { ...r.pour, settings: asSupplied(r.pour.settings, plant) };
  return { mix, plant, rules: rulesOf(r.site), pour };
});

/**
 * The plan of a record, with one morning drawn: odds of many are asked for by themselves. Null
 * without its mix or plant.
 */
export const planOf = madeOncePer((r: PourRecord): PourPlan | null => {
  const on = groundOf(r);
  return on && planPour(r.site, r.pour, on.mix, on.plant, r.duskMin);
});

const NO_CHECKS: CheckPoint[] = [];
/** The checks that the drawing asks for, before anything was added to them by hand. */
export const checksOf = madeOncePer((r: PourRecord): CheckPoint[] => {
  const on = groundOf(r);
  return on ? checkList({ ...r, mix: on.mix }) : NO_CHECKS;
});

/** The day of a pour is long in the finding: each record keeps that of its last. */
const dayOf = madeOncePer((_: PourRecord) => rememberLast(pourDayMs));

/**
 * The mix in cold weather: by ACI it may come no colder than its thinnest section asks for, to EN
 * than the frost and its cement do.
 */
const coldMixOf = madeOncePer((r: PourRecord) =>
  rememberLast((airC: number): Mix | null => {
    const mix = groundOf(r)?.mix;
    if (!mix) return null;
    const leastC =
      r.site.ruleProfile === 'us-aci'
        ? leastPlacedC(leastDimensionM(r.site, r.pour))
        : leastPlacedEnC(airC, mix.cement === 'highBlend');
    return { ...mix, coldestC: Math.max(mix.coldestC, leastC) };
  }),
);
/** The coldest air of the day before the pour, and as it was read on it, °C. */
const coldestAirOf = (r: PourRecord, state: PourState): number =>
  Math.min(r.airBeforeC ?? Infinity, ...entries(state, 'weather').map((e) => e.body.airTempC));
/** The mix as it may come in this air: it is cold from where ACI 306R-16 §1.2 says so. */
function mixIn(r: PourRecord, mix: Mix, state: PourState): Mix {
  const airC = coldestAirOf(r, state);
  return (airC <= COLD_AIR_C && coldMixOf(r)(airC)) || mix;
}

const pointsOf = madeOncePer((r: PourRecord) =>
  rememberLast((state: PourState, levelsFromMs: number | null) =>
    judgeAll(r.site, withAdded(checksOf(r), state), state, levelsFromMs),
  ),
);
const gateIn = madeOncePer((r: PourRecord) =>
  rememberLast((points: PointState[], state: PourState, plan: PourPlan) =>
    gateOf(r.site, r.pour, points, state, planHolds(r, plan, standOf(r)(plan))),
  ),
);
const NO_ALARMS: Alarm[] = [];
const viewIn = madeOncePer((r: PourRecord) =>
  rememberLast((state: PourState, nowMs: number): PourView | null => {
    const { site } = r;
    const ground = groundOf(r);
    const plan = planOf(r);
    if (!ground || !plan) return null;
    const { pour, ...known } = ground;
    const on = { ...known, mix: mixIn(r, known.mix, state) };
    const points = pointsOf(r)(state, levelsAgainMs(site, pour, state, nowMs));
    const order = orderOf(state);
    // What is mixed on the site is on order with nobody: it comes as it is planned.
    const expected = on.plant.mixer ? plan.plannedLoads : order.loads;
    const loads = loadsOf(state, expected, on.mix, site.ruleProfile, nowMs);
    const progress = progressOf(pour, on.mix, plan.route, state, loads, nowMs);
    const closed = isClosed(state);
    const dayMs = dayOf(r)(
      pour.date ?? localDate(nowMs, site.timeZone),
      pour.settings.firstLoadMin,
      site.timeZone,
    );
    const dated = pour.date !== null;
    const dueAt = (load: LoadState) =>
      dueAtMs({ plan, plant: on.plant, dayMs, dated, loads }, load);
    return {
      ...on,
      dayMs,
      dated,
      plan,
      points,
      gate: gateIn(r)(points, state, plan),
      order,
      orderApart: orderApart({ record: r, plan, plant: on.plant, order, dayMs }),
      soonestMin: firstToBeHad({ record: r, plan, plant: on.plant, dayMs }, nowMs),
      stand: standOf(r)(plan),
      loads,
      progress,
      closed,
      // Once all is placed or the pour is closed nothing calls any more.
      alarms:
        closed || progress.finishedMs !== null
          ? NO_ALARMS
          : alarmsOf(pour, on.mix, progress, loads, nowMs, dueAt),
    };
  }),
);

/**
 * A pour at a moment. Asked again for the same record, log and moment it is the same object; where
 * only the time has moved, what does not hang on the time is.
 * @param nowMs epoch ms
 * @returns null where the pour names a mix or a plant that its site does not have
 */
export const viewOf = (record: PourRecord, state: PourState, nowMs: number): PourView | null =>
  viewIn(record)(state, nowMs);

/**
 * How it cures; null while it is being placed.
 * @param air air of the hours since and to come, where it is known
 */
export const curingIn = (
  { site, pour }: PourRecord,
  { mix, progress }: PourView,
  state: PourState,
  nowMs: number,
  air: readonly AirHour[],
): Curing | null =>
  curingOf({
    site,
    pour,
    mix,
    state,
    finishedMs: progress.finishedMs,
    placedC: coldestOf(progress),
    nowMs,
    air,
  });

/** The coldest concrete of a pour, °C. */
export const coldestOf = (progress: Pick<Progress, 'placements' | 'concreteTempC'>): number =>
  progress.placements.reduce(
    (least, p) => Math.min(least, p.tempC),
    progress.placements[0]?.tempC ?? progress.concreteTempC,
  );

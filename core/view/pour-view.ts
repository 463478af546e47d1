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
import { type AirHour, type Curing, curingOf } from '#core/cure';
import { madeOncePer, rememberLast } from '#core/kit';
import {
  type Conveyance,
  type CrewMember,
  type Mix,
  type Mixer,
  type MixRecord,
  type Plant,
  type PourDoc,
  type Prices,
  ruledMix,
  type SitePlan,
  type Wire,
} from '#core/model';
import {
  type Alarm,
  alarmsOf,
  calledLoads,
  loadsOf,
  type LoadState,
  type Progress,
  progressOf,
} from '#core/pourlog';
import { isClosed, type PourState } from '#core/log';
import { planPour, type PourPlan, supplierOf } from '#core/pourplan';
import { type RuledSite, type Rules, rulesOf } from '#core/rules';
import { localDate, midnightMs } from '#core/weather';

/** A pour with its site, as it is stored: what should be. */
export interface PourRecord {
  site: SitePlan &
    RuledSite & {
      mixes: MixRecord[];
      plants: Plant[];
      conveyances?: Conveyance[];
      mixers?: Mixer[];
      crew?: CrewMember[];
      prices?: Prices | undefined;
      wires?: Wire[];
    };
  pour: PourDoc;
  /** End of daylight on the day of the pour, minutes after local midnight. */
  duskMin: number;
}

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
  plan: PourPlan;
  points: PointState[];
  gate: Gate;
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
  return mix && plant ? { mix, plant, rules: rulesOf(r.site) } : null;
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
  return on ? checkList({ site: r.site, pour: r.pour, mix: on.mix }) : NO_CHECKS;
});

/** Local midnight of a date is long in the finding: each record keeps that of its last day. */
const midnightOf = madeOncePer((_: PourRecord) => rememberLast(midnightMs));

const pointsOf = madeOncePer((r: PourRecord) =>
  rememberLast((state: PourState, levelsFromMs: number | null) =>
    judgeAll(r.site, withAdded(checksOf(r), state), state, levelsFromMs),
  ),
);
const gateIn = madeOncePer((r: PourRecord) =>
  rememberLast((points: PointState[], state: PourState) => gateOf(r.site, r.pour, points, state)),
);
const NO_ALARMS: Alarm[] = [];
const viewIn = madeOncePer((r: PourRecord) =>
  rememberLast((state: PourState, nowMs: number): PourView | null => {
    const { site, pour } = r;
    const on = groundOf(r);
    const plan = planOf(r);
    if (!on || !plan) return null;
    const points = pointsOf(r)(state, levelsAgainMs(site, pour, state, nowMs));
    const ordered = [...plan.plannedLoads, ...calledLoads(state, plan.plannedLoads)];
    const loads = loadsOf(state, ordered, on.mix, site.ruleProfile, nowMs);
    const progress = progressOf(pour, on.mix, plan.route, state, loads, nowMs);
    const closed = isClosed(state);
    return {
      ...on,
      dayMs: midnightOf(r)(pour.date ?? localDate(nowMs, site.timeZone), site.timeZone),
      plan,
      points,
      gate: gateIn(r)(points, state),
      loads,
      progress,
      closed,
      // Once all is placed or the pour is closed nothing calls any more.
      alarms:
        closed || progress.startedMs === null || progress.finishedMs !== null
          ? NO_ALARMS
          : alarmsOf(pour, on.mix, progress, loads),
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
  curingOf({ site, pour, mix, state, finishedMs: progress.finishedMs, nowMs, air });

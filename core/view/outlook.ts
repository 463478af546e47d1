import type { LoadState } from '#core/pourlog';
import {
  asSupplied,
  type ColdStretch,
  coldStretches,
  type ForecastInput,
  liftVolumeM3,
  timetableFrom,
} from '#core/pourplan';
import { chosenWay } from './chosen-way.ts';
import { dueOf } from './due.ts';
import { loadsSoFar, loadsToCome, placedSoFar } from './so-far.ts';
import type { PourNow } from './stages/stage.ts';

/** A pour is forecast from so long before its first load, and as long after its day, min. */
const BEFORE_MIN = 24 * 60;
const AFTER_MIN = 2 * 24 * 60;
/** Measured over less than this a rate or a yield says nothing, m³. */
const LEAST_MEASURED_M3 = 1;

/** How the rest of a pour goes from now. */
export interface Outlook {
  input: ForecastInput;
  /** What is still to come, along the route. */
  rest: { lift: number; fromM: number; toM: number; fromMin: number; toMin: number }[];
  finishMin: number;
  /** What is missing when all that comes is placed, with what stays in hoses and pump, m³. */
  shortM3: number;
  /** Seams that will be lost as things go, the one that shuts first in front. */
  lost: ColdStretch[];
}

/** Concrete per neat volume and how fast it goes in, as measured; null where too little is placed to say. */
function measured({ progress, plan }: Pick<PourNow, 'progress' | 'plan'>) {
  const grown = 1 + (plan.order.input as { wasteRatio: number }).wasteRatio;
  let minutes = 0;
  let neatM3 = 0;
  for (const p of progress.placements) {
    if (p.open) continue;
    minutes += (p.toMs - p.fromMs) / 60_000;
    neatM3 += (p.toRatio - p.fromRatio) * liftVolumeM3(plan.route, p.elementId, p.lift);
  }
  const enough = neatM3 >= LEAST_MEASURED_M3 && minutes > 0;
  const clamp = (x: number, least: number, most: number) => Math.min(most, Math.max(least, x));
  return {
    grown,
    yieldRatio: clamp(progress.usePerNeat / grown, 0.5, 2),
    rateM3PerH: enough ? clamp((neatM3 * grown * 60) / minutes, 0.1, 400) : null,
  };
}

/**
 * What `pour-forecast` is asked of a pour as it stands; null where it is not on its day, or all is placed.
 * @param trials mornings to draw for the odds
 */
export function forecastInputOf(v: PourNow, trials: number): ForecastInput | null {
  const { plan, progress, loads, dayMs, nowMs, record, closed } = v;
  const minuteOf = (ms: number) => (ms - dayMs) / 60_000;
  const nowMin = minuteOf(nowMs);
  const first = record.pour.settings.firstLoadMin;
  const on = record.pour.date !== null && nowMin > first - BEFORE_MIN && nowMin < first + AFTER_MIN;
  if (closed || !on || nowMin < 0 || progress.finishedMs !== null) return null;
  const { grown, yieldRatio, rateM3PerH } = measured(v);
  const placed = placedSoFar(plan, progress.reached, loads, grown, minuteOf);
  const due = (l: LoadState) => dueOf(v, l)?.arriveMin ?? null;
  const coming = loadsToCome(v.plant, loads, due, minuteOf, nowMin);
  if (coming.length === 0) return null;
  return {
    ...plan.simulation,
    cells: plan.simulation.cells.map((c) => {
      const tempC = progress.cellTempC.get(c.id);
      return tempC === undefined ? c : { ...c, tempC };
    }),
    loads: coming,
    leftBehindM3: Math.min(
      plan.simulation.leftBehindM3,
      0.9 * Math.min(...coming.map((l) => l.volumeM3)),
    ),
    tempC: Math.min(60, Math.max(0, progress.concreteTempC)),
    trials,
    nowMin,
    placed,
    loadsNow: loadsSoFar(loads, placed, minuteOf),
    yieldRatio,
    ...(rateM3PerH === null ? {} : { rateM3PerH }),
  };
}

/** A load as it is most likely to come: one morning says nothing of the others. */
const onTime = (l: ForecastInput['loads'][number]): ForecastInput['loads'][number] => ({
  ...l,
  plantDelay: { medianMin: l.plantDelay.medianMin, p90Min: l.plantDelay.medianMin },
  travel: { medianMin: l.travel.medianMin, p90Min: l.travel.medianMin },
});

/**
 * @param change what is otherwise than as it goes
 * @param lostM3 usable concrete that is then missing beside what is missing already
 */
function lookAhead(
  v: PourNow,
  change: (input: ForecastInput) => ForecastInput = (input) => input,
  lostM3 = 0,
): Outlook | null {
  const asIs = forecastInputOf(v, 1);
  if (!asIs) return null;
  const input = change(chosenWay(v, { ...asIs, loads: asIs.loads.map(onTime) }));
  // A log that runs ahead of the clock cannot be gone on from: without a forecast all else still works.
  const timetable = timetableFrom(input);
  if (!timetable) return null;
  const cells = new Map(v.plan.cells.map((c) => [c.id, c]));
  const done = new Map<string, number>();
  const begun = new Set(input.placed.map((p) => p.cellId));
  const rest: Outlook['rest'] = [];
  timetable.placements.forEach((p, i) => {
    const c = cells.get(p.cellId);
    const sim = input.cells.find((x) => x.id === p.cellId);
    if (!c || !sim) return;
    const before = done.get(c.id) ?? 0;
    // What is still to come of a cell goes by the yield that was measured; along the wall it ends at its end.
    const grown = i < input.placed.length ? 1 : input.yieldRatio;
    const after = Math.min(1, before + p.volumeM3 / grown / sim.volumeM3);
    done.set(c.id, after);
    if (i < input.placed.length) return;
    const at = (share: number) => c.fromM + (c.toM - c.fromM) * share;
    rest.push({
      lift: c.lift,
      fromM: at(before),
      toM: at(after),
      fromMin: p.fromMin,
      toMin: p.toMin,
    });
  });
  // What was met too late already is no longer to be saved.
  const open = {
    ...timetable,
    seams: timetable.seams.filter((s) => !begun.has(s.above) || !begun.has(s.below)),
  };
  const lost = coldStretches({ cells: v.plan.cells, timetable: open });
  return {
    input,
    rest,
    finishMin: timetable.finishMin,
    // The balance says what is missing: nobody reckons it anew.
    shortM3: Math.max(0, v.progress.balanceM3 + lostM3),
    lost: lost.sort((a, b) => a.shutsAtMin - b.shutsAtMin),
  };
}

const kept = new WeakMap<PourNow['progress'], { ahead: Outlook | null }>();

/**
 * How the rest of a pour goes from now, worked out once a moment; null where it is not on its day,
 * or all is placed.
 */
export function outlookOf(v: PourNow): Outlook | null {
  let own = kept.get(v.progress);
  if (!own) {
    own = { ahead: lookAhead(v) };
    kept.set(v.progress, own);
  }
  return own.ahead;
}

/** Where the hose stands along the route, m; null before anything is placed. */
export function hoseAtM({ progress, plan }: Pick<PourNow, 'progress' | 'plan'>): number | null {
  const last = progress.reached.at(-1);
  const leg = last && plan.route.legs.find((l) => l.elementId === last.elementId);
  return last && leg ? leg.fromM + leg.lengthM * last.toRatio : null;
}

/** What of a load that is here can still be placed, m³. */
function usableOf({ progress, loads, record, plant }: PourNow, loadId: string): number {
  const load = loads.find((l) => l.id === loadId);
  if (!load || load.arrivedAt === null || load.endedAt !== null) return 0;
  const placed = progress.placedFrom.get(loadId) ?? 0;
  const first = loads.find((l) => (progress.placedFrom.get(l.id) ?? 0) > 0);
  const held = first?.id === loadId ? asSupplied(record.pour.settings, plant).leftBehindM3 : 0;
  return Math.max(0, (load.volumeM3 ?? 0) - progress.usePerNeat * placed - held);
}

/** How the rest would go if this load gave nothing more. */
export const ifSentBack = (v: PourNow, loadId: string): Outlook | null =>
  lookAhead(
    v,
    (input) => ({
      ...input,
      loadsNow: input.loadsNow.map((l) => (l.id === loadId ? { ...l, sentBack: true } : l)),
    }),
    usableOf(v, loadId),
  );

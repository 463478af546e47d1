import { typeChanges } from '#core/check';
import type { AirHour, Curing } from '#core/cure';
import { entries, isClosed, type PourState } from '#core/log';
import { type Alarm, type LoadState, shutsAt } from '#core/pourlog';
import { alarmWords, holdText } from '#core/words';
import { asSupplied } from '#core/pourplan';
import { callByOf } from './call-by.ts';
import { dueAtMs } from './due.ts';
import { outlookOf } from './outlook.ts';
import { plannedConcrete } from './planned-concrete.ts';
import { curingIn, type PourView, viewOf } from './pour-view.ts';
import type { PourRecord } from './record.ts';
import { nextLine, type StageId } from './stages/index.ts';
import type { PourNow } from './stages/stage.ts';
import { steelFigures } from './steel-figures.ts';

const MIN = 60_000;
const iso = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());

/** Where a pour is in its work. */
export type PourStage = 'setOut' | 'check' | 'plan' | 'pour' | 'cure' | 'closed';

function stageOf(v: PourView, state: PourState): PourStage {
  if (isClosed(state)) return 'closed';
  if (v.progress.finishedMs !== null) return 'cure';
  if (v.progress.startedMs !== null) return 'pour';
  if (v.gate.state !== 'held') return 'plan';
  return v.gate.read > 0 ? 'check' : 'setOut';
}
const STATION: Record<PourStage, StageId> = {
  setOut: 'setout',
  check: 'check',
  plan: 'plan',
  pour: 'pour',
  cure: 'cure',
  closed: 'cure',
};

/** Everything that is asked of a pour at a moment. */
interface Ask {
  record: PourRecord;
  v: PourNow;
  nowMs: number;
}

function orderFigures({ record, v }: Ask) {
  const { plan, order, dayMs, plant } = v;
  const { date, settings } = record.pour;
  const first = plan.simulation.loads[0];
  const noticeMin = plant.noticeMin ?? 0;
  return {
    neatM3: plan.route.volumeM3,
    wasteRatio: settings.wasteRatio,
    heldBackM3: asSupplied(settings, plant).leftBehindM3,
    neededM3: plan.order.result.meanM3,
    recommendedM3: plan.order.result.orderM3,
    loadsM3: plan.plannedLoads.map((l) => l.volumeM3),
    firstLoadAt: date === null ? null : iso(dayMs + settings.firstLoadMin * MIN),
    orderedM3: order.orderedM3,
    state: order.state,
    ended: order.ended,
    lastCallAt: date === null || !first ? null : iso(dayMs + (first.batchMin - noticeMin) * MIN),
  };
}

function balanceFigures({ v }: Ask) {
  const { progress: p } = v;
  return {
    usePerNeat: p.usePerNeat,
    placedM3: p.placedM3,
    stillM3: p.neededM3,
    hereM3: p.hereM3,
    onOrderM3: p.onOrderM3,
    missingM3: p.balanceM3,
    callBy: iso(callByOf(v).byMs),
  };
}

const loadFigures = ({ v }: Ask) =>
  v.loads.map((l: LoadState) => ({
    id: l.id,
    volumeM3: l.volumeM3 ?? l.plannedM3,
    dueAt: iso(dueAtMs(v, l)),
    batchedAt: l.batchedAt,
    arrivedAt: l.arrivedAt,
    startedAt: l.firstPlacedAt,
    emptyAt: l.endedAt,
    ageMin: l.ageMin,
    tempC: l.concreteTempC,
    verdict: l.advice,
    reasons: l.faults,
    placedM3: v.progress.placedFrom.get(l.id) ?? 0,
  }));

function pressureFigures({ record, v }: Ask) {
  const { ratingKPa } = record.pour.settings;
  const now = v.progress.pressure;
  const begun = (p: { elementId: string; lift: number }) =>
    now.some((x) => x.elementId === p.elementId && x.lift === p.lift);
  const row = (of: 'plan' | 'now') => (p: (typeof now)[number]) => ({
    elementId: p.elementId,
    lift: p.lift,
    maxKPa: p.maxKPa,
    ratedKPa: ratingKPa,
    riseMPerH: p.riseMPerH,
    by: p.by,
    of,
  });
  return [...now.map(row('now')), ...v.plan.pressure.filter((p) => !begun(p)).map(row('plan'))];
}

/** Every face, those that wait and those that were met, cell by cell. */
function seamFigures({ v, nowMs }: Ask) {
  const tests = entries(v.state, 'seam-test').map((e) => ({ ...e.body, atMs: Date.parse(e.at) }));
  const of = (cell: PourView['plan']['cells'][number]) => ({
    elementId: cell.elementId,
    piece: cell.piece,
    lift: cell.lift,
    fromM: cell.fromM,
    toM: cell.toM,
  });
  const waiting = v.progress.faces.map((f) => {
    const shutsMs = shutsAt(f.cell, f.sinceMs, f.knitMin, tests);
    const state = nowMs > shutsMs ? ('shut' as const) : ('open' as const);
    return {
      ...of(f.cell),
      opensAt: iso(f.sinceMs + f.stiffenMin * MIN),
      shutsAt: iso(shutsMs),
      state: f.covering ? ('beingCovered' as const) : state,
      metAt: null,
    };
  });
  const met = v.progress.met.map((f) => {
    const { stiffenMin, knitMin } = v.progress.windowAt(v.progress.cellTempC.get(f.cell.id) ?? 20);
    const sinceMs = f.metMs - f.gapMin * MIN;
    return {
      ...of(f.cell),
      opensAt: iso(sinceMs + stiffenMin * MIN),
      shutsAt: iso(sinceMs + knitMin * MIN),
      state: f.late ? ('metLate' as const) : ('met' as const),
      metAt: iso(f.metMs),
    };
  });
  return [...waiting, ...met];
}

function doneFigures({ record, v }: Ask) {
  const ahead = outlookOf(v);
  const planned = record.pour.date === null ? null : v.dayMs + v.plan.timetable.finishMin * MIN;
  return {
    plannedAt: iso(planned),
    forecastAt: iso(v.progress.finishedMs ?? (ahead ? v.dayMs + ahead.finishMin * MIN : null)),
  };
}

function gateFigures({ record, v }: Ask) {
  const { site, pour } = record;
  const changes = new Map(typeChanges(site, pour.elements).map((c) => [c.id, c]));
  return {
    state: v.gate.state,
    holds: v.gate.rows.map((r) => ({
      code: r.kind,
      elementId: r.elementId,
      text: holdText(v, r, changes),
    })),
    minutes: v.gate.minutes,
  };
}

function stripFigures({ record, v }: Ask) {
  const c = v.curing;
  if (!c) return [];
  return record.pour.elements
    .filter((elementId) => !c.stripped.includes(elementId))
    .map((elementId) => ({
      elementId,
      what: 'sides',
      targetMPa: c.stripMPa,
      floorH: c.floorH,
      strengthMPa: c.strengthMPa,
      at: iso(c.stripMs),
      by: stripBy(c),
      assumedC: c.assumedC,
    }));
}
const stripBy = (c: Curing) => {
  if (c.assumedC !== null) return 'assumed' as const;
  return c.measured ? ('read' as const) : ('forecast' as const);
};

const alarmFigures = ({ record, v, nowMs }: Ask) =>
  v.alarms.map((a: Alarm) => ({
    code: a.kind,
    elementId: a.elementId,
    at: iso(a.minutes === null ? nowMs : nowMs + a.minutes * MIN),
    text: alarmWords(a, v, record.site.units).sentence,
  }));

function nextFigures({ v }: Ask, stage: PourStage) {
  const next = nextLine(v, STATION[stage]);
  const { sheet, tab } = next.focus;
  const about = String(sheet ?? tab ?? next.label).toLowerCase();
  return { code: `${next.stage}.${about}`, text: next.sentence, stage: next.stage };
}

function reachFigures({ v }: Ask) {
  return (
    v.stand && {
      outM: v.stand.outM,
      elements: v.stand.out.map((o) => ({ elementId: o.elementId, outM: o.lengthM })),
    }
  );
}

function concreteFigures({ record, v }: Ask) {
  const planned = plannedConcrete(record);
  return {
    plannedC: planned.tempC,
    plannedBy: planned.by,
    airC: planned.airC,
    byLoad: v.loads.map((l) => ({ id: l.id, tempC: l.concreteTempC })),
  };
}

/**
 * All that the stations say of a pour at a moment, SI, units at the ends of names, null for what is
 * not known.
 * @param record with the temperature it is planned with (`withPlannedConcrete`)
 * @param air of the hours since placing and to come, where it is known
 * @returns null where the pour names a mix or a plant that its site does not have
 */
export function figuresOf(
  record: PourRecord,
  state: PourState,
  nowMs: number,
  air: readonly AirHour[],
) {
  const view = viewOf(record, state, nowMs);
  if (!view) return null;
  const v: PourNow = {
    ...view,
    record,
    units: record.site.units,
    nowMs,
    state,
    curing: curingIn(record, view, state, nowMs, air),
    walk: 'route',
    elementName: (id) => id,
  };
  const stage = stageOf(view, state);
  const ask: Ask = { record, v, nowMs };
  return {
    at: iso(nowMs),
    stage,
    order: orderFigures(ask),
    balance: balanceFigures(ask),
    loads: loadFigures(ask),
    concrete: concreteFigures(ask),
    pressure: pressureFigures(ask),
    reach: reachFigures(ask),
    seams: seamFigures(ask),
    done: doneFigures(ask),
    gate: gateFigures(ask),
    slabs: [],
    hole: [],
    strip: stripFigures(ask),
    steel: steelFigures(v),
    alarms: alarmFigures(ask),
    next: nextFigures(ask, stage),
  };
}

import type { AirHour, Curing } from '#core/cure';
import type { PourState } from '#core/log';
import type { Alarm } from '#core/pourlog';
import { alarmWords, pressing } from '#core/words';
import { curingIn, type PourView, viewOf } from './pour-view.ts';
import type { PourRecord } from './record.ts';

/**
 * What a list of pours says of one of them: how it stands, and what its stretch of the strip is drawn
 * from. Plain figures and words, so that they can be worked out where the log is and sent.
 */
export interface Lane {
  gate: {
    state: PourView['gate']['state'];
    /** Readings that are in. */
    read: number;
    out: number;
    unread: number;
    /** What holds it: readings, questions, changes, sign-offs. */
    toFix: number;
    questions: number;
    changes: number;
  };
  /** As planned: what is ordered, in how many loads, and from when to when it is placed, minutes of the day. */
  plan: {
    orderedM3: number;
    loads: number;
    /** When the first of it is batched. */
    firstBatchMin: number;
    firstLoadMin: number;
    finishMin: number;
  };
  /** It is mixed on the site: nothing is on order with anybody. */
  mixed: boolean;
  order: Pick<PourView['order'], 'state' | 'ended' | 'orderedM3'> & { loads: number };
  /** When placing began and ended, epoch ms, and what is in the forms. */
  progress: Pick<PourView['progress'], 'startedMs' | 'finishedMs' | 'placedM3'>;
  /** The first thing that will not wait. */
  alarm: ({ kind: Alarm['kind'] } & ReturnType<typeof alarmWords>) | null;
  closed: boolean;
  curing: {
    startMs: number;
    strip: Curing['strip'];
    strengthMPa: number;
    curve: { timeH: number; strengthMPa: number }[];
  } | null;
  /** The strength of its mix's class, by cylinders. */
  cylinderMPa: number;
}

function gateLane({ gate }: PourView): Lane['gate'] {
  const ofKind = (kind: (typeof gate.rows)[number]['kind']) =>
    gate.rows.filter((r) => r.kind === kind).length;
  return {
    state: gate.state,
    read: gate.read,
    out: gate.counts.out,
    unread: gate.counts.unread,
    toFix: gate.rows.length,
    questions: ofKind('question'),
    changes: ofKind('change'),
  };
}

function alarmLane(view: PourView, units: PourRecord['site']['units']): Lane['alarm'] {
  const alarm = view.alarms.find(pressing);
  return alarm ? { kind: alarm.kind, ...alarmWords(alarm, view, units) } : null;
}

/**
 * A pour as a list of pours shows it, from the same view as its stations.
 * @param air air of the hours since and to come, where it is known
 * @returns null where the pour names a mix or a plant that its site does not have
 */
export function laneOf(
  record: PourRecord,
  state: PourState,
  nowMs: number,
  air: readonly AirHour[],
): Lane | null {
  const view = viewOf(record, state, nowMs);
  if (!view) return null;
  const { plan, order, progress } = view;
  const curing = curingIn(record, view, state, nowMs, air);
  return {
    gate: gateLane(view),
    plan: {
      orderedM3: plan.orderedM3,
      loads: plan.loadIds.length,
      firstBatchMin: plan.simulation.loads[0]?.batchMin ?? record.pour.settings.firstLoadMin,
      firstLoadMin: record.pour.settings.firstLoadMin,
      finishMin: plan.timetable.finishMin,
    },
    mixed: view.plant.mixer !== undefined,
    order: {
      state: order.state,
      ended: order.ended,
      orderedM3: order.orderedM3,
      loads: order.loads.length,
    },
    progress: {
      startedMs: progress.startedMs,
      finishedMs: progress.finishedMs,
      placedM3: progress.placedM3,
    },
    alarm: alarmLane(view, record.site.units),
    closed: view.closed,
    curing: curing && {
      startMs: curing.startMs,
      strip: curing.strip,
      strengthMPa: curing.strengthMPa,
      curve: curing.curve,
    },
    cylinderMPa: view.mix.cylinderMPa,
  };
}

import { isClosed, type PourState } from '#core/log';
import { type PourRecord, viewOf } from './pour-view.ts';

/** What closed pours say: how much more than neat each took, and how late its loads were. */
export interface Learned {
  pours: { code: string; waste: number }[];
  delaysMin: number[];
}

/** A pour with its log. */
export interface LoggedPour {
  record: PourRecord;
  state: PourState;
}

/** Learns from the closed pours of a site; what is not closed, or placed nothing, says nothing yet. */
export function learnedFrom(logged: readonly LoggedPour[], nowMs: number): Learned {
  const out: Learned = { pours: [], delaysMin: [] };
  for (const { record, state } of logged) {
    const view = isClosed(state) ? viewOf(record, state, nowMs) : null;
    if (!view) continue;
    const neat = view.plan.route.volumeM3;
    const used = view.progress.dischargedM3;
    if (neat > 0 && used > 0) out.pours.push({ code: record.pour.code, waste: used / neat - 1 });
    for (const load of view.loads) {
      const planned = view.plan.trucks.result.loads[view.plan.loadIds.indexOf(load.id)];
      if (!planned || load.arrivedAt === null) continue;
      const arrivedMin = (Date.parse(load.arrivedAt) - view.dayMs) / 60_000;
      out.delaysMin.push(Math.min(1440, Math.max(0, arrivedMin - planned.arriveMin)));
    }
  }
  return out;
}

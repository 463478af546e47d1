import { dueOf } from './due.ts';
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
    // The use as the report has it: hose and hopper are not waste, they are reckoned by themselves.
    const used = view.progress.usedPerNeat;
    if (neat > 0 && used !== null) out.pours.push({ code: record.pour.code, waste: used - 1 });
    for (const load of view.loads) {
      const due = dueOf(view, load);
      if (!due || load.arrivedAt === null) continue;
      const arrivedMin = (Date.parse(load.arrivedAt) - view.dayMs) / 60_000;
      out.delaysMin.push(Math.min(1440, Math.max(0, arrivedMin - due.arriveMin)));
    }
  }
  return out;
}

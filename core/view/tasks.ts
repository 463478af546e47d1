import type { PourState } from '#core/log';
import { type ClockTask, clockTasks, dayTasks } from '#core/pourlog';
import { heavyJobs, jobsNeeded } from '#core/pourplan';
import { dryingOf } from './drying.ts';
import { conveyanceOf } from './planning.ts';
import type { PourRecord, PourView } from './pour-view.ts';

/** Every task of pour day, the one that is due first in front: what the concrete asks for, and what the crew needs. */
export function tasksOf(
  record: PourRecord,
  view: PourView,
  state: PourState,
  nowMs: number,
): ClockTask[] {
  const { site, pour } = record;
  const { plan, progress, dayMs } = view;
  const forms = site.formSystems.find((f) => f.mark === pour.forms);
  const drying = dryingOf(view, state);
  const flat = plan.route.legs.some((l) => !l.wall);
  const day = dayTasks(
    {
      dayMs,
      breaks: pour.settings.breaks,
      heavy: heavyJobs(jobsNeeded(plan.route, conveyanceOf(record), forms)),
      dryingMs: flat && drying?.result.level === 'act' ? drying.atMs : null,
      progress,
    },
    state,
    nowMs,
  );
  const concrete = clockTasks(site, pour, plan.route, progress, state, nowMs);
  return [...concrete, ...day].sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}

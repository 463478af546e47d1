import { partsOfId, type PourState } from '#core/log';
import { type ClockTask, clockTasks, dayTasks, setTasks } from '#core/pourlog';
import type { Job } from '#core/model';
import { fillJobs, heavyJobs, jobsNeeded } from '#core/pourplan';
import { dryingOf } from './drying.ts';
import { conveyanceOf } from './conveyance.ts';
import type { PourRecord, PourView } from './pour-view.ts';

/** Who sees to a task, by what it is: the job that has it in hand. */
const JOB: [RegExp, Job][] = [
  [/^consolidate-/, 'vibrator'],
  [/^(line-|spreaders)/, 'watch'],
  [/^(strike-off|wet-)/, 'strike-off'],
  [/^(plumb|template)$/, 'foreman'],
  [/^cover-/, 'finisher'],
];

/** A task with who sees to it; nobody where none of the crew has that job. */
export interface AssignedTask extends ClockTask {
  who: string | null;
}

/** Every task of pour day, the one that is due first in front: what the concrete asks for, and what the crew needs. */
export function tasksOf(
  record: PourRecord,
  view: PourView,
  state: PourState,
  nowMs: number,
): AssignedTask[] {
  const { site, pour } = record;
  const { plan, progress, dayMs } = view;
  const forms = site.formSystems.find((f) => f.mark === pour.forms);
  const needs = jobsNeeded(plan.route, conveyanceOf(record), forms, Boolean(view.plant.mixer));
  const drying = dryingOf(view, state);
  const flat = plan.route.legs.some((l) => !l.wall);
  const day = dayTasks(
    {
      dayMs,
      breaks: pour.settings.breaks,
      heavy: heavyJobs(needs),
      dryingMs: flat && drying?.result.level === 'act' ? drying.atMs : null,
      progress,
    },
    state,
    nowMs,
  );
  const concrete = clockTasks(site, pour, plan.route, progress, state, nowMs);
  const tests = setTasks(view.mix, view.loads, state, nowMs);
  const jobs = fillJobs(needs, site.crew ?? [], pour.settings.crew);
  const whoDoes = ({ id }: ClockTask): string | null => {
    const job = JOB.find(([is]) => is.test(partsOfId(id).name))?.[1];
    return jobs.find((j) => j.job === job)?.name ?? null;
  };
  const all = [...concrete, ...day, ...tests].map((t): AssignedTask => ({ ...t, who: whoDoes(t) }));
  return all.sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity));
}

import { useMemo } from 'react';
import { type Filled, fillJobs, handsOf, jobsNeeded, turnsOf } from '#core/pourplan';
import { conveyanceOf } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { usePlanned } from '../planned.tsx';

/** The jobs of this pour, who does them, and the turns at the heavy ones. */
export function useCrew() {
  const { record, plan, settings } = usePlanned();
  const { site, pour } = record;
  const mixed = usePour().plant.mixer !== undefined;
  return useMemo(() => {
    const needs = jobsNeeded(
      plan.route,
      conveyanceOf(record),
      site.formSystems.find((f) => f.mark === pour.forms),
      mixed,
    );
    const jobs: Filled[] = fillJobs(needs, site.crew, settings.crew);
    return {
      jobs,
      hands: handsOf(jobs, site.crew),
      turns: turnsOf(jobs, site.crew, settings.firstLoadMin, plan.timetable.finishMin),
    };
  }, [record, plan, settings, site, pour, mixed]);
}

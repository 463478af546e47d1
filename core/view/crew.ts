import { madeOncePer } from '#core/kit';
import { type Filled, fillJobs, handsOf, jobsNeeded, supplierOf } from '#core/pourplan';
import { conveyanceOf } from './conveyance.ts';
import { planOf, type PourRecord } from './pour-view.ts';

/** Who does what on a pour. */
interface Crew {
  jobs: Filled[];
  /** Hands on the pour; null where nobody has said who is in the crew. */
  hands: number | null;
}

/** The jobs of a pour with who does them. Null without its mix or plant. */
export const crewOf = madeOncePer((r: PourRecord): Crew | null => {
  const plan = planOf(r);
  const plant = supplierOf(r.site, r.pour);
  if (!plan || !plant) return null;
  const forms = r.site.formSystems.find((f) => f.mark === r.pour.forms);
  const crew = r.site.crew ?? [];
  const needs = jobsNeeded(plan.route, conveyanceOf(r), forms, Boolean(plant.mixer));
  const jobs = fillJobs(needs, crew, r.pour.settings.crew);
  return { jobs, hands: crew.length ? handsOf(jobs, crew) : null };
});

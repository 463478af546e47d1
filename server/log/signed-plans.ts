import type { NewEvent } from '../../contract/index.ts';
import { ProblemError } from '../problems.ts';
import type { SiteStore } from '../store/sites.ts';

/** Nobody signs for a plan that is not there yet: it would keep the signature shut against the changes to come. */
export async function checkPlans(
  sites: SiteStore,
  pourId: string,
  events: NewEvent[],
): Promise<void> {
  if (!events.some((e) => e.kind === 'sign')) return;
  const siteVersion = await sites.siteVersionOf(pourId);
  events.forEach((e, k) => {
    if (e.kind === 'sign' && e.body.planVersion > siteVersion)
      throw new ProblemError(
        400,
        'Bad input',
        `The sign-off was not stored: it is for plan ${e.body.planVersion}, and the plan is ${siteVersion}.`,
        [
          {
            path: `events.${k}.body.planVersion`,
            message: `is above the plan's version, ${siteVersion}`,
          },
        ],
      );
  });
}

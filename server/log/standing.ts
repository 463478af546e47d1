import { ProblemError } from '../problems.ts';
import type { SiteStore } from '../store/sites.ts';

/** Nothing is logged on what is archived or called off: said with what to do first. */
export async function refuseClosed(sites: SiteStore, pourId: string): Promise<void> {
  const why = await sites.closedToLog(pourId);
  if (why !== null) throw new ProblemError(409, 'Not open', why);
}

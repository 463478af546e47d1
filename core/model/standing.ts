import type { PourDoc } from './pour.ts';

/** Why nothing is logged on a pour as it stands; null when something may be. */
export const closedToLog = (
  pour: Pick<PourDoc, 'code' | 'cancelled' | 'archived'>,
  siteArchived: boolean,
): string | null => {
  if (siteArchived) return 'This site is archived: bring it back first.';
  if (pour.archived) return `${pour.code} is archived: bring it back first.`;
  return pour.cancelled ? `${pour.code} is called off: take that back first.` : null;
};

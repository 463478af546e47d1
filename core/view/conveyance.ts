import type { PourRecord } from './record.ts';

/** How a pour is conveyed; undefined where that is not settled. */
export const conveyanceOf = ({ site, pour }: Pick<PourRecord, 'site' | 'pour'>) =>
  site.conveyances?.find((c) => c.id === pour.settings.conveyance);

import type { PourRecord } from './record.ts';

/** How a pour is conveyed; undefined where that is not settled. */
export const conveyanceOf = ({ site, pour }: Pick<PourRecord, 'site' | 'pour'>) =>
  site.conveyances?.find((c) => c.id === pour.settings.conveyance);

const PUMPS: ReadonlySet<string> = new Set(['line', 'boom']);
/** Whether a pour is pumped; so far as it is not settled it may be. */
export function isPumped(on: Parameters<typeof conveyanceOf>[0]): boolean {
  const by = conveyanceOf(on);
  return by === undefined || PUMPS.has(by.kind);
}

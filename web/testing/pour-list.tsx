import type { Invitation, PourSummary, SiteSummary } from '../../contract/index.ts';
import { renderWithServer } from './server.tsx';
import { Pours } from '../stages/pours/Pours.tsx';

export const NOW = '2026-09-23T11:40:00.000Z';
export const site = (id: string, name: string, over: Partial<SiteSummary> = {}): SiteSummary => ({
  id,
  name,
  units: 'us',
  timeZone: 'America/Chicago',
  version: 1,
  archived: false,
  madeUp: false,
  ...over,
});
export const pour = (
  siteId: string,
  code: string,
  over: Partial<PourSummary> = {},
): PourSummary => ({
  id: `${siteId}-${code}`,
  siteId,
  code,
  title: `Walls ${code}`,
  date: '2026-09-24',
  cancelled: false,
  archived: false,
  ...over,
});
export const BARN = site('barn', 'Quarry Barn, Lower Field');
export const MILL = site('mill', 'Mill Shed');

/** Opens the list of pours on these sites and pours. */
export function open(
  sites: SiteSummary[],
  pours: PourSummary[],
  more: Record<string, unknown> = {},
  who: { role?: 'foreman' | 'crew'; invited?: Invitation } = {},
) {
  return renderWithServer(
    <Pours />,
    {
      'GET /api/sites': sites,
      'GET /api/pours': pours,
      'GET /api/clock': { now: NOW, settable: false },
      ...more,
    },
    who,
  );
}

import type { PourSummary, SiteSummary } from '../../../contract/index.ts';
import { localDate } from '#core/weather';

/**
 * Sites in use first: by their next pour, then those whose pours are over or have no date, by name;
 * archived ones last.
 */
export function inUseFirst(
  sites: readonly SiteSummary[],
  pours: readonly PourSummary[],
  nowMs: number,
): SiteSummary[] {
  const next = new Map<string, string>();
  for (const s of sites) {
    const today = localDate(nowMs, s.timeZone);
    const dates = pours
      .filter((p) => p.siteId === s.id && !p.cancelled && !p.archived)
      .flatMap((p) => (p.date !== null && p.date >= today ? [p.date] : []))
      .sort();
    if (dates[0]) next.set(s.id, dates[0]);
  }
  const rank = (s: SiteSummary) => (s.archived ? 'z' : (next.get(s.id) ?? 'x'));
  return [...sites].sort(
    (a, b) => rank(a).localeCompare(rank(b)) || a.name.localeCompare(b.name, 'en'),
  );
}

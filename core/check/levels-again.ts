import type { PourDoc, SitePlan } from '#core/model';
import { entries, type PourState } from '#core/log';
import { type RuledSite, rulesOf } from '#core/rules';
import { wallMs } from '#core/weather';

/**
 * Forms settle, are knocked and swell over night: a form top read longer before the first load than
 * the rule allows is asked for again. Before that time comes nothing is asked, and once concrete
 * flows what was read before it stands as it was.
 * @param nowMs the moment it is looked at, epoch ms
 * @returns from when on a form top must have been read to count, epoch ms; null while it is not
 * asked yet, where the pour has no
 *   date, or where the rule is 0
 */
export function levelsAgainMs(
  site: Pick<SitePlan, 'timeZone'> & RuledSite,
  pour: Pick<PourDoc, 'date' | 'settings'>,
  state: PourState,
  nowMs: number,
): number | null {
  const hours = rulesOf(site).value('levelAgain');
  if (pour.date === null || hours === 0) return null;
  const firstLoadMs = wallMs(pour.date, pour.settings.firstLoadMin, site.timeZone);
  const fromMs = firstLoadMs - hours * 3_600_000;
  const begunMs = Math.min(...entries(state, 'place-start').map((e) => Date.parse(e.at)), nowMs);
  return begunMs >= fromMs ? fromMs : null;
}

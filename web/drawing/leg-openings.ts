import { type Opening, runOf, type SitePlan } from '#core/model';
import type { Leg } from '#core/pourplan';

/** Openings of a leg as the route passes them: `fromM` from its beginning. */
export function openingsOf(
  site: Pick<SitePlan, 'runs'>,
  leg: Pick<Leg, 'elementId' | 'reversed' | 'lengthM'>,
): (Opening & { fromM: number })[] {
  return (runOf(site, leg.elementId)?.openings ?? []).map((o) => ({
    ...o,
    fromM: leg.reversed ? leg.lengthM - o.atM - o.widthM : o.atM,
  }));
}

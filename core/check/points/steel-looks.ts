import { resultOf } from '#core/kit';
import { clearDistanceMm, minCover } from '#core/steel';
import { lengthText } from '#core/units';
import { look } from './places.ts';
import type { Draft, ListContext } from './types.ts';

/** Room for the concrete between bars, at laps and to what is cast in. */
export function clearDraft(bar: string, { site, mix }: ListContext): Draft {
  const mm = clearDistanceMm(site.ruleProfile, bar, mix.largestAggregateMm);
  return {
    ...look(
      'clear',
      'Clear between bars',
      'steel',
      `At least ${lengthText(mm, site.units)} between bars, at laps and to sleeves and bolts too: concrete has to get through.`,
    ),
    source: site.ruleProfile === 'us-aci' ? 'ACI 318-19 §25.2.1' : 'EN 1992-1-1 §8.2',
  };
}

/** What a face stands against, and the cover the drawing gives it. */
export interface DrawnCover {
  name: string;
  against: 'ground' | 'weather' | 'indoors';
  bar: string;
  coverMm: number;
}
/** 75 mm and 3 in are one cover. */
const SAME_MM = 2;

/** The least cover of a face by code, mm; null where the code leaves it to the drawing. */
function leastOf({ against, bar }: DrawnCover, { site }: ListContext): number | null {
  const profile = site.ruleProfile;
  if (profile === 'us-aci')
    return resultOf(minCover, { profile, exposure: against, bar }).minCoverMm;
  // Whether it is cast on soil or on blinding the drawing says: less than on blinding it never is.
  return against === 'ground'
    ? resultOf(minCover, { profile, exposure: 'blinding', bar }).minCoverMm
    : null;
}

/** A drawing that gives less cover than the code asks for: to be asked about before it is cast. */
export function coverAsks(covers: readonly DrawnCover[], c: ListContext): Draft[] {
  const { units, ruleProfile } = c.site;
  const less = covers.flatMap((d) => {
    const leastMm = leastOf(d, c);
    return d.coverMm > 0 && leastMm !== null && d.coverMm < leastMm - SAME_MM
      ? [`${d.name} ${lengthText(d.coverMm, units)}, at least ${lengthText(leastMm, units)}`]
      : [];
  });
  if (less.length === 0) return [];
  return [
    {
      ...look(
        'cover-asks',
        'Drawing gives less cover than the code',
        'steel',
        `${less.join('; ')}. Ask the engineer, and say here what was answered.`,
      ),
      source: ruleProfile === 'us-aci' ? 'ACI 318-19 table 20.5.1.3.1' : 'EN 1992-1-1 §4.4.1.3',
    },
  ];
}

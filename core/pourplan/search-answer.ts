import { moneyText } from '#core/units';
import { LIMITS, type Candidate, type Limit } from './search-types.ts';

/** Why a plan that would do was not taken. */
const dearer = (by: number, currency: string | undefined): string =>
  by < 0.5 ? 'costs the same; another way round' : `costs ${moneyText(by, currency)} more`;

/**
 * Plans that cost alike, to the unit of money, and fail alike are one: the first that was looked at
 * stands for them.
 */
const outcome = (c: Candidate): string => [Math.round(c.cost), c.fails ?? ''].join();

/** Of the rest the cheapest, good or not: a cheaper one that was rejected is what one asks about first. */
export function runnersUpOf(
  all: Candidate[],
  top: Candidate | null,
  best: Candidate | null,
  most: number,
  currency: string | undefined,
): Candidate[] {
  const shown = new Set(best ? [outcome(best)] : []);
  return all
    .filter((c) => c !== top || best === null)
    .sort((a, b) => a.cost - b.cost)
    .filter((c) => {
      const alike = shown.has(outcome(c));
      shown.add(outcome(c));
      return !alike;
    })
    .slice(0, most)
    .map((c) => ({
      ...c,
      rejected: c.rejected ?? (best ? dearer(c.cost - best.cost, currency) : null),
    }));
}

/** What would lift each limit. */
const LIFTS_IT: Record<Limit, string> = {
  rating: 'place slower, in more lifts with a wait between them, or take forms that hold more',
  seam: 'fewer lifts, a faster crew or pump, a retarder, or a split at a planned bulkhead',
  hours: 'begin earlier, another day, or cover the face',
};
const FAILED: Record<Limit, string> = {
  rating: 'the forms would be over their rating',
  seam: 'a seam would go cold',
  hours: 'the hours that are left are ruled out',
};

/** Why no plan keeps to the limits, and what would: said of the limits that failed in those that were looked at. */
export function adviceOf(all: Candidate[]): string {
  const failed = LIMITS.filter((l) => all.some((c) => c.fails === l));
  const [only] = failed;
  if (only && failed.length === 1) return `In every plan ${FAILED[only]}: ${LIFTS_IT[only]}.`;
  if (failed.includes('rating') && failed.includes('seam'))
    return `Fast or high, ${FAILED.rating}; slow or in many lifts, ${FAILED.seam}. Forms that hold more, a retarder, or a split at a planned bulkhead open a way between.`;
  return `${failed.map((l) => FAILED[l]).join(', or ')}: ${failed.map((l) => LIFTS_IT[l]).join('; ')}.`;
}

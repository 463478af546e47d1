import type { HoldRow } from '#core/check';
import { overRating, type PourPlan, type Stand } from '#core/pourplan';
import { runOf } from '#core/model';
import { gapUnder } from '#core/siteplan';
import type { PourRecord } from './record.ts';

/** What it takes to plan it otherwise, min (site practice). */
const PLAN_MIN = 5;
/** Less out of reach than this is a matter of how the hose is held, m. */
const REACH_M = 0.1;

/** What the plan itself holds a pour by: forms that would take more than they are rated for, and what the pump does not reach. */
export function planHolds(
  { site, pour }: Pick<PourRecord, 'site' | 'pour'>,
  plan: PourPlan,
  stand: Stand | null,
): HoldRow[] {
  const row = { verdict: 'out' as const, place: null, count: 1, minutes: PLAN_MIN };
  const worst = new Map<string, number>();
  for (const p of plan.pressure)
    if (overRating(p.maxKPa, pour.settings.ratingKPa))
      worst.set(p.elementId, Math.max(worst.get(p.elementId) ?? 0, p.maxKPa));
  const pressed = [...worst].map(([elementId, amount]): HoldRow => ({
    ...row,
    kind: 'pressure',
    ref: elementId,
    elementId,
    amount,
  }));
  const out = (stand?.out ?? []).filter((o) => o.lengthM > REACH_M);
  const reach = out.map(({ elementId, lengthM }): HoldRow => ({
    ...row,
    kind: 'reach',
    ref: elementId,
    elementId,
    amount: lengthM,
  }));
  const apart = pour.elements.flatMap((elementId): HoldRow[] => {
    const run = runOf(site, elementId);
    const gapM = run ? gapUnder(site, run) : null;
    return gapM === null
      ? []
      : [{ ...row, kind: 'apart', ref: elementId, elementId, amount: gapM }];
  });
  return [...pressed, ...reach, ...apart];
}

import type { Conveyance, Mix, SitePlan } from '#core/model';
import type { Rules } from '#core/rules';
import { placesOf } from './places.ts';
import type { PourPlan } from './plan.ts';
import { offeredStands } from './offered-stands.ts';

/** Whether a conveyance takes the aggregate and the slump of a mix; true where neither is given. */
export const takesMix = (c: Conveyance, mix: Mix) => ({
  aggregate:
    c.largestAggregateMm === undefined || mix.largestAggregateMm === undefined
      ? null
      : mix.largestAggregateMm <= c.largestAggregateMm + 1e-6,
  slump: c.leastSlumpMm === undefined ? null : mix.slumpMm >= c.leastSlumpMm - 1e-6,
});

/** The conveyances that can do a pour: they take its mix, and reach all of it from one side. */
export function conveyancesFor(
  site: SitePlan & { conveyances?: readonly Conveyance[] },
  plan: PourPlan,
  mix: Mix,
  rules: Rules,
): Conveyance[] {
  const places = placesOf(site, plan.route, plan.cells);
  return (site.conveyances ?? []).filter((conveyance) => {
    const { aggregate, slump } = takesMix(conveyance, mix);
    if (aggregate === false || slump === false) return false;
    return offeredStands({ site, places, conveyance, rules }).some((o) => o.stand.out.length === 0);
  });
}

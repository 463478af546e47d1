import { madeOncePer } from '#core/kit';
import { placesOf, type PourPlan, type Stand, standAt } from '#core/pourplan';
import { rulesOf } from '#core/rules';
import { conveyanceOf } from './conveyance.ts';
import type { PourRecord } from './record.ts';

/** Conveyances that stand in one place and reach so far. */
const STANDS = new Set(['boom', 'line']);

/**
 * Where the pump of a pour stands and what of the pour is out of its reach; null where nothing that
 * stands in one place conveys it, or nobody has said where it stands.
 */
export const standOf = madeOncePer((record: PourRecord) =>
  madeOncePer((plan: PourPlan): Stand | null => {
    const conveyance = conveyanceOf(record);
    const { setUp } = record.pour.settings;
    if (!conveyance || !STANDS.has(conveyance.kind) || !setUp) return null;
    const { site } = record;
    const places = placesOf(site, plan.route, plan.cells);
    return places.length
      ? standAt({ site, places, conveyance, rules: rulesOf(site) }, setUp)
      : null;
  }),
);

import { type AirHour, type Care, careOf, type Curing, leastDimensionM } from '#core/cure';
import type { PourRecord, PourView } from './pour-view.ts';

/** How the concrete of a pour that cures is to be kept. */
export const careIn = (
  { site, pour }: PourRecord,
  { mix, rules }: Pick<PourView, 'mix' | 'rules'>,
  curing: Curing,
  air: readonly AirHour[],
): Care => careOf({ curing, pour, mix, rules, leastDimensionM: leastDimensionM(site, pour), air });

import { type AirHour, type Care, careOf, type Curing, leastDimensionM } from '#core/cure';
import { entries, type PourState } from '#core/log';
import type { PourRecord, PourView } from './pour-view.ts';

const DAY_MS = 86_400_000;
/** Air as it was read since the day before placing ended: what was read before, still held then. */
const airRead = (state: PourState, startMs: number): AirHour[] =>
  entries(state, 'weather')
    .map((e) => ({ ms: Date.parse(e.at), airTempC: e.body.airTempC }))
    .filter(({ ms }) => ms > startMs - DAY_MS)
    .map(({ ms, airTempC }) => ({ at: new Date(Math.max(ms, startMs)).toISOString(), airTempC }));

/** How the concrete of a pour that cures is to be kept. */
export const careIn = (
  { site, pour }: PourRecord,
  { mix, rules }: Pick<PourView, 'mix' | 'rules'>,
  curing: Curing,
  air: readonly AirHour[],
  state: PourState,
): Care =>
  careOf({
    curing,
    pour,
    mix,
    rules,
    leastDimensionM: leastDimensionM(site, pour),
    air: [...air, ...airRead(state, curing.startMs)],
  });

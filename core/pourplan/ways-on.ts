import type { ForecastInput } from './forecast-model.ts';
import { type Odds, oddsOf } from './odds.ts';
import { goingOf } from './underway.ts';
import { type TroubleAsk, type Way, type WayId, WAYS_OF } from './ways.ts';

/** A way on with what comes of it. */
export interface WayOn extends Omit<Way, 'input' | 'extraCost'> {
  odds: Odds;
  cost: number;
  /** Later than if nothing had gone wrong, min. */
  laterMin: number;
  /** Left for another day, m³. */
  leftM3: number;
}

/** Whether anything is here or on its way that could still be placed. */
const hasConcrete = ({ loads, loadsNow }: ForecastInput): boolean =>
  loads.some((l) => {
    const now = loadsNow.find((n) => n.id === l.id);
    return !now || (now.endMin === null && !now.sentBack);
  });
/** Whether a load stands here that is not empty yet. */
const hasLoadHere = ({ loadsNow }: ForecastInput): boolean =>
  loadsNow.some((l) => l.arriveMin !== null && l.endMin === null && !l.sentBack);

/** Whether a way is one at all as things stand: with concrete that is there, and an end of what was begun. */
function isThere(id: WayId, { input, what }: TroubleAsk): boolean {
  if (!hasConcrete(input) && !WITHOUT.has(id)) return false;
  // While a load is awaited, only what is here already can be spread over the open seams.
  if (id === 'slow-down' && what !== 'vibrator') return hasLoadHere(input);
  const ends = id === 'bulkhead-here' || id === 'close-off';
  return !ends || input.placed.some((p) => p.volumeM3 > 0);
}

/** What can be done without any concrete: another load, or an end where it stands. */
const WITHOUT: ReadonlySet<WayId> = new Set<WayId>(['another-truck', 'close-off', 'bulkhead-here']);

/** Three ways are as many as can be weighed standing on a form. */
const MOST_WAYS = 3;

/**
 * Ways on from where the pour stands, the cheapest first: each poured to its end on the same
 * mornings. What a way leaves undone is priced as a seam to be mended, beside what its mornings
 * cost.
 */
export function waysOn(ask: TroubleAsk): WayOn[] {
  const ahead = (input: ForecastInput, underFirst = true) => {
    const { simulation, underway } = goingOf({ ...input, trials: ask.trials }, underFirst);
    return oddsOf(simulation, ask.money, ask.noGoFromMin, underway);
  };
  const volume = (v: ForecastInput) => v.cells.reduce((s, c) => s + c.volumeM3, 0);
  const untroubled = ahead(ask.input).finishMin.p50;
  return WAYS_OF[ask.what](ask)
    .filter((w) => isThere(w.id, ask))
    .slice(0, MOST_WAYS)
    .map(({ input, extraCost, ...way }): WayOn => {
      const odds = ahead(input, way.id !== 'go-on-elsewhere');
      return {
        ...way,
        odds,
        cost: odds.cost.p50 + extraCost,
        laterMin: odds.finishMin.p50 - untroubled,
        leftM3: Math.max(0, volume(ask.input) - volume(input)),
      };
    })
    .sort((a, b) => worth(a, ask) - worth(b, ask));
}

/** A seam that goes cold is a seam to mend, as often as it does. */
const worth = (w: WayOn, { money }: TroubleAsk): number =>
  w.cost + w.odds.coldSeam * money.prices.coldSeam + w.odds.inRain * money.prices.coldSeam;

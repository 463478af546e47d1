import type { ColdStretch, LastStart, Odds, OrderWay, Route, Start, WhatIf } from '#core/pourplan';
import { clockText, counted, moneyText, quantityText, type UnitSystem } from '#core/units';

/** Chances are counted: of twenty mornings like this. */
export const MORNINGS = 20;
const mornings = (share: number): number => Math.round(share * MORNINGS);
/** "3 of 20 mornings". */
const ofMornings = (share: number): string => `${mornings(share)} of ${MORNINGS} mornings`;

const RULE_WORD: Record<Start['reasons'][number]['rule'], string> = {
  rain: 'rain',
  wind: 'wind',
  cold: 'frost',
  dark: 'dark',
  plant: 'plant',
  drying: 'drying',
  forecast: 'no forecast',
};
/** One word for what speaks against a start. */
export const ruleWord = (rule: Start['reasons'][number]['rule']): string => RULE_WORD[rule];

/** What speaks against a start, with its figure and its limit. */
export function startReasonText(
  r: Start['reasons'][number],
  units: UnitSystem,
  momentOf: (min: number) => string,
): string {
  const at = momentOf(r.atMin);
  switch (r.rule) {
    case 'rain':
      return `Rain ${quantityText(r.value, 'MmH', units)} at ${at}, over ${quantityText(r.limit, 'MmH', units)}`;
    case 'wind':
      return `Wind ${quantityText(r.value, 'KmH', units)} at ${at}, allowed ${quantityText(r.limit, 'KmH', units)}`;
    case 'cold':
      return `Down to ${quantityText(r.value, 'C', units)} at ${at}: cold weather rules`;
    case 'dark':
      return r.value < r.limit
        ? `Starts before the sun, ${momentOf(r.limit)}`
        : `Clearing up until ${momentOf(r.value)}, dusk ${momentOf(r.limit)}`;
    case 'plant':
      return r.atMin === r.value
        ? `First batch ${momentOf(r.value)}, the plant opens ${momentOf(r.limit)}`
        : `Last batch ${momentOf(r.value)}, the plant shuts ${momentOf(r.limit)}`;
    case 'drying':
      return `The face dries ${quantityText(r.value, 'KgM2H', units)} at ${at}: fog or cover it`;
    case 'forecast':
      return `The forecast ends ${momentOf(r.limit)}`;
  }
}

const LIMIT_WORD: Record<LastStart['rule'], string> = {
  ...RULE_WORD,
  dark: 'dusk',
  plant: 'plant shuts',
};
export const limitWord = (rule: LastStart['rule']): string => LIMIT_WORD[rule];

/** What an order way comes to beside its own likely cost. */
export function orderWayText(w: OrderWay, currency: string | undefined): string {
  const parts = [
    ...(w.standingCost >= 1 ? [`${moneyText(w.standingCost, currency)} standing`] : []),
    ...(w.coldSeams > 0 ? [`${counted(w.coldSeams, 'seam')} cold`] : []),
  ];
  if (parts.length > 0) return `+ ${parts.join(', ')}`;
  return w.seams > 0 ? 'every seam in its window' : 'no seams';
}

const WHAT_IF: Record<WhatIf['id'], string> = {
  late: 'First load 60 min late',
  'sent-back': 'A load sent back',
  'pump-down': 'Pump down 30 min',
  'early-rain': 'Rain two hours early',
  'hand-short': 'One hand short',
  hotter: '5 °C warmer',
};
const HOTTER_US = '9 °F warmer';
/** Where it is mixed on the site nothing comes, and nothing is pumped. */
const WHAT_IF_MIXED: Partial<typeof WHAT_IF> = {
  late: 'The mixer turns 60 min late',
  'pump-down': 'The mixer stands for 30 min',
};
/** @param mixed on the site, batch by batch */
export function whatIfTitle(id: WhatIf['id'], units: UnitSystem, mixed: boolean): string {
  if (id === 'hotter' && units === 'us') return HOTTER_US;
  return (mixed ? WHAT_IF_MIXED[id] : undefined) ?? WHAT_IF[id];
}

const REMEDY: Record<NonNullable<WhatIf['remedy']>['id'], string> = {
  'fewer-lifts': 'a lift fewer',
  earlier: 'start an hour earlier',
  'closer-loads': 'loads closer together',
  'load-in-hand': 'one load more in hand',
  retarder: 'a retarder in the mix',
  slower: 'place slower',
};
/** The cheapest thing to do about it before the day, and what it saves. */
export function remedyText(w: WhatIf, currency: string | undefined, mixed: boolean): string {
  if (!w.remedy) return 'Nothing beforehand is cheaper than taking it.';
  const { id, saves } = w.remedy;
  const what = mixed && id === 'load-in-hand' ? 'bags for more in hand' : REMEDY[id];
  return `Cheapest: ${what}, saves ${moneyText(saves, currency)}.`;
}

/** Why the way round goes as it does, a line each. What has no seam at all may be gone as one likes. */
export function routeWhy(route: Route, cold: readonly ColdStretch[], seams: number): string[] {
  const [first] = route.legs;
  const last = route.legs.at(-1);
  if (!first || !last) return [];
  if (seams === 0)
    return [
      first === last
        ? 'It stands by itself: no seams.'
        : 'Each stands by itself: no seams, and any order will do.',
    ];
  const storeys = new Set(route.legs.map((l) => l.storey)).size;
  const levels = new Set(
    route.legs.filter((l) => l.storey === 0).map((l) => Math.round(l.bottomM * 1000)),
  ).size;
  const low = Math.min(...route.legs.filter((l) => l.storey === 0).map((l) => l.bottomM));
  return [
    ...(route.closed
      ? [
          `The ring ends where it began, at ${first.startNode ?? first.elementId}: the last seam is with the first concrete.`,
        ]
      : [`Open: from ${first.elementId} to ${last.elementId}, the far end is a free end.`]),
    ...(storeys > 1 ? ['What carries is filled before what stands on it.'] : []),
    ...(levels > 1
      ? [
          first.bottomM - low < 1e-6
            ? 'It starts low: each step is filled against what is below it.'
            : 'It starts high: begin at the low side of a step, so that nothing runs down over it.',
        ]
      : []),
    ...(cold.length ? [] : ['Every seam is met within its window.']),
  ];
}

/** A change of less than this share is no news. */
const NEWS = 0.04;
type Legs = Pick<Route, 'legs'>;
const faceName = (route: Legs, { elementId, lift }: SeamFace): string => {
  const lifts = route.legs.find((l) => l.elementId === elementId)?.lifts ?? 1;
  return lifts > 1 ? `${elementId} lift ${lift + 1}` : elementId;
};
type SeamFace = Odds['seams'][number]['late'];

/** A seam as it is spoken: what comes too late, and on or beside what. */
export const seamText = (
  s: Pick<Odds['seams'][number], 'kind' | 'late' | 'on'>,
  route: Legs,
): string =>
  s.kind === 'below'
    ? faceName(route, s.late)
    : `${faceName(route, s.late)} beside ${faceName(route, s.on)}`;
/** A share counted in a hundred mornings, never none where there is one. */
export const ofHundred = (share: number): string =>
  `${Math.max(1, Math.round(share * 100))} in 100`;

/**
 * What goes wrong that did not on the plan: seams, old loads, shortage, dusk, rain, forms; or how
 * much later it is done.
 */
export function whatGoesWrong(odds: Odds, plan: Odds, route: Legs): { bad: boolean; text: string } {
  const worse = (key: 'coldSeam' | 'overAge' | 'short' | 'afterDusk' | 'inRain' | 'overRating') =>
    odds[key] - plan[key] >= NEWS;
  const [seam] = odds.seams;
  const said = [
    ...(worse('coldSeam')
      ? [
          `a seam goes cold on ${ofMornings(odds.coldSeam)}${seam ? `, ${faceName(route, seam.late)} first` : ''}`,
        ]
      : []),
    ...(worse('inRain') ? [`placing into the rain on ${ofMornings(odds.inRain)}`] : []),
    ...(worse('overAge') ? [`a load gets too old on ${ofMornings(odds.overAge)}`] : []),
    ...(worse('short') ? [`short on ${ofMornings(odds.short)}`] : []),
    ...(worse('afterDusk') ? [`after dusk on ${ofMornings(odds.afterDusk)}`] : []),
    ...(worse('overRating') ? [`forms over their rating on ${ofMornings(odds.overRating)}`] : []),
  ];
  const later = Math.round(odds.finishMin.p50 - plan.finishMin.p50);
  const done = `done ${clockText(odds.finishMin.p50)}${Math.abs(later) >= 1 ? `, ${Math.abs(later)} min ${later > 0 ? 'later' : 'sooner'}` : ''}`;
  return { bad: said.length > 0, text: [...said, done].join('; ') };
}

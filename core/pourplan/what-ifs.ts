import { type Mix, type Plant, type PourDoc, type PourSettings, type SitePlan } from '#core/model';
import { type Odds, type OddsPrices, oddsOf } from './odds.ts';
import { orderFor, rehearse } from './plan.ts';
import { mostLifts } from './lifts.ts';
import { routeOf } from './route.ts';
import type { NoGo } from './search-types.ts';
import type { SimulationInput } from './simulation-model.ts';
import { asSupplied } from './supplier.ts';

/** What may go otherwise on the day, in the order in which it is shown. */
const WHAT_IFS = ['late', 'sent-back', 'pump-down', 'early-rain', 'hand-short', 'hotter'] as const;
type WhatIfId = (typeof WHAT_IFS)[number];

/** Something cheap that could be done about it before the day. */
const REMEDIES = [
  'fewer-lifts',
  'earlier',
  'closer-loads',
  'load-in-hand',
  'retarder',
  'slower',
] as const;
type RemedyId = (typeof REMEDIES)[number];

export interface WhatIf {
  id: WhatIfId;
  odds: Odds;
  /** The cheapest remedy of those that make the day cheaper; null where none does. */
  remedy: { id: RemedyId; change: Partial<PourSettings>; saves: number; odds: Odds } | null;
}

export interface WhatIfAsk {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  plant: Plant;
  duskMin: number;
  noGo: NoGo[];
  money: OddsPrices;
  /** Hands that place; one of them may be missing. */
  hands: number;
  /** It is pumped, or what conveys it is not settled: a pump may go down. */
  pumped: boolean;
  trials: number;
}

/** How far each goes otherwise. */
const LATE_MIN = 60;
const DOWN_MIN = 30;
const EARLY_RAIN_MIN = 120;
const HOTTER_C = 5;
/** A retarder slows stiffening by so much. */
const RETARDED = 1.4;

interface Day {
  simulation: SimulationInput;
  noGoFromMin: number | null;
}

const placingMin = (v: SimulationInput): number =>
  (v.cells.reduce((s, c) => s + c.volumeM3, 0) / v.placingRateM3PerH) * 60;

/** The load in the middle is turned away at the gate, and another is batched when it is. */
function sentBack(v: SimulationInput): SimulationInput {
  const k = Math.floor(v.loads.length / 2);
  return {
    ...v,
    loads: v.loads.map((l, i) =>
      i === k ? { ...l, batchMin: l.batchMin + l.plantDelay.medianMin + l.travel.medianMin } : l,
    ),
  };
}

/** Nothing is mixed before the drum turns: every batch waits for it. */
const drumLate = ({ simulation: v, ...day }: Day): Day => ({
  ...day,
  simulation: {
    ...v,
    loads: v.loads.map((l) => ({ ...l, batchMin: l.batchMin + LATE_MIN })),
  },
});

/** A day on which this goes otherwise; null where it cannot. */
const OTHERWISE: Record<WhatIfId, (day: Day, hands: number) => Day | null> = {
  late: ({ simulation: v, ...day }) => ({
    ...day,
    simulation: {
      ...v,
      loads: v.loads.map((l, i) => (i === 0 ? { ...l, batchMin: l.batchMin + LATE_MIN } : l)),
    },
  }),
  'sent-back': (day) => ({ ...day, simulation: sentBack(day.simulation) }),
  'pump-down': ({ simulation: v, ...day }) => {
    const fromMin = v.startMin + placingMin(v) / 2;
    return {
      ...day,
      simulation: { ...v, breaks: [...v.breaks, { fromMin, toMin: fromMin + DOWN_MIN }] },
    };
  },
  'early-rain': (day) =>
    day.noGoFromMin === null ? null : { ...day, noGoFromMin: day.noGoFromMin - EARLY_RAIN_MIN },
  'hand-short': ({ simulation: v, ...day }, hands) =>
    hands < 2
      ? null
      : {
          ...day,
          simulation: { ...v, placingRateM3PerH: (v.placingRateM3PerH * (hands - 1)) / hands },
        },
  hotter: ({ simulation: v, ...day }) => ({
    ...day,
    simulation: { ...v, tempC: Math.min(60, v.tempC + HOTTER_C) },
  }),
};

/** A pour with these settings as a day of trials. */
function dayOf(ask: WhatIfAsk, change: Partial<PourSettings>, mix: Mix): Day {
  const pour = { ...ask.pour, settings: { ...ask.pour.settings, ...change } };
  const route = routeOf(ask.site, pour);
  const orderedM3 =
    pour.settings.orderM3 ?? orderFor(route.volumeM3, ask.site, pour, ask.plant).result.orderM3;
  const { simulation } = rehearse(route, orderedM3, pour, mix, ask.plant, ask.duskMin, ask.trials);
  const first = ask.noGo.find((g) => g.toMin > pour.settings.firstLoadMin);
  return { simulation, noGoFromMin: first?.fromMin ?? null };
}

/** What each remedy changes of the plan; null where there is nothing of it left to do. */
function remediesOf(ask: WhatIfAsk, orderedM3: number, spacingMin: number) {
  const s = asSupplied(ask.pour.settings, ask.plant);
  const lifts = mostLifts(routeOf(ask.site, ask.pour));
  const opens = (ask.plant.openMin ?? 0) + ask.plant.travel.medianMin;
  const changes: Record<RemedyId, Partial<PourSettings> | null> = {
    'fewer-lifts': lifts > 1 ? { lifts: lifts - 1 } : null,
    earlier: s.firstLoadMin - 60 >= opens ? { firstLoadMin: s.firstLoadMin - 60 } : null,
    'closer-loads': ask.plant.mixer
      ? null
      : { spacingMin: Math.max(1, Math.round(spacingMin * 0.8)) },
    'load-in-hand': { orderM3: orderedM3 + s.truckM3 },
    retarder: {},
    slower: { placingRateM3PerH: s.placingRateM3PerH * 0.8 },
  };
  return REMEDIES.flatMap((id) => {
    const change = changes[id];
    return change === null
      ? []
      : [
          {
            id,
            change,
            mix: id === 'retarder' ? { ...ask.mix, retarderFactor: RETARDED } : ask.mix,
          },
        ];
  });
}

/** Cheaper by less than this is no remedy, in the site's money. */
const WORTH_IT = 1;

/**
 * What becomes of the pour when something goes otherwise, each tried on the same mornings as the
 * plan itself, with the cheapest thing to do about it beforehand. What cannot happen here (rain
 * where none is forecast) is left out.
 */
export function whatIfsOf(
  ask: WhatIfAsk,
  orderedM3: number,
  spacingMin: number,
): { plan: Odds; whatIfs: WhatIf[] } {
  const oddsFor = (d: Day) => oddsOf(d.simulation, ask.money, d.noGoFromMin);
  const asPlanned = dayOf(ask, {}, ask.mix);
  const remedies = remediesOf(ask, orderedM3, spacingMin).map((r) => ({
    ...r,
    day: dayOf(ask, r.change, r.mix),
  }));
  const rain = (o: Odds) => o.inRain * ask.money.prices.coldSeam;
  const worth = (o: Odds) => (o.cost.p10 + 2 * o.cost.p50 + o.cost.p90) / 4 + rain(o);
  // What is mixed here is not sent back; what is not pumped waits for no pump.
  const cannot = ask.plant.mixer ? 'sent-back' : !ask.pumped && 'pump-down';
  const ids = WHAT_IFS.filter((id) => id !== cannot);
  const otherwise = (id: WhatIfId, day: Day) =>
    id === 'late' && ask.plant.mixer ? drumLate(day) : OTHERWISE[id](day, ask.hands);
  const whatIfs = ids.flatMap((id): WhatIf[] => {
    const day = otherwise(id, asPlanned);
    if (!day) return [];
    const odds = oddsFor(day);
    let remedy: WhatIf['remedy'] = null;
    for (const r of remedies) {
      const helped = otherwise(id, r.day);
      if (!helped) continue;
      const after = oddsFor(helped);
      const saves = worth(odds) - worth(after);
      if (after.overRating <= odds.overRating && saves > Math.max(WORTH_IT, remedy?.saves ?? 0))
        remedy = { id: r.id, change: r.change, saves, odds: after };
    }
    return [{ id, odds, remedy }];
  });
  return { plan: oddsFor(asPlanned), whatIfs };
}

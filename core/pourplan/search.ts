import { moneyText } from '../units/money.ts';
import { mersenne } from 'pure-rand/generator/mersenne';
import type { Mix, Plant, PourDoc, PourSettings } from '../model/pour.ts';
import type { SitePlan } from '../model/site.ts';
import { takeOff } from '../takeoff/takeoff.ts';
import { orderFor, rehearse } from './plan.ts';
import { quantilesOf } from './quantiles.ts';
import { routeOf } from './route.ts';
import { trialsOf } from './trials.ts';

/** What may be chosen: each list holds the values to try. An empty list keeps the pour's own. */
export interface Choices {
  startAt: number[];
  reverse: boolean[];
  lifts: number[];
  truckM3: number[];
  spacingMin: (number | null)[];
  firstLoadMin: number[];
  /** Rates of placing, m³/h, within what pump and crew give. */
  placingRateM3PerH: number[];
  /** Waits between a lift and the next one on it, minutes. */
  liftWaitMin: number[];
}
/** What things cost, in the site's money. */
interface Prices {
  crewPerMin: number;
  oldLoad: number;
  afterDusk: number;
}
/** Hours that must stay free of placing, and why: rain, frost, a storm. */
export interface NoGo {
  fromMin: number;
  toMin: number;
  reason: string;
}

export interface SearchInput {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  plant: Plant;
  duskMin: number;
  choices: Choices;
  prices: Prices;
  noGo: NoGo[];
  coldSeamShare: number;
  trials: number;
  seed: number;
  maxPlans: number;
  runnersUp: number;
}

type Chosen = Pick<
  PourSettings,
  | 'startAt'
  | 'reverse'
  | 'lifts'
  | 'truckM3'
  | 'spacingMin'
  | 'firstLoadMin'
  | 'placingRateM3PerH'
  | 'liftWaitMin'
>;
/** The limits a plan is held to. */
export const LIMITS = ['rating', 'seam', 'hours'] as const;
type Limit = (typeof LIMITS)[number];
/** A plan that was looked at: what was chosen, what it is likely to cost, and why it is not the one. */
export interface Candidate {
  chosen: Chosen;
  cost: number;
  coldSeam: number;
  overRating: number;
  overAge: number;
  short: number;
  afterDusk: number;
  finishP50Min: number;
  finishP90Min: number;
  crewWaitMin: number;
  /** Which limit it fails first, and in words; null when it keeps them all. */
  fails: Limit | null;
  rejected: string | null;
}
export interface SearchResult {
  best: Candidate | null;
  /** When no plan keeps to the limits: which failed, and what would lift it. */
  advice: string | null;
  runnersUp: Candidate[];
  examined: number;
  possible: number;
  enumerated: boolean;
}
export interface SearchProgress {
  done: number;
  of: number;
  best: Candidate | null;
}

const KEYS = [
  'startAt',
  'reverse',
  'lifts',
  'truckM3',
  'spacingMin',
  'firstLoadMin',
  'placingRateM3PerH',
  'liftWaitMin',
] as const;
/** Report this often, so that a screen can show it and a caller can stop. */
const REPORT_EVERY = 10;

/** Everything that does not depend on the choice is worked out once. */
function evaluator(v: SearchInput): (chosen: Chosen) => Candidate {
  const takeoff = takeOff(v.site);
  const neat = routeOf(v.site, v.pour, takeoff).volumeM3;
  const orderedM3 =
    v.pour.settings.orderM3 ?? orderFor(neat, v.site, v.pour, v.plant).result.orderM3;
  const { costs } = v.pour.settings;
  const finish = new Float64Array(v.trials);
  return (chosen) => {
    const pour = { ...v.pour, settings: { ...v.pour.settings, ...chosen } };
    const { simulation } = rehearse(
      routeOf(v.site, pour, takeoff),
      orderedM3,
      pour,
      v.mix,
      v.plant,
      v.duskMin,
      v.trials,
    );
    const t = trialsOf(simulation).run(v.trials, v.seed, finish);
    const n = v.trials;
    const [finishP50Min, finishP90Min] = quantilesOf(finish, [0.5, 0.9]) as [number, number];
    const crewMin = t.finishSum / n - chosen.firstLoadMin;
    const cost =
      v.prices.crewPerMin * crewMin +
      (costs.shortFixed * t.short +
        costs.shortPerM3 * t.shortSum +
        (costs.costPerM3 + costs.disposalPerM3) * t.leftOverSum +
        v.prices.oldLoad * t.overAge +
        v.prices.afterDusk * t.afterDusk) /
        n;
    const inTheWay = v.noGo.find((g) => g.fromMin < finishP90Min && g.toMin > chosen.firstLoadMin);
    const failing: [Limit, boolean, string][] = [
      [
        'rating',
        t.overRating > 0,
        `the forms are over their rating on ${t.overRating} of ${n} mornings`,
      ],
      [
        'seam',
        t.coldSeam > v.coldSeamShare * n * (1 + 1e-9),
        `a seam goes cold on ${t.coldSeam} of ${n} mornings`,
      ],
      ['hours', inTheWay !== undefined, inTheWay?.reason ?? ''],
    ];
    const [fails, , rejected] = failing.find(([, yes]) => yes) ?? [null, false, null];
    return {
      chosen,
      cost,
      coldSeam: t.coldSeam / n,
      overRating: t.overRating / n,
      overAge: t.overAge / n,
      short: t.short / n,
      afterDusk: t.afterDusk / n,
      finishP50Min,
      finishP90Min,
      crewWaitMin: t.crewWaitSum / n,
      fails,
      rejected,
    };
  };
}

/** Why a plan that would do was not taken. */
const dearer = (by: number, currency: string | undefined): string =>
  by < 0.5 ? 'costs the same; another way round' : `costs ${moneyText(by, currency)} more`;

/** Good plans before rejected ones, cheap before dear; of two alike the one looked at first. */
const better = (a: Candidate, b: Candidate): boolean =>
  (a.rejected === null) !== (b.rejected === null) ? a.rejected === null : a.cost < b.cost - 1e-9;

/**
 * Looks for the plan that costs least: all of them when there are no more than `maxPlans`, else by walking from many
 * starts, one choice at a time, until as many have been looked at. The same seed looks at the same plans. Yields
 * progress, so that a caller can show it or stop; the last value is the result.
 */
export function* searchSequences(v: SearchInput): Generator<SearchProgress, SearchResult> {
  const { settings } = v.pour;
  const own = Object.fromEntries(KEYS.map((k) => [k, settings[k]])) as unknown as Chosen;
  const lists = KEYS.map((k) =>
    v.choices[k].length ? [...new Set<unknown>(v.choices[k])] : [own[k]],
  );
  const possible = lists.reduce((n, l) => n * l.length, 1);
  const of = Math.min(possible, v.maxPlans);
  const work = evaluator(v);
  const seen = new Map<string, Candidate>();
  let best: Candidate | null = null;
  const at = (index: number[]): Chosen =>
    Object.fromEntries(
      KEYS.map((k, i) => [k, (lists[i] as unknown[])[index[i] as number]]),
    ) as unknown as Chosen;
  const look = (index: number[]): Candidate => {
    const key = index.join();
    const known = seen.get(key);
    if (known) return known;
    const found = work(at(index));
    seen.set(key, found);
    if (best === null || better(found, best)) best = found;
    return found;
  };

  if (possible <= v.maxPlans) {
    for (let i = 0; i < possible; i += 1) {
      let rest = i;
      look(
        lists.map((l) => {
          const k = rest % l.length;
          rest = Math.floor(rest / l.length);
          return k;
        }),
      );
      if (seen.size % REPORT_EVERY === 0) yield { done: seen.size, of, best };
    }
  } else {
    const rng = mersenne(v.seed);
    const draw = (n: number) => (rng.next() >>> 0) % n;
    while (seen.size < v.maxPlans) {
      let here = lists.map((l) => draw(l.length));
      let stands = look(here);
      for (let moved = true; moved && seen.size < v.maxPlans;) {
        moved = false;
        for (let d = 0; d < lists.length && seen.size < v.maxPlans; d += 1) {
          for (let k = 0; k < (lists[d] as unknown[]).length && seen.size < v.maxPlans; k += 1) {
            const next = here.map((x, i) => (i === d ? k : x));
            const found = look(next);
            if (better(found, stands)) {
              here = next;
              stands = found;
              moved = true;
            }
            if (seen.size % REPORT_EVERY === 0) yield { done: seen.size, of, best };
          }
        }
      }
    }
  }
  const top = best as Candidate | null;
  const all = [...seen.values()].sort((a, b) => Number(better(b, a)) - Number(better(a, b)));
  const chosenBest = top !== null && top.rejected === null ? top : null;
  yield { done: seen.size, of, best: chosenBest };
  return {
    best: chosenBest,
    advice: chosenBest ? null : adviceOf(all),
    runnersUp: runnersUpOf(all, top, chosenBest, v.runnersUp, v.site.currency),
    examined: seen.size,
    possible,
    enumerated: possible <= v.maxPlans,
  };
}

/** Plans that come out alike, to the minute and the unit of money, are one: the first that was looked at stands for them. */
const outcome = (c: Candidate): string =>
  [
    Math.round(c.cost),
    Math.round(c.finishP50Min),
    Math.round(c.finishP90Min),
    c.chosen.firstLoadMin,
    c.rejected ?? '',
  ].join();

/** Of the rest the cheapest, good or not: a cheaper one that was rejected is what one asks about first. */
function runnersUpOf(
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
function adviceOf(all: Candidate[]): string {
  const failed = LIMITS.filter((l) => all.some((c) => c.fails === l));
  const [only] = failed;
  if (only && failed.length === 1) return `In every plan ${FAILED[only]}: ${LIFTS_IT[only]}.`;
  if (failed.includes('rating') && failed.includes('seam'))
    return `Fast or high, ${FAILED.rating}; slow or in many lifts, ${FAILED.seam}. Forms that hold more, a retarder, or a split at a planned bulkhead open a way between.`;
  return `${failed.map((l) => FAILED[l]).join(', or ')}: ${failed.map((l) => LIFTS_IT[l]).join('; ')}.`;
}

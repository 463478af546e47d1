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
}
/** What things cost, in the site's money. */
export interface Prices {
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

export type Chosen = Pick<
  PourSettings,
  'startAt' | 'reverse' | 'lifts' | 'truckM3' | 'spacingMin' | 'firstLoadMin'
>;
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
  rejected: string | null;
}
export interface SearchResult {
  best: Candidate | null;
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

const KEYS = ['startAt', 'reverse', 'lifts', 'truckM3', 'spacingMin', 'firstLoadMin'] as const;
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
    const rejected =
      t.overRating > 0
        ? `the forms are over their rating on ${t.overRating} of ${n} mornings`
        : t.coldSeam > v.coldSeamShare * n * (1 + 1e-9)
          ? `a seam goes cold on ${t.coldSeam} of ${n} mornings`
          : inTheWay
            ? inTheWay.reason
            : null;
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
      rejected,
    };
  };
}

/** Good plans before rejected ones, cheap before dear; of two alike the one looked at first. */
const better = (a: Candidate, b: Candidate): boolean =>
  (a.rejected === null) !== (b.rejected === null) ? a.rejected === null : a.cost < b.cost - 1e-9;

/**
 * Looks for the plan that costs least: all of them when there are no more than `maxPlans`, else by walking from many
 * starts, one choice at a time, until as many have been looked at. The same seed looks at the same plans. Yields
 * progress, so that a caller can show it or stop; the last value is the result.
 */
export function* searchSequences(v: SearchInput): Generator<SearchProgress, SearchResult> {
  const own: Chosen = {
    startAt: v.pour.settings.startAt,
    reverse: v.pour.settings.reverse,
    lifts: v.pour.settings.lifts,
    truckM3: v.pour.settings.truckM3,
    spacingMin: v.pour.settings.spacingMin,
    firstLoadMin: v.pour.settings.firstLoadMin,
  };
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
  const all = [...seen.values()].sort((a, b) => (better(a, b) ? -1 : better(b, a) ? 1 : 0));
  // Of the rest the cheapest, good or not: a cheaper one that was rejected is what one asks about first.
  const rest = all
    .filter((c) => c !== top)
    .sort((a, b) => a.cost - b.cost)
    .slice(0, v.runnersUp);
  const chosenBest = top !== null && top.rejected === null ? top : null;
  const runnersUp = rest.map((c) => ({
    ...c,
    rejected:
      c.rejected ??
      (chosenBest
        ? c.cost - chosenBest.cost < 0.5
          ? 'costs the same, and was looked at later'
          : `costs ${Math.round(c.cost - chosenBest.cost)} more`
        : null),
  }));
  yield { done: seen.size, of, best: chosenBest };
  return {
    best: chosenBest,
    runnersUp,
    examined: seen.size,
    possible,
    enumerated: possible <= v.maxPlans,
  };
}

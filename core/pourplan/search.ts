import type { PourSettings } from '#core/model';
import { mersenne } from 'pure-rand/generator/mersenne';
import { takeOff } from '#core/takeoff';
import { orderFor, rehearse } from './plan.ts';
import { quantilesOf } from './quantiles.ts';
import { routeOf } from './route.ts';
import { adviceOf, runnersUpOf } from './search-answer.ts';
import type {
  Candidate,
  Chosen,
  Limit,
  SearchInput,
  SearchProgress,
  SearchResult,
} from './search-types.ts';
import { trialsOf } from './trials.ts';
import type { Tally } from './trials-types.ts';

const KEYS = [
  'startAt',
  'reverse',
  'lifts',
  'truckM3',
  'spacingMin',
  'firstLoadMin',
  'placingRateM3PerH',
  'liftWaitMin',
  'conveyance',
  'way',
] as const;
/** One of each of them. */
type Choice = Omit<Chosen, 'leftBehindM3'> & { way?: Partial<PourSettings> };
/** Report this often, so that a screen can show it and a caller can stop. */
const REPORT_EVERY = 10;

/** The first limit a plan does not keep, and how. */
function firstFailing(
  v: SearchInput,
  t: Tally,
  inTheWay: SearchInput['noGo'][number] | undefined,
): [Limit, string] | [null, null] {
  const n = v.trials;
  if (t.overRating > 0)
    return ['rating', `the forms are over their rating on ${t.overRating} of ${n} mornings`];
  if (t.coldSeam > v.coldSeamShare * n * (1 + 1e-9))
    return ['seam', `a seam goes cold on ${t.coldSeam} of ${n} mornings`];
  return inTheWay ? ['hours', inTheWay.reason] : [null, null];
}

/**
 * What a choice comes to with what conveys it: no faster than that gives, with what stays in it;
 * and what its hire costs.
 */
function conveyed(v: SearchInput, { way, ...choice }: Choice) {
  const own = v.pour.settings;
  const by = v.conveyances?.find((c) => c.id === choice.conveyance);
  const chosen: Chosen = {
    ...choice,
    ...way,
    leftBehindM3: by && by.id !== own.conveyance ? by.staysInM3 : own.leftBehindM3,
    placingRateM3PerH: Math.min(choice.placingRateM3PerH, by?.rateM3PerH ?? Infinity),
  };
  return { chosen, hire: by?.hire ?? 0 };
}

/** Everything that does not depend on the choice is worked out once. */
function evaluator(v: SearchInput): (choice: Choice) => Candidate {
  const takeoff = takeOff(v.site);
  const neat = routeOf(v.site, v.pour, takeoff).volumeM3;
  const orderedM3 =
    v.pour.settings.orderM3 ?? orderFor(neat, v.site, v.pour, v.plant).result.orderM3;
  const { costs } = v.pour.settings;
  const finish = new Float64Array(v.trials);
  return (choice) => {
    const { chosen, hire } = conveyed(v, choice);
    const pour = { ...v.pour, settings: { ...v.pour.settings, ...chosen } };
    const { simulation: rehearsed } = rehearse(
      routeOf(v.site, pour, takeoff),
      orderedM3,
      pour,
      v.mix,
      v.plant,
      v.duskMin,
      v.trials,
    );
    const { pressureBy: _byRise, ...byHead } = rehearsed;
    const t = trialsOf(v.pressureBy === 'rise' ? rehearsed : byHead).run(v.trials, v.seed, finish);
    const n = v.trials;
    const [finishP50Min, finishP90Min] = quantilesOf(finish, [0.5, 0.9]) as [number, number];
    const crewMin = t.finishSum / n - chosen.firstLoadMin;
    const cost =
      hire +
      v.prices.crewPerMin * crewMin +
      (costs.shortFixed * t.short +
        costs.shortPerM3 * t.shortSum +
        (costs.costPerM3 + costs.disposalPerM3) * t.leftOverSum +
        v.prices.oldLoad * t.overAge +
        v.prices.afterDusk * t.afterDusk) /
        n;
    const inTheWay = v.noGo.find((g) => g.fromMin < finishP90Min && g.toMin > chosen.firstLoadMin);
    const [fails, rejected] = firstFailing(v, t, inTheWay);
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

/** Good plans before rejected ones, cheap before dear; of two alike the one looked at first. */
const better = (a: Candidate, b: Candidate): boolean =>
  (a.rejected === null) !== (b.rejected === null) ? a.rejected === null : a.cost < b.cost - 1e-9;

/** What may be chosen, a list for each key; what is not given stays as the pour has it. */
class PlanSpace {
  readonly lists: unknown[][];
  readonly possible: number;
  constructor(v: SearchInput) {
    const own = v.pour.settings;
    this.lists = KEYS.map((k) => {
      const may: unknown[] = v.choices[k] ?? [];
      if (may.length) return [...new Set(may)];
      return [k === 'way' ? undefined : own[k]];
    });
    this.possible = this.lists.reduce((n, l) => n * l.length, 1);
  }
  at(index: number[]): Choice {
    return Object.fromEntries(
      KEYS.map((k, i) => [k, (this.lists[i] as unknown[])[index[i] as number]]),
    ) as unknown as Choice;
  }
  /** The n-th of all there are. */
  nth(n: number): number[] {
    let rest = n;
    return this.lists.map((l) => {
      const k = rest % l.length;
      rest = Math.floor(rest / l.length);
      return k;
    });
  }
}

/** Plans that were looked at, each once. */
class Looked {
  readonly seen = new Map<string, Candidate>();
  best: Candidate | null = null;
  readonly #space: PlanSpace;
  readonly #work: (choice: Choice) => Candidate;
  constructor(v: SearchInput, space: PlanSpace) {
    this.#space = space;
    this.#work = evaluator(v);
  }
  at(index: number[]): Candidate {
    const key = index.join();
    const known = this.seen.get(key);
    if (known) return known;
    const found = this.#work(this.#space.at(index));
    this.seen.set(key, found);
    if (this.best === null || better(found, this.best)) this.best = found;
    return found;
  }
  /** True when it is time to report. */
  get due(): boolean {
    return this.seen.size % REPORT_EVERY === 0;
  }
}

/** Walks from many starts, one choice at a time, until as many plans have been looked at. */
function* walk(v: SearchInput, { lists }: PlanSpace, looked: Looked): Generator<void> {
  const rng = mersenne(v.seed);
  const draw = (n: number) => (rng.next() >>> 0) % n;
  const { seen } = looked;
  while (seen.size < v.maxPlans) {
    let here = lists.map((l) => draw(l.length));
    let stands = looked.at(here);
    for (let moved = true; moved && seen.size < v.maxPlans;) {
      moved = false;
      for (let d = 0; d < lists.length && seen.size < v.maxPlans; d += 1) {
        for (let k = 0; k < (lists[d] as unknown[]).length && seen.size < v.maxPlans; k += 1) {
          const next = here.map((x, i) => (i === d ? k : x));
          const found = looked.at(next);
          if (better(found, stands)) {
            here = next;
            stands = found;
            moved = true;
          }
          if (looked.due) yield;
        }
      }
    }
  }
}

/**
 * Looks for the plan that costs least: all of them when there are no more than `maxPlans`, else by walking from many
 * starts, one choice at a time, until as many have been looked at. The same seed looks at the same plans. Yields
 * progress, so that a caller can show it or stop; the last value is the result.
 */
export function* searchSequences(v: SearchInput): Generator<SearchProgress, SearchResult> {
  const space = new PlanSpace(v);
  const { possible } = space;
  const of = Math.min(possible, v.maxPlans);
  const looked = new Looked(v, space);
  const progress = (): SearchProgress => ({ done: looked.seen.size, of, best: looked.best });
  if (possible <= v.maxPlans) {
    for (let i = 0; i < possible; i += 1) {
      looked.at(space.nth(i));
      if (looked.due) yield progress();
    }
  } else for (const _ of walk(v, space, looked)) yield progress();
  const top = looked.best;
  const all = [...looked.seen.values()].sort((a, b) => Number(better(b, a)) - Number(better(a, b)));
  const best = top !== null && top.rejected === null ? top : null;
  yield { ...progress(), best };
  return {
    best,
    advice: best ? null : adviceOf(all),
    runnersUp: runnersUpOf(all, top, best, v.runnersUp, v.site.currency),
    examined: looked.seen.size,
    possible,
    enumerated: possible <= v.maxPlans,
  };
}

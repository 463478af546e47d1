import { describe, expect, test } from '@jest/globals';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { conveyanceSchema } from '../model/resources.ts';
import { demoPour } from '../testdata/demo.ts';
import { planPour } from './plan.ts';
import { searchSequences } from './search.ts';
import { type Choices, type SearchInput, type SearchResult } from './search-types.ts';
import { sequenceSearch } from './sequence-search.ts';
import { trialsOf } from './trials.ts';

const none: Choices = {
  startAt: [],
  reverse: [],
  lifts: [],
  truckM3: [],
  spacingMin: [],
  firstLoadMin: [],
  placingRateM3PerH: [],
  conveyance: [],
  liftWaitMin: [],
};
const input = (choices: Partial<Choices>, more: Partial<SearchInput> = {}): SearchInput => ({
  ...demoPour('quillback', 'P2'),
  duskMin: 1190,
  choices: { ...none, ...choices },
  prices: { crewPerMin: 5, oldLoad: 400, afterDusk: 300 },
  noGo: [],
  coldSeamShare: 0.02,
  trials: 60,
  seed: 3,
  maxPlans: 1000,
  runnersUp: 6,
  pressureBy: 'rise',
  ...more,
});
function run(v: SearchInput): { result: SearchResult; reports: number } {
  const g = searchSequences(v);
  let reports = 0;
  for (;;) {
    const s = g.next();
    if (s.done) return { result: s.value, reports };
    reports += 1;
  }
}

/** One plan by the long way: planned as the Plan screen does, its mornings drawn, its costs summed by hand. */
function byHand(v: SearchInput, change: object): { cost: number; good: boolean } {
  const pour = { ...v.pour, settings: { ...v.pour.settings, ...change } };
  const plan = planPour(v.site, pour, v.mix, v.plant, v.duskMin);
  const t = trialsOf(plan.simulation).run(v.trials, v.seed);
  const c = pour.settings.costs;
  const perMorning = (x: number) => x / v.trials;
  const cost =
    5 * (perMorning(t.finishSum) - pour.settings.firstLoadMin) +
    c.shortFixed * perMorning(t.short) +
    c.shortPerM3 * perMorning(t.shortSum) +
    (c.costPerM3 + c.disposalPerM3) * perMorning(t.leftOverSum) +
    400 * perMorning(t.overAge) +
    300 * perMorning(t.afterDusk);
  return { cost, good: t.overRating === 0 && t.coldSeam <= v.coldSeamShare * v.trials };
}

describe('search for the sequence', () => {
  test('finds the optimum of every plan there is', () => {
    const v = input(
      { startAt: [0, 2], reverse: [false, true], lifts: [2, 3], spacingMin: [null, 25] },
      { coldSeamShare: 0.15 },
    );
    const { result } = run(v);
    expect(result).toMatchObject({ examined: 16, possible: 16, enumerated: true });
    const all = [0, 2].flatMap((startAt) =>
      [false, true].flatMap((reverse) =>
        [2, 3].flatMap((lifts) =>
          [null, 25].map((spacingMin) => byHand(v, { startAt, reverse, lifts, spacingMin })),
        ),
      ),
    );
    const good = all.filter((p) => p.good).map((p) => p.cost);
    expect(good.length).toBeGreaterThan(0);
    expect(result.best?.cost).toBeCloseTo(Math.min(...good), 6);
  });
  test('walks to the same optimum when it may look at fewer plans than there are', () => {
    const choices = {
      startAt: [0, 1, 2, 3, 4, 5],
      reverse: [false, true],
      lifts: [1, 2, 3, 4],
      firstLoadMin: [420, 450, 480],
    };
    const all = run(input(choices, { maxPlans: 500 })).result;
    const some = run(input(choices, { maxPlans: 90 })).result;
    expect(all.enumerated).toBe(true);
    expect(some).toMatchObject({ enumerated: false, examined: 90 });
    expect(some.best?.cost).toBeCloseTo(all.best?.cost ?? NaN, 6);
  });
  test('what it takes keeps to the limits; what it leaves says why', () => {
    const { result } = run(input({ startAt: [0, 1, 2, 3], lifts: [1, 2, 3, 4] }));
    expect(result.best?.coldSeam).toBeLessThanOrEqual(0.02);
    expect(result.best?.overRating).toBe(0);
    for (const r of result.runnersUp) {
      expect(r.rejected).not.toBeNull();
      if (r.cost < (result.best?.cost ?? 0) - 1e-9) expect(r.rejected).toMatch(/cold|rating/);
    }
  });
  test('rain at a known hour moves the pour before it', () => {
    const noGo = [{ fromMin: 600, toMin: 900, reason: 'rain from 10:00' }];
    const late = run(
      input(
        { firstLoadMin: [360, 540], lifts: [3] },
        { noGo, coldSeamShare: 1, prices: { crewPerMin: 5, oldLoad: 0, afterDusk: 0 } },
      ),
    ).result;
    expect(late.best?.chosen.firstLoadMin ?? 360).toBe(360);
    expect(
      [...late.runnersUp, ...(late.best ? [late.best] : [])].find(
        (c) => c.chosen.firstLoadMin === 540,
      )?.rejected,
    ).toBe('rain from 10:00');
  });
  test('reports as it goes, and the same seed looks at the same plans', () => {
    const v = input({ startAt: [0, 1, 2, 3], lifts: [1, 2, 3], firstLoadMin: [420, 450, 480] });
    const a = run(v);
    expect(a.reports).toBeGreaterThanOrEqual(3);
    expect(run(v).result).toEqual(a.result);
  });
  test('from the register: bad choices are told where they stand', () => {
    const { site, pour, mix, plant } = demoPour('quillback', 'P2');
    expect(() =>
      resultOf(sequenceSearch, {
        site,
        pour,
        mix,
        plant,
        duskMin: 1190,
        choices: { startAt: [99] },
      }),
    ).toThrow(/choices.startAt.0 is past the last run/);
    const out = evaluate(sequenceSearch, {
      site,
      pour,
      mix,
      plant,
      duskMin: 1190,
      choices: { lifts: [1, 3] },
      trials: 20,
    });
    expect(out.result.examined).toBe(2);
    expect(out.steps[0]?.symbol).toBe('plans');
  });
});

describe('when no plan keeps to the limits', () => {
  test('over rating: a wait between lifts is found, or a slower rate, where these may vary', () => {
    // Nine feet in three lifts at 78 yd³ an hour rise too fast for 48 kPa anywhere on the ring.
    const pour = { ...demoPour('quillback', 'P2').pour };
    const quick = { ...pour, settings: { ...pour.settings, placingRateM3PerH: 60 } };
    const more = { pour: quick, coldSeamShare: 1 };
    const fixed = run(input({ lifts: [2, 3], spacingMin: [5] }, more)).result;
    expect(fixed.best).toBeNull();
    expect(fixed.advice).toMatch(
      /^In every plan the forms would be over their rating: place slower/,
    );
    expect(fixed.advice).not.toMatch(/closer together/);
    const choices = { lifts: [3], spacingMin: [5], placingRateM3PerH: [60], liftWaitMin: [0, 60] };
    const waits = run(input(choices, more)).result;
    expect(waits.best).toMatchObject({ chosen: { liftWaitMin: 60 }, overRating: 0 });
    const slower = { lifts: [3], placingRateM3PerH: [12, 60] };
    const free = run(input(slower, { pour: quick, coldSeamShare: 1 })).result;
    expect(free.best).toMatchObject({ chosen: { placingRateM3PerH: 12 }, overRating: 0 });
    expect(free.advice).toBeNull();
  });
  test('between rating and seams it names both', () => {
    const pour = { ...demoPour('quillback', 'P2').pour };
    const weak = { ...pour, settings: { ...pour.settings, ratingKPa: 44 } };
    const choices = {
      lifts: [3],
      spacingMin: [5],
      placingRateM3PerH: [60],
      liftWaitMin: [0, 90],
    };
    const { result } = run(input(choices, { pour: weak, coldSeamShare: 0 }));
    expect(result.best).toBeNull();
    expect(result.advice).toMatch(/over their rating.*go cold.*retarder/);
  });
  test('plans that come out alike are one', () => {
    const same = run(input({ reverse: [false, true], lifts: [3] }, { trials: 20 })).result;
    const twice = run(
      input({ reverse: [false, true, true], lifts: [3, 3] }, { trials: 20 }),
    ).result;
    expect(twice.runnersUp).toEqual(same.runnersUp);
    const outcomes = same.runnersUp.map((c) => `${Math.round(c.cost)} ${c.rejected}`);
    expect(new Set(outcomes).size).toBe(outcomes.length);
  });

  test('a conveyance that is slower but dear to hire is weighed with its rate and its hire', () => {
    const conveyances = [
      { id: 'slow', rateM3PerH: 8, staysInM3: 0, hire: 0 },
      { id: 'fast', rateM3PerH: 60, staysInM3: 0.3, hire: 100_000 },
    ].map((c) => conveyanceSchema.parse({ ...c, label: c.id, kind: 'boom', reachM: 40 }));
    const { result } = run(input({ conveyance: ['slow', 'fast'] }, { conveyances }));
    const all = [result.best, ...result.runnersUp].flatMap((c) => c ?? []);
    const fast = all.find((c) => c.chosen.conveyance === 'fast');
    const slow = all.find((c) => c.chosen.conveyance === 'slow');
    expect(slow?.chosen.placingRateM3PerH).toBe(8);
    expect(fast?.chosen.leftBehindM3).toBe(0.3);
    expect((fast?.cost ?? 0) - (slow?.cost ?? 0)).toBeGreaterThan(90_000);
  });
});

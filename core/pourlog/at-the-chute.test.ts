import { describe, expect, test } from '@jest/globals';
import { replay } from '../log/state.ts';
import { mixSchema, ruledMix } from '../model/mix.ts';
import { rulesOf } from '../rules/rules.ts';
import { demoPour } from '../testdata/demo.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { midnightMs } from '../weather/local-date.ts';
import { viewOf } from '../view/pour-view.ts';
import { loadsOf } from './loads.ts';
import { samplesOf } from './samples.ts';
import { judgeSlump } from './slump.ts';
import { waterFor } from './water.ts';

/** Limits of a load as the standards have them: on the limit it is taken, past it not. */
const us = demoPour('quillback', 'P2');
const en = demoPour('kestrel', 'K2');
const { entry, ms } = entriesFrom(midnightMs('2026-09-23', us.site.timeZone), 'T. Oakes');
/** P2 as a record. */
const record = {
  site: { ...us.site, mixes: [mixSchema.parse(us.mix)], plants: [us.plant] },
  pour: us.pour,
  duskMin: 1190,
};
const arrived = (concreteTempC = 20) =>
  entry(
    'load-arrived',
    {
      loadId: 'L1',
      ticket: '1',
      volumeM3: 6,
      batchedAt: new Date(ms(440)).toISOString(),
      concreteTempC,
    },
    450,
  );
const slump = (measuredMm: number) =>
  entry('slump', { loadId: 'L1', measuredMm, where: 'truck' }, 452);
const air = (airRatio: number) =>
  entry('fresh-test', { loadId: 'L1', airRatio, where: 'truck' }, 453);
const loadOf = ({ site, mix }: typeof us, log: object[]) => {
  const [load] = loadsOf(
    replay(log as never),
    [{ id: 'L1', volumeM3: 6 }],
    mix,
    site.ruleProfile,
    ms(455),
  );
  if (!load) throw new Error('no load');
  return load;
};
const withMix = (d: typeof us, more: object): typeof us => {
  const record = mixSchema.parse({ ...d.mix, ...more });
  return { ...d, mix: ruledMix(record, rulesOf(d.site)) };
};

describe('air', () => {
  test.each([
    ['us', us, 0.015, 0.015],
    ['en', en, 0.005, 0.04],
  ] as const)('%s: less and more by so much, and no more', (_, d, less, more) => {
    const job = withMix(d, { airRatio: 0.05 });
    const at = (ratio: number) =>
      loadOf(job, [arrived(), slump(job.mix.slumpMm), air(ratio)]).advice;
    expect([at(0.05 - less), at(0.05 + more)]).toEqual(['accept', 'accept']);
    expect([at(0.05 - less - 0.001), at(0.05 + more + 0.001)]).toEqual(['airOff', 'airOff']);
  });
});

describe('cold', () => {
  test.each([
    ['plain', 5, -2, 5],
    ['plain', 4.9, -2, null],
    ['plain', 9.9, -3, 9.9],
    ['plain', 9.9, -3.1, null],
    ['plain', 10, -3.1, 10],
    ['highBlend', 9.9, 4.4, null],
    ['highBlend', 9.9, 4.5, 9.9],
  ] as const)('to EN %s cement at %d °C in air of %d °C', (cement, tempC, airTempC, takenC) => {
    const v = viewOf(
      {
        site: {
          ...en.site,
          mixes: [mixSchema.parse({ ...en.mix, cement })],
          plants: [en.plant],
        },
        pour: en.pour,
        duskMin: 1190,
      },
      replay([entry('weather', { airTempC, sky: 'clear' }, 400), arrived(tempC)]),
      ms(455),
    );
    const advice = v?.loads.find((l) => l.id === 'L1')?.advice;
    expect(advice === 'tooCold' ? null : tempC).toBe(takenC);
  });
  test('in cold air a load is held against its thinnest section; in warm air against the rule', () => {
    const advice = (tempC: number, airTempC: number) =>
      viewOf(
        record,
        replay([entry('weather', { airTempC, sky: 'clear' }, 400), arrived(tempC)]),
        ms(455),
      )?.loads.find((l) => l.id === 'L1')?.advice;
    // 10 in walls: 13 °C as placed.
    expect([advice(13, 4), advice(12.9, 4), advice(12.9, 4.5), advice(4.9, 4.5)]).toEqual([
      'slump',
      'tooCold',
      'slump',
      'tooCold',
    ]);
  });
});

describe('water', () => {
  const stiff = (d: typeof us) => {
    const job = withMix(d, { cementKgM3: 340, waterKgM3: 150, maxWcRatio: 0.5 });
    const load = loadOf(job, [arrived(), slump(job.mix.slumpMm - 60)]);
    return (mix = job.mix, placedM3 = 0) => waterFor(load, mix, job.site.ruleProfile, placedM3);
  };
  test('never goes in under EN, unless the producer answers for it', () => {
    expect(stiff(us)()?.result.addL).toBeGreaterThan(0);
    expect(stiff(en)()).toBeNull();
    expect(stiff(withMix(en, { siteWater: true }))()?.result.addL).toBeGreaterThan(0);
  });
  test('goes by the rules of the site: what it does, and until when', () => {
    const { mix } = withMix(us, { cementKgM3: 340, waterKgM3: 150, maxWcRatio: 0.5 });
    const water = stiff(us);
    const half = water({ ...mix, waterEffect: mix.waterEffect * 2 })?.result.neededL ?? 0;
    expect((water(mix)?.result.neededL ?? 0) / half).toBeCloseTo(2, 9);
    expect(water(mix, 0.3)?.result.addL).toBe(0);
    expect(water({ ...mix, waterUntilM3: 0.5 }, 0.3)?.result.addL).toBeGreaterThan(0);
  });
});

describe('slump', () => {
  test('a maximum is a maximum under EN too, and what goes in aims under it', () => {
    const { mix } = withMix(en, { slumpKind: 'maximum', slumpMm: 150 });
    const at = (mm: number) => judgeSlump(mix, 'metric-en', mm, 'truck');
    expect(at(150).result).toMatchObject({ verdict: 'accept', highMm: 150, lowMm: 120 });
    expect(at(151).result.verdict).toBe('high');
    expect(at(119).result.verdict).toBe('low');
    expect(at(150).aimMm).toBe(135);
  });
  test('at the hose it aims at the figure of the hose', () => {
    const { mix } = us;
    expect(judgeSlump(mix, 'us-aci', 100, 'hose').aimMm).toBeCloseTo(
      mix.slumpMm - mix.pumpLossMm,
      9,
    );
  });
});

test('every pour draws its loads, whatever it is called', () => {
  const v = viewOf(record, replay([]), ms(400));
  if (!v) throw new Error('no view');
  for (let n = 1; n <= 200; n += 1) {
    const code = `W${n}`;
    const samples = samplesOf({ ...us.pour, code }, v.rules, v.plan, replay([]), v.loads);
    expect([code, samples?.sets.length]).toEqual([code, 1]);
  }
});

test('tests by volume, by face and their waiver are the site’s', () => {
  const { site, pour } = us;
  const v = viewOf(record, replay([]), ms(400));
  if (!v) throw new Error('no view');
  const tests = (rules: [string, number][], testsWaived = false) => {
    const ruleChanges = rules.map(([rule, value]) => ({
      rule,
      value,
      by: 'A',
      at: '2026-09-22T10:00:00Z',
    }));
    const own = rulesOf({ ...site, ruleChanges } as never);
    return samplesOf({ ...pour, testsWaived }, own, v.plan, replay([]), v.loads)?.plan.result.tests;
  };
  expect([tests([]), tests([['testEveryM3', 10]]), tests([['testEveryM2', 30]])]).toEqual([
    1, 3, 4,
  ]);
  expect([tests([], true), tests([['testWaiver', 20]], true)]).toEqual([0, 1]);
});

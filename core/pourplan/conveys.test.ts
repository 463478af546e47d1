import { describe, expect, test } from '@jest/globals';
import { conveyanceSchema, mixSchema, ruledMix, type Mix } from '../model/index.ts';
import { rulesOf } from '../rules/index.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { conveyancesFor, takesMix } from './conveys.ts';
import { planPour } from './plan.ts';

const made = (over: object) =>
  conveyanceSchema.parse({
    id: 'c',
    label: 'C',
    kind: 'boom',
    reachM: 24,
    rateM3PerH: 40,
    ...over,
  });
// The walls of an L, 7 m and 5 m: from any side the far corner is some 8 to 15 m away.
const { site, pour, mix, plant } = job({ elements: ['WA', 'WB'], runs: L_RUNS });
const MIX = { mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 120 };
const mixOf = (over: object): Mix => ruledMix(mixSchema.parse({ ...MIX, ...over }), rulesOf(site));

describe('what a conveyance takes of a mix', () => {
  test('its stones and its slump, to the last millimetre', () => {
    const pump = made({ largestAggregateMm: 20, leastSlumpMm: 120 });
    expect(takesMix(pump, mixOf({ largestAggregateMm: 20 }))).toEqual({
      aggregate: true,
      slump: true,
    });
    expect(takesMix(pump, mixOf({ largestAggregateMm: 32, slumpMm: 119 }))).toEqual({
      aggregate: false,
      slump: false,
    });
  });
  test('where either is not told nothing is said of it', () => {
    expect(takesMix(made({}), mixOf({ largestAggregateMm: 32 }))).toEqual({
      aggregate: null,
      slump: null,
    });
    expect(takesMix(made({ largestAggregateMm: 16 }), mixOf({})).aggregate).toBeNull();
  });
});

describe('the conveyances that can do a pour', () => {
  const able = (conveyances: ReturnType<typeof made>[], over: Partial<Mix> = {}) =>
    conveyancesFor(
      { ...site, conveyances },
      planPour(site, pour, mix, plant, 1100),
      { ...mix, ...over },
      rulesOf(site),
    ).map((c) => c.id);

  test('reach all of it from one side', () => {
    const [long, short] = [made({ id: 'long', reachM: 30 }), made({ id: 'short', reachM: 6 })];
    expect(able([short, long])).toEqual(['long']);
  });
  test('take its mix', () => {
    const fine = made({ id: 'fine', reachM: 30, largestAggregateMm: 12 });
    expect(able([fine], { largestAggregateMm: 8 })).toEqual(['fine']);
    expect(able([fine], { largestAggregateMm: 20 })).toEqual([]);
    const wet = made({ id: 'wet', reachM: 30, leastSlumpMm: 200 });
    expect(able([wet])).toEqual([]);
  });
  test('on a site that has none there are none', () => {
    expect(able([])).toEqual([]);
  });
});

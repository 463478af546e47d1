import { describe, expect, test } from '@jest/globals';
import { strengthAtMPa } from '../concrete/strength-forecast.ts';
import { replay } from '../log/state.ts';
import { mixSchema, ruledMix } from '../model/mix.ts';
import { rulesOf } from '../rules/rules.ts';
import { entriesFrom } from '../testdata/entries.ts';
import { job } from '../testdata/jobs.ts';
import { acceptanceOf } from './acceptance.ts';
import { curingOf, type CuringInput } from './curing.ts';
import { stripWords } from './strip.ts';

const START = Date.parse('2026-10-07T10:00:00Z');
const DAY_MIN = 1440;
const { entry } = entriesFrom(START, 'I. Brandvold');
const mixOf = (record: object, profile: 'us-aci' | 'metric-en') => {
  const { site } = job({ elements: ['WA'], ruleProfile: profile });
  const mix = mixSchema.parse({ mark: 'M', label: 'own', fcMPa: 30, slumpMm: 100, ...record });
  return ruledMix(mix, rulesOf(site));
};
const US = mixOf({ fcMPa: 20.7, label: '3000 psi' }, 'us-aci');
/** A class whose mix is ordered by its cubes: 37, of cylinders 30. */
const EN = mixOf({ fcMPa: 37, label: 'C30/37 S3' }, 'metric-en');
const broke = (ageDays: number, strengthMPa: number, more: object = {}) =>
  entry('break-test', { ageDays, strengthMPa, ...more }, ageDays * DAY_MIN + 60);

const cured = (mix: CuringInput['mix'], log: CuringInput['state'], days: number) => {
  const made = job({
    elements: ['WA'],
    ruleProfile: mix === US ? 'us-aci' : 'metric-en',
    pour: { stripping: { stripMPa: 5, floorH: 12, expectedTempC: 20 } },
  });
  const found = curingOf({
    site: made.site,
    pour: made.pour,
    mix,
    state: log,
    finishedMs: START,
    placedC: 20,
    nowMs: START + days * 86_400_000,
    air: [],
  });
  if (!found) throw new Error('no curing');
  return found;
};

describe('tests rule over the curve', () => {
  test('the curve is that of cylinders: C30/37 comes to 30, not 37', () => {
    expect(cured(EN, replay([]), 60).curve.at(-1)?.strengthMPa).toBeLessThan(36);
    expect(cured(EN, replay([]), 28).strengthMPa / 30).toBeCloseTo(
      cured(US, replay([]), 28).strengthMPa / 20.7,
      6,
    );
  });

  test('a cylinder that broke under what is needed forbids what the curve allows', () => {
    const day = 2;
    expect(cured(US, replay([]), day + 0.2).strip).not.toBe('no');
    const low = cured(US, replay([broke(day, 2.1)]), day + 0.2);
    expect(low.strip).toBe('no');
    // 2.1 of what a cylinder kept by the laboratory has at two days.
    expect(low.broken?.share).toBeCloseTo(2.1 / strengthAtMPa(20.7, 'I', day), 9);
    expect(low.strengthMPa).toBeLessThan(5);
    const words = stripWords(low, () => 'Fri 10:00', ['WA'], 'metric');
    expect(words.sentence).toMatch(/A test of 2 days broke at 2\.1 MPa/);
  });

  test('the next that is good lifts it again; one that is better than the curve lifts nothing', () => {
    const two = replay([broke(2, 2.1), broke(3, strengthAtMPa(20.7, 'I', 3) * 1.3)]);
    expect(cured(US, two, 3.2).broken).toBeNull();
    expect(cured(US, two, 3.2).strengthMPa).toBeCloseTo(cured(US, replay([]), 3.2).strengthMPa, 9);
  });

  test('what was kept on the site is held against the site’s own curve; a test to come says nothing yet', () => {
    const site = cured(US, replay([broke(2, 3, { cured: 'site' })]), 2.2);
    expect(site.broken?.reckonedMPa).toBeCloseTo(cured(US, replay([]), 2).strengthMPa, 1);
    expect(cured(US, replay([broke(7, 1)]), 3).broken).toBeNull();
  });
});

describe('acceptance at 28 days', () => {
  const judge = (mix: typeof US, profile: 'us-aci' | 'metric-en', ...list: [number, object?][]) =>
    acceptanceOf(mix, profile, replay(list.map(([mpa, more]) => broke(28, mpa, more))));

  test('a cube of 22 is no C30/37: a single one may be 33; 33 passes alone, 32.9 does not', () => {
    expect(judge(EN, 'metric-en', [22])).toMatchObject({ ok: false, leastMPa: 33, lowestMPa: 22 });
    expect(judge(EN, 'metric-en', [33])?.ok).toBe(true);
    expect(judge(EN, 'metric-en', [32.9])?.ok).toBe(false);
    // As cylinders the same class is 30, and a single one may be 26.
    expect(judge(EN, 'metric-en', [26, { specimen: 'cylinder' }])).toMatchObject({
      ok: true,
      leastMPa: 26,
    });
  });

  test('by EN the mean of two is over the class by one, of five by two', () => {
    expect(judge(EN, 'metric-en', [38], [38])?.ok).toBe(true);
    expect(judge(EN, 'metric-en', [37.9], [38])?.shortMean).toEqual({
      meanMPa: 37.95,
      wantedMPa: 38,
    });
    const five = [38, 38, 38, 38, 38].map((x): [number] => [x]);
    expect(judge(EN, 'metric-en', ...five)?.ok).toBe(false);
  });

  test('by ACI each test within 3.45 MPa, every three in a row the class; before 28 days there is none', () => {
    expect(judge(US, 'us-aci', [17.25])?.ok).toBe(true);
    expect(judge(US, 'us-aci', [17.2])?.ok).toBe(false);
    expect(judge(US, 'us-aci', [20], [20], [20])?.shortMean?.wantedMPa).toBe(20.7);
    expect(acceptanceOf(US, 'us-aci', replay([broke(7, 5)]))).toBeNull();
  });
});

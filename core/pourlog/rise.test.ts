import { describe, expect, test } from '@jest/globals';
import { routeOf } from '../pourplan/route.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import type { ActualPlacement } from './placements.ts';
import { riseAt } from './rise.ts';

/** A wall of two lifts, first placed from 8:00 to 8:20. */
const made = (settings = {}) =>
  job({ elements: ['WA'], runs: L_RUNS, settings: { lifts: 2, ...settings } });
const first: ActualPlacement = {
  elementId: 'WA',
  lift: 0,
  loadId: null,
  fromMs: 0,
  toMs: 20 * 60_000,
  open: false,
  fromRatio: 0,
  toRatio: 1,
};
const rise = (atMin: number, now: { rating: number; stiffenMin: number; ratio?: number }) => {
  const { site, pour, mix } = made({ ratingKPa: now.rating });
  return riseAt(
    { ...site, ruleProfile: 'us-aci' },
    pour,
    mix,
    routeOf(site, pour),
    { reached: [first], stiffenMin: now.stiffenMin, concreteTempC: 20 },
    { elementId: 'WA', lift: 1, ratio: now.ratio ?? 0 },
    atMin * 60_000,
  );
};
const heightM = made().site.runs.find((r) => r.id === 'WA');
const wallM = (heightM?.topM ?? 0) - (heightM?.bottomM ?? 0);

describe('rate of rise at the hose', () => {
  test('is the height of the fresh lifts over the time since the lower one was placed there', () => {
    const r = rise(30, { rating: 40, stiffenMin: 300 });
    expect(r?.riseMPerH).toBeCloseTo(wallM / 0.5, 9);
    // Half way along, the lower lift is ten minutes younger.
    const middle = rise(30, { rating: 40, stiffenMin: 300, ratio: 0.5 });
    expect(middle?.riseMPerH).toBeCloseTo(wallM / (20 / 60), 9);
  });

  test('waits until it is as slow as the forms take, by ACI 347R at 68 °F worked out by hand', () => {
    // p = 150 + 9000·R/T psf: R = (40 kPa/0.0478803 − 150)·68/9000 ft/h.
    const allowed = ((40 / 0.0478802589804 - 150) * 68 * 0.3048) / 9000;
    const r = rise(30, { rating: 40, stiffenMin: 300 });
    expect(r?.allowedMPerH).toBeCloseTo(allowed, 4);
    expect(r?.waitMin).toBeCloseTo((wallM / allowed) * 60 - 30, 2);
  });

  test('or until what is under it has stiffened, whichever is sooner; after that it is no longer counted', () => {
    expect(rise(30, { rating: 40, stiffenMin: 45 })?.waitMin).toBeCloseTo(15, 6);
    expect(rise(45, { rating: 40, stiffenMin: 45 })).toBeNull();
  });

  test('forms that take the full head set no limit', () => {
    expect(rise(1, { rating: 200, stiffenMin: 300 })).toBeNull();
  });
});

import { describe, expect, test } from '@jest/globals';
import { routeOf } from '../pourplan/route.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import type { WarmPlacement } from './placements.ts';
import { riseAt } from './rise.ts';

/** A wall of 7 m and 2.4 m in two lifts, the first placed from 8:00 to 8:20; the second goes at 42 m³ an hour. */
const made = (settings = {}) =>
  job({
    elements: ['WA'],
    runs: L_RUNS,
    ruleProfile: 'us-aci',
    settings: { lifts: 2, placingRateM3PerH: 42, ...settings },
  });
const first = (tempC: number): WarmPlacement => ({
  elementId: 'WA',
  lift: 0,
  loadId: null,
  fromMs: 0,
  toMs: 20 * 60_000,
  open: false,
  fromRatio: 0,
  toRatio: 1,
  tempC,
});
const WALL_M = 2.4;
/** A cell of a third of the wall: 7 · 1.2 · 0.25 / 3 m³ at 42 m³ an hour is a minute. */
const CELL_MIN = 1;

function rise(
  atMin: number,
  now: { rating: number; ratio?: number; tempC?: number; lifts?: number },
) {
  const { site, pour, mix } = made({ ratingKPa: now.rating, lifts: now.lifts ?? 2 });
  return riseAt(
    pour,
    mix,
    routeOf(site, pour),
    { reached: [first(now.tempC ?? 20)], concreteTempC: 20 },
    { elementId: 'WA', lift: (now.lifts ?? 2) - 1, ratio: now.ratio ?? 0 },
    atMin * 60_000,
  );
}

describe('rate of rise at the hose', () => {
  test('is the height placed there over the time from its first concrete to the end of this lift', () => {
    const r = rise(30, { rating: 40 });
    expect(r?.riseMPerH).toBeCloseTo(WALL_M / ((30 + CELL_MIN) / 60), 9);
    // In the last third the lower lift is thirteen minutes younger.
    const last = rise(30, { rating: 40, ratio: 2 / 3 + 1e-6 });
    expect(last?.riseMPerH).toBeCloseTo(WALL_M / ((30 - 40 / 3 + CELL_MIN) / 60), 3);
  });

  test('waits until it is as slow as the forms take, by ACI 347R at 68 °F worked out by hand', () => {
    // p = 150 + 9000·R/T psf: R = (40 kPa/0.0478803 − 150)·68/9000 ft/h.
    const allowed = ((40 / 0.0478802589804 - 150) * 68 * 0.3048) / 9000;
    const r = rise(30, { rating: 40 });
    expect(r?.allowedMPerH).toBeCloseTo(allowed, 4);
    expect(r?.waitMin).toBeCloseTo((WALL_M / allowed) * 60 - 30 - CELL_MIN, 2);
  });

  test('that it has stiffened is no reason: 41 minutes apart are not two first lifts', () => {
    expect(rise(41, { rating: 40 })?.waitMin).toBeGreaterThan(0);
  });

  test('colder concrete under it lets it rise more slowly still, whatever comes now', () => {
    expect(rise(30, { rating: 40, tempC: 5 })?.allowedMPerH).toBeLessThan(
      rise(30, { rating: 40 })?.allowedMPerH ?? 0,
    );
  });

  test('a lift that is over the rating by its own head is not helped by waiting', () => {
    const { site, pour, mix } = made({ ratingKPa: 40, lifts: 1 });
    const now = { reached: [], concreteTempC: 20 };
    const face = { elementId: 'WA', lift: 0, ratio: 0 };
    const r = riseAt(pour, mix, routeOf(site, pour), now, face, 0);
    expect(r).toMatchObject({ allowedMPerH: 0, waitMin: Infinity });
  });

  test('forms that take the full head set no limit', () => {
    expect(rise(1, { rating: 200 })).toBeNull();
  });
});

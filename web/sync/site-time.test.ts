import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { SiteTime } from './site-time.ts';

describe('the site’s time on this device', () => {
  test('is the device’s until the server was heard, then the server’s', () => {
    const time = new SiteTime(null);
    expect(time.now(1000)).toBe(1000);
    time.heard(501_050, 1000, 1100);
    expect(time.now(2000)).toBe(502_000);
    expect(new SiteTime(time.known).now(2000)).toBe(502_000);
  });
  test('a slow answer does not shake it; the clock put forward moves it', () => {
    const time = new SiteTime(null);
    time.heard(501_050, 1000, 1100);
    // Two seconds on the way back: half way is 900 ms off, within what it can know.
    time.heard(502_100, 2000, 4000);
    expect(time.now(5000)).toBe(505_000);
    time.heard(502_100 + 600_000, 5000, 5100);
    expect(time.now(6000)).toBeCloseTo(6000 + 1_097_050, 6);
  });
  test('entries are stamped one after another, whatever answers come in between', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            wait: fc.integer({ min: 0, max: 40 }),
            there: fc.integer({ min: 0, max: 3000 }),
            back: fc.integer({ min: 0, max: 3000 }),
            jump: fc.integer({ min: 0, max: 2000 }),
          }),
          { minLength: 2, maxLength: 30 },
        ),
        (steps) => {
          const time = new SiteTime(null);
          let ms = 0;
          const stamps = steps.map((s) => {
            const sent = ms;
            time.heard(10_000 + sent + s.there - s.jump, sent, sent + s.there + s.back);
            ms += s.wait;
            return time.stamp(ms);
          });
          expect(stamps.every((at, i) => i === 0 || at > (stamps[i - 1] ?? 0))).toBe(true);
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });
  test('a clock put back by hours is believed', () => {
    const time = new SiteTime(null);
    time.heard(7_200_000, 0, 0);
    expect(time.stamp(10)).toBe(7_200_010);
    time.heard(20, 20, 20);
    expect(time.stamp(30)).toBe(30);
  });
});

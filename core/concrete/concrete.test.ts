import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dimensionVerdict } from '../check/dimension-verdict.ts';
import { resultOf } from '../kit/calculation.ts';
import { evaporation } from '../weather/evaporation.ts';
import { daylight } from '../weather/daylight.ts';
import { localDate, midnightMs } from '../weather/local-date.ts';
import { ageFactor, equivalentAgeH } from './equivalent-age.ts';
import { clockMin, jointWindow } from './joint-window.ts';
import { slumpVerdict } from './slump-verdict.ts';
import { strengthForecast } from './strength-forecast.ts';

const temp = () => fc.double({ min: 2, max: 45, noNaN: true });

describe('equivalent age', () => {
  test('at 20 °C an hour is an hour; warmer counts more', () => {
    expect(ageFactor(20, 5000)).toBe(1);
    fc.assert(
      fc.property(temp(), fc.double({ min: 0.1, max: 20, noNaN: true }), (t, more) => {
        expect(ageFactor(t + more, 5000)).toBeGreaterThan(ageFactor(t, 5000));
      }),
    );
  });

  test('a reading put between two that lie on one line at steady temperature changes nothing', () => {
    fc.assert(
      fc.property(temp(), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (t, share) => {
        const whole = equivalentAgeH(
          [
            { timeH: 0, tempC: t },
            { timeH: 48, tempC: t },
          ],
          5000,
        );
        const cut = equivalentAgeH(
          [
            { timeH: 0, tempC: t },
            { timeH: 48 * share, tempC: t },
            { timeH: 48, tempC: t },
          ],
          5000,
        );
        expect(cut).toBeCloseTo(whole, 9);
      }),
    );
  });
});

describe('strength by temperature', () => {
  const forecast = (tempC: number, hours: number, targetMPa = 10) =>
    resultOf(strengthForecast, {
      f28MPa: 28,
      cementType: 'I',
      tempHistory: [
        { timeH: 0, tempC },
        { timeH: hours, tempC },
      ],
      targetMPa,
    });

  test('28 days at 20 °C come to the strength ordered, within the formula’s own one in a hundred', () => {
    expect(forecast(20, 28 * 24).strengthMPa / 28).toBeGreaterThan(0.99);
    expect(forecast(20, 28 * 24).strengthMPa / 28).toBeLessThan(1.01);
  });

  test('the hour it names is the hour at which the strength is the target', () => {
    fc.assert(
      fc.property(temp(), fc.double({ min: 2, max: 20, noNaN: true }), (t, target) => {
        const at = forecast(t, 24, target).reachedAtH ?? 0;
        expect(forecast(t, at, target).strengthMPa).toBeCloseTo(target, 6);
      }),
    );
  });

  test('rapid cement is earlier, a target beyond the formula is never', () => {
    const history = [
      { timeH: 0, tempC: 20 },
      { timeH: 24, tempC: 20 },
    ];
    const at = (cementType: 'I' | 'III', targetMPa: number) =>
      resultOf(strengthForecast, { f28MPa: 28, cementType, tempHistory: history, targetMPa })
        .reachedAtH;
    expect(at('III', 10)).toBeLessThan(at('I', 10) ?? 0);
    expect(at('I', 33)).toBeNull();
    expect(() =>
      resultOf(strengthForecast, {
        f28MPa: 28,
        cementType: 'I',
        tempHistory: [
          { timeH: 3, tempC: 20 },
          { timeH: 3, tempC: 20 },
        ],
        targetMPa: 10,
      }),
    ).toThrow(/tempHistory\.1\.timeH is not after/);
  });
});

describe('the window of a seam', () => {
  test('a retarder stretches it, warmth shortens it, and it always opens before it shuts', () => {
    fc.assert(
      fc.property(
        temp(),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (concreteTempC, retarderFactor) => {
          const plain = resultOf(jointWindow, { concreteTempC });
          const slow = resultOf(jointWindow, { concreteTempC, retarderFactor });
          expect(plain.stiffenMin).toBeLessThan(plain.knitMin);
          expect(slow.knitMin).toBeCloseTo(plain.knitMin * retarderFactor, 2);
          expect(plain.knitMin).toBeCloseTo(clockMin(75, concreteTempC), 2);
        },
      ),
    );
  });

  test('needs a temperature, one way or the other', () => {
    expect(() => resultOf(jointWindow, {})).toThrow(/concreteTempC is missing/);
  });
});

describe('slump', () => {
  test('the margin is inside exactly when it is accepted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 250, noNaN: true }),
        fc.constantFrom('astm' as const, 'en' as const),
        fc.constantFrom('truck' as const, 'hose' as const),
        (targetMm, measuredMm, standard, at) => {
          const r = resultOf(slumpVerdict, { targetMm, kind: 'nominal', measuredMm, standard, at });
          expect(r.verdict === 'accept').toBe(r.marginMm >= -1e-7);
          expect(r.lowMm).toBeGreaterThanOrEqual(0);
          if (r.verdict === 'low') expect(measuredMm).toBeLessThan(r.lowMm);
        },
      ),
    );
  });

  test('EN 206 has no maximum slump', () => {
    expect(() =>
      resultOf(slumpVerdict, {
        targetMm: 100,
        kind: 'maximum',
        measuredMm: 90,
        standard: 'en',
        at: 'truck',
      }),
    ).toThrow(/kind EN 206 has no maximum/);
  });
});

describe('sizes and levels', () => {
  const judge = (readingsMm: number[], minusMm = 13, plusMm: number | null = 50) =>
    resultOf(dimensionVerdict, { wantedMm: 600, minusMm, plusMm, readingsMm });
  test.each([
    [[600], 'ok', 13],
    [[588], 'tight', 1],
    [[587], 'tight', 0],
    [[586], 'low', -1],
    [[645], 'tight', 5],
    [[651], 'high', -1],
    [[600, 586], 'low', -1],
  ] as const)('%j of 600 −13 +50 is %s, margin %d', (readings, verdict, margin) => {
    const r = judge([...readings]);
    expect(r.verdict).toBe(verdict);
    expect(r.marginMm).toBeCloseTo(margin, 9);
  });

  test('where more does no harm nothing is too much', () => {
    expect(judge([9999], 13, null)).toMatchObject({ verdict: 'ok', highMm: null });
  });
});

describe('weather and the day', () => {
  test('wind and warm concrete dry a face faster, damp air slower, never backwards', () => {
    const rate = (o: object) =>
      resultOf(evaporation, { concreteTempC: 25, airTempC: 25, humidity: 0.5, windKmH: 10, ...o })
        .rateKgM2H;
    expect(rate({ windKmH: 30 })).toBeGreaterThan(rate({}));
    expect(rate({ concreteTempC: 35 })).toBeGreaterThan(rate({}));
    expect(rate({ humidity: 0.9 })).toBeLessThan(rate({}));
    expect(rate({ concreteTempC: 5, airTempC: 35, humidity: 1 })).toBe(0);
  });

  test('the demo’s morning: 06:40 at the clinic is 13:40 at the creamery; dusk after sunset', () => {
    const ms = Date.parse('2026-09-23T11:40:00Z');
    expect((ms - midnightMs('2026-09-23', 'America/Chicago')) / 60_000).toBe(400);
    expect((ms - midnightMs('2026-09-23', 'Europe/Paris')) / 60_000).toBe(820);
    expect(localDate(Date.parse('2026-09-24T03:00:00Z'), 'America/Chicago')).toBe('2026-09-23');
    const day = daylight('2026-09-23', 'America/Chicago', 45.2, -92.6);
    expect(day.sunriseMin).toBeCloseTo(417, -1);
    expect(day.duskMin).toBeGreaterThan(day.sunsetMin ?? Infinity);
    // No dusk in a polar summer.
    expect(daylight('2026-06-21', 'Europe/Oslo', 75, 20).duskMin).toBeNull();
  });

  test('minutes of a day are those its clocks show, on the night they change too', () => {
    // Half past seven in the morning of the day the clocks go back is Central Standard Time.
    expect(midnightMs('2026-11-01', 'America/Chicago') + 450 * 60_000).toBe(
      Date.parse('2026-11-01T13:30:00Z'),
    );
    expect(midnightMs('2026-03-29', 'Europe/Paris') + 450 * 60_000).toBe(
      Date.parse('2026-03-29T05:30:00Z'),
    );
  });
});

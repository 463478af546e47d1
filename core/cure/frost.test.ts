import { describe, expect, test } from '@jest/globals';
import { equivalentAgeH } from '../concrete/equivalent-age.ts';
import { strengthForecast } from '../concrete/strength-forecast.ts';
import { resultOf } from '../kit/calculation.ts';
import { frostOf } from './frost.ts';
import { stripWords } from './strip.ts';

const line = (temps: number[]) => temps.map((tempC, timeH) => ({ timeH, tempC }));

describe('the clock of curing', () => {
  test('stands still below nought: an hour at −4 °C adds nothing, the registered age goes on', () => {
    const cold = line([20, 20, -4, -4, -4]);
    const warm = line([20, 20]);
    // From 20 to −4 the mean is 8 °C: that hour counts still.
    const hour = equivalentAgeH(line([20, -4]), 5000);
    expect(equivalentAgeH(cold, 5000, 0)).toBeCloseTo(equivalentAgeH(warm, 5000) + hour, 9);
    expect(equivalentAgeH(cold, 5000)).toBeGreaterThan(equivalentAgeH(cold, 5000, 0));
  });

  test('never comes to a strength while it stays frozen, and says no hour', () => {
    const forecast = (stopsBelowC?: number) =>
      resultOf(strengthForecast, {
        f28MPa: 30,
        cementType: 'I',
        targetMPa: 5,
        tempHistory: line([10, -4, -4, -4]),
        ...(stopsBelowC === undefined ? {} : { stopsBelowC }),
      });
    expect(forecast(0).reachedAtH).toBeNull();
    expect(forecast().reachedAtH).toBeGreaterThan(3);
  });
});

describe('frost', () => {
  const rising = (timeH: number) => timeH;
  test('before 3.45 MPa (5 by EN) asks the engineer; after it does not', () => {
    const froze = (hour: number) => line(Array.from({ length: 9 }, (_, h) => (h < hour ? 8 : -2)));
    expect(frostOf(froze(3), rising, 'us-aci')).toMatchObject({ what: 'frozen', atH: 3 });
    expect(frostOf(froze(4), rising, 'us-aci')).toBeNull();
    expect(frostOf(froze(4), rising, 'metric-en')).toMatchObject({ what: 'frozen', leastMPa: 5 });
    expect(frostOf(froze(5), rising, 'metric-en')).toBeNull();
  });
  test('close under 5 °C, while it is weak; not at 5, and not once it is strong', () => {
    const at = (tempC: number, hours: number) =>
      frostOf([{ timeH: hours, tempC }], rising, 'us-aci')?.what ?? null;
    expect([at(4.9, 2), at(5, 2), at(4.9, 4)]).toEqual(['close', null, null]);
  });
});

describe('words of frost', () => {
  const startMs = Date.parse('2026-11-20T18:00:00Z');
  const frost = { what: 'frozen', atH: 6, tempC: -1, strengthMPa: 1.2, leastMPa: 3.45 } as const;
  const said = (lastReadMs: number | null) =>
    stripWords(
      {
        strip: 'no',
        stripMs: null,
        stripped: [],
        measured: true,
        lastReadMs,
        assumedC: null,
        broken: null,
        frost,
        startMs,
      },
      (ms) => new Date(ms).toISOString().slice(11, 16),
      ['W'],
      'metric',
    );
  test('what was read cold froze; what nobody read may have', () => {
    expect(said(startMs + 7 * 3_600_000).sentence).toBe(
      'It froze 00:00 at 1.2 MPa, before it had 3.5 MPa: forms stay on, ask the engineer.',
    );
    expect(said(startMs + 3_600_000).sentence).toMatch(
      /^By the air it froze 00:00.*Read the concrete/,
    );
    expect(said(null).short).toBe('may have frozen');
  });
});

import { describe, expect, test } from '@jest/globals';
import { rulesOf } from '../rules/rules.ts';
import { protectionHours } from '../weather/protection.ts';
import { careTexts } from '../words/care.ts';
import { careOf, type CareCase } from './care.ts';

const startMs = Date.parse('2026-11-20T18:00:00Z');
const HOUR = 3_600_000;
/** A curve of a tenth of a MPa an hour, up to 30. */
const curve = Array.from({ length: 301 }, (_, h) => ({ timeH: h, strengthMPa: h / 10 }));
const rule = (id: string, value: number) => ({
  rule: id,
  value,
  by: 'A',
  at: '2026-11-01T10:00:00Z',
});
const care = (
  ruleProfile: 'us-aci' | 'metric-en',
  more: {
    readings?: { timeH: number; tempC: number }[];
    airC?: number;
    air?: [];
    leastM?: number;
    cementType?: 'I' | 'III';
    stripping?: object;
    ruleChanges?: object[];
  } = {},
) =>
  careOf({
    curing: { startMs, curve, readings: more.readings ?? [] },
    pour: { stripping: { stripMPa: 5, floorH: 24, expectedTempC: 10, ...more.stripping } },
    mix: { cementType: more.cementType ?? 'I', cylinderMPa: 30 },
    rules: rulesOf({ ruleProfile, ruleChanges: more.ruleChanges ?? [] } as never),
    leastDimensionM: more.leastM ?? 0.25,
    air: more.air ?? [
      { at: new Date(startMs + 5 * HOUR).toISOString(), airTempC: more.airC ?? 12 },
    ],
  } as unknown as CareCase);
const hoursOn = (ms: number | null | undefined) => (ms == null ? ms : (ms - startMs) / HOUR);

describe('protection', () => {
  test('is asked for in the cold alone: 4.4 °C is not, under it is', () => {
    expect(care('us-aci', { airC: 4.4 }).protect).toBeNull();
    expect(hoursOn(care('us-aci', { airC: 4.3 }).protect?.untilMs)).toBe(72);
  });
  test('without a forecast the air is the one that is expected', () => {
    const expected = (expectedTempC: number) =>
      care('us-aci', { air: [], stripping: { expectedTempC } }).protect === null;
    expect([expected(4.4), expected(4.3)]).toEqual([true, false]);
  });
  test('is 72 h by ACI, 48 where nothing loads or exposes it; 5 MPa by EN', () => {
    const sheltered = { stripping: { sheltered: true }, airC: 0 };
    expect(hoursOn(care('us-aci', sheltered).protect?.untilMs)).toBe(48);
    expect(hoursOn(care('metric-en', { airC: 0 }).protect?.untilMs)).toBeCloseTo(50, 6);
    const own = rulesOf({ ruleProfile: 'us-aci', ruleChanges: [rule('protection', 96)] } as never);
    expect(protectionHours(own, { stripping: {} } as never)).toBe(96);
  });
});

describe('curing', () => {
  test('ends after 7 days by ACI, 3 with early cement; by half its strength under EN', () => {
    expect(hoursOn(care('us-aci').cure.untilMs)).toBe(168);
    expect(hoursOn(care('us-aci', { cementType: 'III' }).cure.untilMs)).toBe(72);
    expect(hoursOn(care('metric-en').cure.untilMs)).toBeCloseTo(150, 6);
    const class4 = care('metric-en', { ruleChanges: [rule('cureShare', 0.7)] });
    expect(hoursOn(class4.cure.untilMs)).toBeCloseTo(210, 6);
  });
  test('has no end where the curve never comes to it', () => {
    expect(care('metric-en', { ruleChanges: [rule('cureShare', 1)] }).cure.untilMs).not.toBeNull();
    const weak = careOf({
      curing: { startMs, curve: curve.slice(0, 100), readings: [] },
      pour: { stripping: {} },
      mix: { cementType: 'I', cylinderMPa: 30 },
      rules: rulesOf({ ruleProfile: 'metric-en' }),
      leastDimensionM: 0.25,
      air: [],
    } as unknown as CareCase);
    expect(weak.cure.untilMs).toBeNull();
  });
});

describe('cooling', () => {
  const fell = (c: number, hours = 24) => [
    { timeH: 80, tempC: 30 },
    { timeH: 80 + hours, tempC: 30 - c },
  ];
  test.each([
    [0.3, 27.8],
    [0.31, 22.2],
    [1, 16.7],
    [2, 11.1],
  ])('a section of %d m falls at most %d °C in a day', (leastM, most) => {
    expect(care('us-aci', { leastM, readings: fell(most) }).cooledC).toBeNull();
    expect(care('us-aci', { leastM, readings: fell(most + 0.1) }).cooledC).toBeCloseTo(most + 0.1);
    // The same fall over a longer time is none of one day.
    expect(care('us-aci', { leastM, readings: fell(most + 0.1, 25) }).cooledC).toBeNull();
  });
});

test('it is said in sentences, the site’s units and moments, the worst marked', () => {
  const moment = (ms: number) => new Date(ms).toISOString().slice(5, 16);
  const said = careTexts(
    care('us-aci', {
      airC: -2,
      readings: [
        { timeH: 80, tempC: 30 },
        { timeH: 90, tempC: 0 },
      ],
      stripping: { curedBy: 'wet' },
    }),
    moment,
    'us',
    startMs + 80 * HOUR,
  );
  expect(said).toEqual([
    { text: 'Kept from freezing until 11-23T18:00: 72 h and 500 psi.', tone: 'good' },
    { text: 'Then let it cool slowly: at most 50 °F in 24 h.', tone: 'unread' },
    {
      text: 'It cooled 54 °F in 24 h, at most 50 °F is wanted: look for cracks, cover it again.',
      tone: 'out',
    },
    { text: 'Cure it wet until 11-27T18:00: 7 days.', tone: 'unread' },
  ]);
  const after = careTexts(care('us-aci'), moment, 'us', startMs + 168 * HOUR);
  expect(after).toEqual([{ text: 'Its curing was up 11-27T18:00: 7 days.', tone: 'good' }]);
});

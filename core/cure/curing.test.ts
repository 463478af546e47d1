import { describe, expect, test } from '@jest/globals';
import type { EventBody, EventKind, LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { job, L_RUNS } from '../testdata/jobs.ts';
import { coolingHours, leastDimensionM, temperatureHistory } from './concrete-temperature.ts';
import { curingOf } from './curing.ts';
import { earlyStrips, refuseBreak, refuseStrip, stripWords } from './strip.ts';

const T0 = Date.parse('2026-11-20T18:00:00Z');
const HOUR = 3_600_000;
let n = 0;
function entry<K extends EventKind>(kind: K, body: EventBody<K>, hour: number): LogEvent {
  n += 1;
  return {
    id: `e${n}`,
    at: new Date(T0 + hour * HOUR).toISOString(),
    actor: 'P. Winder',
    kind,
    body,
  } as unknown as LogEvent;
}
/** A wall of 250 mm placed by 18:00, with 12 °C expected and a cold night to come. */
const wall = job({
  runs: [L_RUNS[2]],
  elements: ['WA'],
  pour: { stripping: { stripMPa: 5, floorH: 12, expectedTempC: 12 } },
});
const night = Array.from({ length: 400 }, (_, i) => ({
  at: new Date(T0 + i * HOUR).toISOString(),
  airTempC: 1,
}));
const cure = (log: LogEvent[], hour: number, air = night) =>
  curingOf({
    ...wall,
    state: replay(log),
    finishedMs: T0,
    placedC: 20,
    nowMs: T0 + hour * HOUR,
    air,
  });
const probe = (tempC: number, hour: number) => entry('probe', { tempC }, hour);

describe('the concrete goes toward the air after its last reading', () => {
  test('by hand: 16 °C read, air 4 °C, 10 h of a cooling time of 20 h', () => {
    const history = temperatureHistory(
      {
        startMs: T0,
        placedC: 20,
        readings: [{ timeH: 2, tempC: 16 }],
        air: () => 4,
        coolingH: 20,
      },
      12,
    );
    expect(history[0]).toEqual({ timeH: 0, tempC: 20 });
    expect(history.at(-1)?.timeH).toBeCloseTo(12, 9);
    // 4 + 12·e^(−10/20)
    expect(history.at(-1)?.tempC).toBeCloseTo(11.278, 3);
  });
  test('hour by hour: an hour of warm air does not count for the next', () => {
    const air = (ms: number) => (ms < T0 + 1.5 * HOUR ? 30 : 0);
    const history = temperatureHistory(
      { startMs: T0, placedC: 10, readings: [], air, coolingH: 10 },
      3,
    );
    const e = Math.exp(-1 / 10);
    const first = 30 + (10 - 30) * e;
    const second = 30 + (first - 30) * e;
    expect(history.map((h) => h.tempC)).toEqual([
      10,
      expect.closeTo(first, 9),
      expect.closeTo(second, 9),
      expect.closeTo(second * e, 9),
    ]);
  });
  test.each([
    [0.3, 24],
    [0.25, 20],
    [0.9, 72],
    [3, 72],
    [0.05, 6],
  ])('%d m follows the air within %d h', (m, h) => {
    expect(coolingHours(m, 24)).toBeCloseTo(h, 9);
  });
  test('the least dimension is the thinnest of what is in the pour', () => {
    expect(leastDimensionM(wall.site, wall.pour)).toBe(0.25);
    const footing = job({ runs: L_RUNS, elements: ['FA'] });
    expect(leastDimensionM(footing.site, footing.pour)).toBeCloseTo(0.3, 9);
  });
  test('one warm reading right after placing does not bring a cold night’s stripping forward by a day', () => {
    const one = cure([probe(16, 0.3)], 1);
    const none = cure([], 1);
    const held = cure(
      Array.from({ length: 60 }, (_, i) => probe(16, i + 0.3)),
      60,
    );
    expect(one?.stripMs).not.toBeNull();
    expect(Math.abs((one?.stripMs ?? 0) - (none?.stripMs ?? 0))).toBeLessThan(12 * HOUR);
    // Held at 16 °C it would be strong half a day and more before: that is what was said once.
    expect((one?.stripMs ?? 0) - (held?.stripMs ?? 0)).toBeGreaterThan(12 * HOUR);
  });
  test('where no forecast is known what the pour expects counts', () => {
    const known = cure([probe(16, 0.3)], 1, []);
    const cold = cure([probe(16, 0.3)], 1);
    expect(known?.stripMs ?? Infinity).toBeLessThan(cold?.stripMs ?? 0);
  });
});

describe('may come off', () => {
  const words = (log: LogEvent[], hour: number) => {
    const c = cure(log, hour);
    return c && stripWords(c, (ms) => `hour ${Math.round((ms - T0) / HOUR)}`, ['WA'], 'metric');
  };
  const warm = Array.from({ length: 40 }, (_, i) => probe(20, i + 1));
  test('by measured temperatures that are newer than the rule, else by forecast', () => {
    expect(cure(warm, 40)?.strip).toBe('may');
    expect(cure(warm, 46)?.strip).toBe('may');
    expect(cure(warm, 46.1)?.strip).toBe('forecast');
    expect(words(warm, 60)?.sentence).toMatch(/By forecast only: last read hour 40/);
    expect(words([], 700)?.sentence).toMatch(/no temperature was read/);
    expect(words([...warm, entry('strip', { elementIds: ['WA'] }, 41)], 60)).toMatchObject({
      short: 'forms off',
      sentence: 'All forms are off.',
    });
    expect(words(warm.slice(0, 2), 3)?.sentence).toMatch(/^Forms stay on until hour \d+\.$/);
  });
  test('what came off before is named with strength, hours and the reason', () => {
    const log = [
      ...warm.slice(0, 2),
      entry('strip', { elementIds: ['WA'], reason: 'panels wanted on P4' }, 3),
      entry('strip', { elementIds: ['WA'] }, 3.5),
      ...warm.slice(3),
      entry('strip', { elementIds: ['WA'] }, 40),
    ];
    const early = earlyStrips({
      ...wall,
      state: replay(log),
      finishedMs: T0,
      placedC: 20,
      air: night,
    });
    expect(early).toMatchObject([
      { verdict: 'no', ageH: 3, reason: 'panels wanted on P4' },
      { verdict: 'no', ageH: 3.5, reason: null },
    ]);
    expect(early[0]?.strengthMPa).toBeLessThan(5);
  });
});

describe('what cannot be', () => {
  const placed = replay([entry('place-start', { elementId: 'WA', lift: 0 }, -2)]);
  test.each([
    [7, 0, /2\.0 hours old: a cylinder of 7 days/],
    [7, 24 * 5, /5\.1 days old/],
    [7, 24 * 6.5, null],
    [28, 24 * 28, null],
    [1, 0, null],
  ])('a break at %d days, %d h after placing', (days, hour, refused) => {
    const why = refuseBreak(placed, days, T0 + hour * HOUR);
    if (refused) expect(why).toMatch(refused);
    else expect(why).toBeNull();
  });
  test('nothing placed: no cylinder to break, no forms to take off', () => {
    expect(refuseBreak(replay([]), 7, T0)).toMatch(/Nothing has been placed/);
    expect(refuseStrip(placed, ['WA', 'WB'], T0)).toMatch(/placed in WB/);
    expect(refuseStrip(placed, ['WA'], T0)).toBeNull();
    // Not before it was begun.
    expect(refuseStrip(placed, ['WA'], T0 - 3 * HOUR)).toMatch(/WA/);
  });
});

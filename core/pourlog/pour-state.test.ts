import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { demoPour } from '../testdata/demo.ts';
import { replay } from '../log/state.ts';
import { actualPlacements } from './placements.ts';
import { pourStateOf } from './pour-state.ts';
import { yieldSoFar } from './yield.ts';

const { site, pour, mix, plant } = demoPour('quillback', 'P1');
const T0 = Date.parse('2026-09-10T12:30:00Z');
const iso = (minute: number) => new Date(T0 + minute * 60_000).toISOString();
let n = 0;
const entry = (kind: string, body: object, minute: number) => {
  n += 1;
  return { id: `e${String(n).padStart(4, '0')}`, at: iso(minute), actor: 'P. Winder', kind, body };
};
const base = { site, pour, mix, plant };
const at = (events: object[], minute: number) =>
  resultOf(pourStateOf, { ...base, events, now: iso(minute) } as never);
const load = (loadId: string, minute: number) =>
  entry(
    'load-arrived',
    { loadId, ticket: '1', volumeM3: 4, batchedAt: iso(minute - 40), concreteTempC: 20 },
    minute,
  );
const day = [
  load('L1', 0),
  entry('slump', { loadId: 'L1', measuredMm: 101.6, where: 'truck' }, 2),
  entry('place-start', { elementId: 'FN', lift: 0, loadId: 'L1' }, 5),
  entry('place-stop', { elementId: 'FN', lift: 0, filledRatio: 1 }, 22),
  entry('load-end', { loadId: 'L1', returnedM3: 0 }, 24),
  entry('place-start', { elementId: 'FW', lift: 0, loadId: 'L2' }, 40),
  entry('place-stop', { elementId: 'FW', lift: 0, filledRatio: 0.4 }, 48),
];

describe('state of a pour', () => {
  test('is the same in whatever order the entries come', () => {
    const straight = at(day, 60);
    fc.assert(
      fc.property(fc.shuffledSubarray(day, { minLength: day.length }), (mixed) => {
        expect(at(mixed, 60)).toEqual(straight);
      }),
      { numRuns: 15 },
    );
    expect(straight.placements.map((p) => p.elementId)).toEqual(['FN', 'FW']);
  });
  test('a seam is quiet, closing, then cold, and the truck that is not there is missed', () => {
    const kinds = (minute: number) => at(day, minute).alarms.map((a) => a.kind);
    expect(kinds(50)).toContain('noLoadHere');
    const [seam] = at(day, 48).seams;
    const shuts = 48 + (seam?.minutesLeft ?? 0);
    expect(kinds(shuts - 20)).not.toContain('seamClosing');
    expect(kinds(shuts - 14)).toContain('seamClosing');
    expect(kinds(shuts + 1)).toContain('seamCold');
    expect(
      evaluate(pourStateOf, { ...base, events: day, now: iso(shuts + 1) }).cautions.join(),
    ).toMatch(/past its window/);
  });
  test('what comes after the moment does not count yet, and no clock gives more than its window', () => {
    const early = at(day, 10);
    expect(early.placements).toEqual([expect.objectContaining({ elementId: 'FN', open: true })]);
    expect(early.filled.find((f) => f.elementId === 'FN')?.ratio).toBe(0);
    // A device 40 min ahead: what it stopped then is fresh now, and no fresher.
    const ahead = day.map((e) => ({
      ...e,
      at: new Date(Date.parse(e.at) + 40 * 60_000).toISOString(),
    }));
    const placed = actualPlacements(replay(ahead as never), Date.parse(iso(30)));
    expect(placed.every((p) => p.toMs <= Date.parse(iso(30)))).toBe(true);
  });
  test('a load is called when it has ten minutes left, and when it has none; not once it went back', () => {
    const here = [load('L1', 0)];
    // What it holds takes 16 min to place, and it has 11.
    expect(at(here, 39).alarms).toMatchObject([{ kind: 'loadTooMuch', minutes: 11 }]);
    expect(at(here, 40).alarms).toMatchObject([{ kind: 'loadAgeing', minutes: 10 }]);
    expect(at(here, 51).alarms).toMatchObject([{ kind: 'loadOld', minutes: -1 }]);
    expect(
      at([...here, entry('load-verdict', { loadId: 'L1', decision: 'reject' }, 51)], 52).alarms,
    ).toEqual([]);
  });
  test('a shorter age limit of the site bites here', () => {
    const { maxAgeMin: _, ...record } = mix;
    const strict = {
      ...base,
      mix: record,
      site: {
        ...site,
        ruleChanges: [{ rule: 'loadAge' as const, value: 60, by: 'I. Brandvold', at: iso(-100) }],
      },
    };
    expect(
      resultOf(pourStateOf, { ...strict, events: [load('L1', 0)] as never, now: iso(25) }).loads[0]
        ?.overAge,
    ).toBe(true);
    expect(at([load('L1', 0)], 25).loads[0]?.overAge).toBe(false);
  });
  test('a bad entry is told by its place in the list', () => {
    expect(() =>
      at([entry('slump', { loadId: 'L1', measuredMm: -3, where: 'truck' }, 1)], 2),
    ).toThrow(/events.0.body.measuredMm must not be below 0/);
    expect(() => at([entry('dance', {}, 1)], 2)).toThrow(/events.0.kind must be one of/);
  });
});

describe('yield', () => {
  const so = (neatPlacedM3: number, usedM3: number) =>
    resultOf(yieldSoFar, { neatTotalM3: 30, neatPlacedM3, usedM3 });
  test('before anything is placed the plan rules; at the end what was used does', () => {
    expect(so(0, 0)).toMatchObject({ ratio: null, restRatio: 1.05, totalM3: 31.5 });
    const done = so(30, 32.4);
    expect(done.totalM3).toBeCloseTo(32.4, 9);
    expect(done.highM3 - done.lowM3).toBeCloseTo(0, 9);
  });
  test('the interval closes as the pour goes on, and the forecast leans to what was measured', () => {
    const width = (p: number) => {
      const y = so(p, p * 1.1);
      return y.highM3 - y.lowM3;
    };
    expect([3, 10, 20, 29].map(width)).toEqual([3, 10, 20, 29].map(width).sort((a, b) => b - a));
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 29, noNaN: true }),
        fc.double({ min: 0.9, max: 1.3, noNaN: true }),
        (placed, ratio) => {
          const { restRatio } = so(placed, placed * ratio);
          expect(restRatio).toBeGreaterThanOrEqual(Math.min(1.05, ratio) - 1e-9);
          expect(restRatio).toBeLessThanOrEqual(Math.max(1.05, ratio) + 1e-9);
        },
      ),
    );
  });
});

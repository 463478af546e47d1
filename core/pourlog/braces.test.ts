import { describe, expect, test } from '@jest/globals';
import { linePlaces, turnAt } from './braces.ts';

type Brace = NonNullable<Parameters<typeof turnAt>[0]>;
const brace: Brace = {
  spacingM: 2.5,
  attachM: 2,
  angleDeg: 60,
  pitchMmPerTurn: 6,
  pushOnly: false,
};
const site = (over: Partial<Brace> | null = {}) =>
  ({ formSystems: [{ mark: 'foam', brace: over && { ...brace, ...over } }] }) as never;
const atOf = (lengthM: number, of = site()) => linePlaces(of, { forms: 'foam' }, { lengthM }).atM;

describe('where the top of a wall is read', () => {
  test('at each brace, from end to end, as far apart as comes out even', () => {
    expect(atOf(10)).toEqual([0, 2.5, 5, 7.5, 10]);
    expect(atOf(9)).toEqual([0, 2.25, 4.5, 6.75, 9]);
  });
  test('a short wall at both ends, a long one at twelve places at most', () => {
    expect(atOf(0.8)).toEqual([0, 0.8]);
    const long = atOf(60);
    expect(long).toHaveLength(12);
    expect(long.at(-1)).toBe(60);
  });
  test('where no brace is described, or no forms are told, every three metres', () => {
    expect(atOf(9, site(null))).toEqual([0, 3, 6, 9]);
    const none = linePlaces(site(), { forms: undefined }, { lengthM: 6 });
    expect(none).toEqual({ brace: null, atM: [0, 3, 6] });
  });
});

describe('which way a turnbuckle is turned', () => {
  // By hand: 12 mm out at the top of 2.4 m, held at 2 m under 60°: 12 · 2/2.4 · 0.5 = 5 mm of its length.
  test('in where the top stands out, by the turns of its pitch', () => {
    const turn = turnAt(brace, 2.4, 12)?.result;
    expect(turn).toMatchObject({ direction: 'in', possible: true });
    expect(turn?.lengthChangeMm).toBeCloseTo(5, 9);
    expect(turn?.turns).toBeCloseTo(5 / 6, 9);
  });
  test('a brace that only pushes brings nothing in', () => {
    const pushing = { ...brace, pushOnly: true };
    expect(turnAt(pushing, 2.4, 12)?.result.possible).toBe(false);
    expect(turnAt(pushing, 2.4, -12)?.result).toMatchObject({ direction: 'out', possible: true });
  });
  test('on a wall lower than where it is held it holds the top', () => {
    expect(turnAt(brace, 1.2, 10)?.result.lengthChangeMm).toBeCloseTo(10 * 0.5, 9);
  });
  test('a millimetre is left, and without a brace there is nothing to turn', () => {
    expect(turnAt(brace, 2.4, 1)?.result).toMatchObject({ direction: 'none', turns: 0 });
    expect(turnAt(null, 2.4, 12)).toBeNull();
  });
});

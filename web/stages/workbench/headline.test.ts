import { describe, expect, test } from '@jest/globals';
import { REGISTER } from '../../../core/register/register.ts';
import { evaluate } from '../../../core/kit/calculation.ts';
import { EXAMPLES } from '../../../core/register/examples.ts';
import { headlineOf } from './headline.ts';

const headline = (id: string, change: object = {}, units: 'us' | 'metric' = 'us') => {
  const calc = REGISTER.find((c) => c.id === id);
  if (!calc) throw new Error(id);
  return headlineOf(id, evaluate(calc, { ...(EXAMPLES[id] as object), ...change }).result, units);
};

test.each(REGISTER.filter((c) => c.id !== 'sequence-search').map((c) => c.id))(
  '%s has a figure to act on',
  (id) => {
    const h = headline(id);
    expect(h?.figure).toMatch(/\S/);
    expect(`${h?.figure ?? ''} ${h?.words ?? ''}`).not.toMatch(/undefined|NaN|\bnone$/);
  },
);

describe('what is not good is shown so', () => {
  test.each([
    ['tie-load', { tieCapacityKN: 5 }, true],
    ['tie-load', { tieCapacityKN: 50 }, false],
    ['cover-verdict', { readingsMm: [20] }, true],
    ['cover-verdict', { readingsMm: [76.2] }, false],
    ['slump-verdict', { measuredMm: 200 }, true],
    ['slump-verdict', { measuredMm: 101.6 }, false],
    ['load-verdict', { nowMin: 600 }, true],
    ['level-loop', { closingRodM: 1.4 }, true],
    ['brace-turn', { pushOnly: true }, true],
    ['waler-layout', { tieCapacityKN: 1 }, true],
  ])('%s with %j: %s', (id, change, bad) => {
    expect(headline(id, change)?.bad).toBe(bad);
  });
});

test('no limit is said in words, and lists are counted', () => {
  expect(headline('max-rate-of-rise', { ratedPressureKPa: 500 })?.figure).toBe('no limit');
  expect(headline('waler-layout')?.figure).toMatch(/^\d+ walers$/);
  expect(headline('form-pressure', {}, 'metric')?.figure).toBe('31.8 kPa');
});

import { expect, test } from '@jest/globals';
import { resultOf } from '../kit/calculation.ts';
import { dimensionVerdict } from './dimension-verdict.ts';

const verdict = (minusMm: number, plusMm: number | null, ...readingsMm: number[]) =>
  resultOf(dimensionVerdict, { wantedMm: 300, minusMm, plusMm, readingsMm }).verdict;

test('a tight reading stays tight beside a good one that is nearer to the narrow side', () => {
  // 1 mm down, 20 up: 317 is 3 from its limit, within a fifth of 20; 299.5 is 0.5 from the other, and is not.
  expect(verdict(1, 20, 317)).toBe('tight');
  expect(verdict(1, 20, 299.5)).toBe('ok');
  expect(verdict(1, 20, 317, 299.5)).toBe('tight');
  expect(verdict(1, 20, 299.5, 317)).toBe('tight');
});

test('on either side of each limit and of a fifth within it', () => {
  expect([290, 289.9].map((r) => verdict(10, 5, r))).toEqual(['tight', 'low']);
  expect([305, 305.1].map((r) => verdict(10, 5, r))).toEqual(['tight', 'high']);
  expect([292, 292.1, 303.9, 304].map((r) => verdict(10, 5, r))).toEqual([
    'tight',
    'ok',
    'ok',
    'tight',
  ]);
  expect(verdict(10, null, 900)).toBe('ok');
});

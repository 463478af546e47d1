import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { quantilesOf } from './quantiles.ts';

const numbers = fc.array(
  fc.oneof(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.constantFrom(0, 1, 1, 2)),
  { minLength: 1, maxLength: 300 },
);

test('quantiles are those of the sorted list, straight between ranks, whatever the order and however many are alike', () => {
  fc.assert(
    fc.property(numbers, (list) => {
      const sorted = [...list].sort((a, b) => a - b);
      const at = (p: number) => {
        const r = p * (list.length - 1);
        const k = Math.floor(r);
        const a = sorted[k] as number;
        return a + (r - k) * ((sorted[k + 1] ?? a) - a);
      };
      const shares = [0, 0.1, 0.5, 0.9, 1];
      quantilesOf(Float64Array.from(list), shares).forEach((q, i) => {
        expect(q).toBeCloseTo(at(shares[i] as number), 6);
      });
    }),
  );
});
test('a single value is every quantile of itself', () => {
  expect(quantilesOf(Float64Array.of(7), [0.1, 0.5, 0.9])).toEqual([7, 7, 7]);
});

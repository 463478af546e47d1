import { expect, jest, test } from '@jest/globals';
import { madeOncePer, rememberLast } from './memo.ts';

test('what is made of an object is made once for it, also where nothing is made', () => {
  const make = jest.fn((o: { n: number }) => (o.n > 1 ? o.n : undefined));
  const kept = madeOncePer(make);
  const [one, two] = [{ n: 1 }, { n: 2 }];
  expect([kept(two), kept(one), kept(two), kept(one)]).toEqual([2, undefined, 2, undefined]);
  expect(make).toHaveBeenCalledTimes(2);
});

test('the last answer stands until something else is asked, to the very object', () => {
  const make = jest.fn((a: object, n: number) => ({ a, n }));
  const kept = rememberLast(make);
  const a = {};
  const first = kept(a, NaN);
  expect(kept(a, NaN)).toBe(first);
  expect(kept({}, NaN)).not.toBe(first);
  expect(kept(a, NaN)).not.toBe(first);
  expect(make).toHaveBeenCalledTimes(3);
});

import { expect, test } from '@jest/globals';
import { sitePlanShape } from '../model/site.ts';
import { currencyName, isCurrency, moneyText } from './money.ts';

test.each([
  [903.6, 'USD', '$904'],
  [1043, 'EUR', '€1,043'],
  [865, 'CAD', 'CA$865'],
  [12, 'NOK', 'NOK 12'],
  [-0.2, 'USD', '$0'],
  [-51, 'USD', '−$51'],
  [1043, undefined, '1,043'],
])('%f in %s is said %s', (amount, currency, text) => {
  expect(moneyText(amount, currency).replace(/\s/g, ' ')).toBe(text);
});

test('a currency is one that exists, by its code, and has a name', () => {
  expect(['USD', 'EUR', 'usd', 'US', 'ZZZ', ''].map(isCurrency)).toEqual([
    true,
    true,
    false,
    false,
    false,
    false,
  ]);
  expect(currencyName('EUR')).toBe('Euro, EUR');
  const { currency } = sitePlanShape.shape;
  expect(currency.safeParse('EUR').success).toBe(true);
  expect(currency.safeParse('dollars').error?.issues[0]?.message).toBe(
    'must be the code of a currency, as in USD or EUR',
  );
  expect(currency.safeParse(undefined).success).toBe(true);
});

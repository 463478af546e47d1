import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Quantity } from '../../core/units/index.ts';
import { readQuantity, writeQuantity } from './quantity-text.ts';

describe('what is typed into a field', () => {
  test.each([
    ['9', 'M', 'us', 2.7432],
    ["9'", 'M', 'us', 2.7432],
    ['9 ft 6 in', 'M', 'us', 2.8956],
    ['2.74 m', 'M', 'us', 2.74],
    ['2,74', 'M', 'metric', 2.74],
    ['2740 mm', 'M', 'metric', 2.74],
    ['3 1/2', 'Mm', 'us', 88.9],
    ['3', 'Mm', 'us', 76.2],
    ['76', 'Mm', 'metric', 76],
    ['70', 'C', 'us', 21.1111],
    ['−4', 'C', 'metric', -4],
    ['1000', 'KPa', 'us', 47.88],
    ['5', 'Ratio', 'us', 0.05],
    ['360', null, 'us', 360],
  ] as const)('%s as %s in %s is %d', (text, quantity, units, si) => {
    expect(readQuantity(text, quantity, units, false)).toBeCloseTo(si, 3);
  });
  test.each([
    ['', null],
    ['   ', null],
  ])('“%s” is nothing', (text, value) => {
    expect(readQuantity(text, 'M', 'us', false)).toBe(value);
  });
  test.each([
    ['about three', 'M'],
    ['7 ft', 'KPa'],
    ['1e', 'C'],
    ['--2', null],
  ] as const)('“%s” as %s cannot be read', (text, quantity) => {
    expect(readQuantity(text, quantity, 'us', false)).toBeNaN();
  });
  test('a time is read as one, or as minutes', () => {
    expect(readQuantity('07:30', 'Min', 'us', true)).toBe(450);
    expect(readQuantity('7.05', 'Min', 'us', true)).toBe(425);
    expect(readQuantity('noon', 'Min', 'us', true)).toBeNaN();
    expect(writeQuantity(450, 'Min', 'us', true)).toBe('07:30');
  });
});

test('what stands in a field is read back to within what it shows', () => {
  const kinds: (Quantity | null)[] = [
    'M',
    'Mm',
    'M3',
    'KPa',
    'MPa',
    'C',
    'KmH',
    'Ratio',
    'Kg',
    null,
  ];
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.constantFrom('us' as const, 'metric' as const),
      fc.double({ min: 0.01, max: 900, noNaN: true }),
      (quantity, units, value) => {
        const back = readQuantity(
          writeQuantity(value, quantity, units, false),
          quantity,
          units,
          false,
        ) as number;
        expect(Math.abs(back - value)).toBeLessThanOrEqual(1e-3 * Math.abs(value) + 0.02);
      },
    ),
  );
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  fieldText,
  asShown,
  fromShown,
  QUANTITIES,
  quantityOfField,
  quantityText,
  toShown,
  type Quantity,
} from './quantity.ts';

describe('quantities', () => {
  test.each([
    ['placementHeightM', 'M'],
    ['rateMPerH', 'MPerH'],
    ['densityKgM3', 'KgM3'],
    ['maxPressureKPa', 'KPa'],
    ['lineLoadKNM', 'KNM'],
    ['concreteTempC', 'C'],
    ['windKmH', 'KmH'],
    ['rainStopMmH', 'MmH'],
    ['volumeM3', 'M3'],
    ['placingRateM3PerH', 'M3PerH'],
    ['wasteRatio', 'Ratio'],
    ['humidity', 'Ratio'],
    ['angleDeg', 'Deg'],
    ['pitchMmPerTurn', 'MmPerTurn'],
    ['areaMm2', 'Mm2'],
    ['addL', 'L'],
    ['maturityCH', 'CH'],
    ['equivalentAgeH', 'H'],
    ['massKgM', 'KgM'],
    ['maxWcRatio', null],
    ['deflectionRatio', null],
    ['bags', null],
    ['retarder', null],
    ['method', null],
    ['slumpMmPerLPerM3', 'MmPerLPerM3'],
    ['costPerM3', 'PerM3'],
    ['rateKgM2H', 'KgM2H'],
    ['readingsMm', 'Mm'],
    ['elevationM', 'Level'],
    ['rodM', 'Level'],
    ['frostDepthM', 'M'],
    ['positionsM', 'M'],
  ])('%s is %s', (name, kind) => {
    expect(quantityOfField(name)).toBe(kind);
  });
  test('what is shown in either system comes back the same', () => {
    const kinds = Object.keys(QUANTITIES) as Quantity[];
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom('us' as const, 'metric' as const),
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        (kind, units, value) => {
          expect(fromShown(toShown(value, kind, units), kind, units)).toBeCloseTo(value, 6);
          expect(
            fromShown(Number(fieldText(toShown(value, kind, units))), kind, units) /
              (Math.abs(value) + 1),
          ).toBeCloseTo(value / (Math.abs(value) + 1), 6);
        },
      ),
    );
  });
  test.each([
    [31.8132, 'KPa', 'us', '664 psf'],
    [31.8132, 'KPa', 'metric', '31.8 kPa'],
    [20, 'C', 'us', '68 °F'],
    [0.05, 'Ratio', 'us', '5 in 100'],
    [76.2, 'Mm', 'us', '3 in'],
    [2.7432, 'M', 'us', '9 ft 0 in'],
    [-4.5, 'Mm', 'metric', '−4.5 mm'],
    [0.01905, 'M', 'us', '3/4 in'],
    [30.404, 'Level', 'us', '99.751 ft'],
    [13.378, 'KN', 'us', '3007 lb'],
    [1, 'M3', 'metric', '1 m³'],
  ] as const)('%d %s in %s reads %s', (value, kind, units, text) => {
    expect(quantityText(value, kind, units)).toBe(text);
  });
});

test('a value as it is shown has no more digits than are said of it', () => {
  expect(toShown(asShown(13.27, 'C', 'us'), 'C', 'us')).toBeCloseTo(56, 9);
  expect(asShown(13.27, 'C', 'metric')).toBeCloseTo(13.3, 9);
  expect(toShown(asShown(10, 'KmH', 'us'), 'KmH', 'us')).toBeCloseTo(6, 9);
  // Put into a field it stands as it is said.
  expect(fieldText(toShown(asShown(10, 'KmH', 'us'), 'KmH', 'us'))).toBe('6');
});

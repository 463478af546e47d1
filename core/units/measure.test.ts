import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  barText,
  clockText,
  distanceText,
  footInch,
  lengthText,
  parseMeasure,
  strength,
  volume,
} from './index.ts';

describe('a measure as it is written off a tape', () => {
  test.each([
    ["7' 3 1/2", 'us', 2222.5],
    ['87.5"', 'us', 2222.5],
    ['2-7/8', 'us', 73.025],
    ['2 7/8 in', 'us', 73.025],
    ['7/8', 'us', 22.225],
    ['3', 'us', 76.2],
    ['½', 'us', 12.7],
    ['2⅞', 'us', 73.025],
    ['4 ft', 'us', 1219.2],
    ["4'", 'us', 1219.2],
    ['4 ft 6 in', 'us', 1371.6],
    ["1/2'", 'us', 152.4],
    ['-1/4', 'us', -6.35],
    ['222 cm', 'us', 2220],
    ['2.22m', 'us', 2220],
    ['7’ 3 1⁄2″', 'us', 2222.5],
    ['2220', 'metric', 2220],
    ['222 cm', 'metric', 2220],
    ['2,22 m', 'metric', 2220],
    ["7' 3 1/2", 'metric', 2222.5],
    ['3"', 'metric', 76.2],
    ['−4', 'metric', -4],
  ] as const)('%s in %s is %d mm', (text, units, mm) => {
    const p = parseMeasure(text, units);
    expect(p.ok && p.mm).toBeCloseTo(mm, 6);
  });

  test.each(['', '  ', 'about 3', '3 4', '1/0', "7' 3' ", '3 1/2 1/4', 'NaN', '1e3', '--3', '7"3'])(
    '%s is refused, and told which forms can be read',
    (text) => {
      const p = parseMeasure(text, 'us');
      expect(p.ok).toBe(false);
      expect(!p.ok && p.message).toMatch(/Write it as/);
    },
  );

  test('every sixteenth of an inch up to ten feet survives being set in type and read again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1920 }), fc.boolean(), (sixteenths, negative) => {
        const mm = ((negative ? -1 : 1) * sixteenths * 25.4) / 16;
        const back = parseMeasure(lengthText(mm, 'us').replace('−', '-'), 'us');
        expect(back.ok && back.mm).toBeCloseTo(mm, 6);
      }),
    );
  });
});

test('fractions are reduced, feet split off only when asked', () => {
  expect(footInch(2222.5, true)).toEqual({
    negative: false,
    feet: 7,
    inches: 3,
    numerator: 1,
    denominator: 2,
  });
  expect(footInch(2222.5, false)).toEqual({
    negative: false,
    feet: 0,
    inches: 87,
    numerator: 1,
    denominator: 2,
  });
  expect(lengthText(0, 'us')).toBe('0 in');
  expect(lengthText(22.225, 'us')).toBe('7/8 in');
  expect(lengthText(1371.4, 'metric')).toBe('1 371 mm');
  // Just under a foot rounds up to the foot, not to 12 inches.
  expect(distanceText(0.3047, 'us')).toBe('1 ft 0 in');
});

test('figures come in the site’s own units', () => {
  expect(volume(0.764554857984, 'us')).toEqual({ value: '1.00', unit: 'yd³' });
  expect(volume(1, 'metric', 1)).toEqual({ value: '1.0', unit: 'm³' });
  expect(strength(6.894757293, 'us')).toEqual({ value: '1 000', unit: 'psi' });
  expect(clockText(450)).toBe('07:30');
  expect(clockText(1500)).toBe('01:00');
  expect([barText('#5'), barText('12mm'), barText('15M')]).toEqual(['No. 5', '12 mm', '15M']);
});

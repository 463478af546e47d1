import { describe, expect, test } from '@jest/globals';
import { codeKey, nameKey } from './name-key.ts';

describe('names that look alike are one', () => {
  test.each([
    ['A. NESS', 'capitals'],
    ['A.  Ness', 'a doubled blank'],
    ['A.\u00a0Ness', 'a blank that does not break'],
    [' A. Ness\u200b', 'a blank that is not drawn'],
    ['A. Ne\u00adss', 'a hyphen that is not drawn'],
    ['\u202eA. Ness', 'a turn of the line'],
    ['А. Ness', 'a Cyrillic A'],
    ['A. Nеѕѕ', 'Cyrillic letters'],
    ['Α. Ness', 'a Greek A'],
    ['Ａ. Ness', 'a wide A'],
  ])('%s (%s)', (name) => {
    expect(nameKey(name)).toBe(nameKey('A. Ness'));
  });
  test.each(['B. Ness', 'A. Nes', 'A Ness', 'Á. Ness', 'A. Neß'])('%s is another', (name) => {
    expect(nameKey(name)).not.toBe(nameKey('A. Ness'));
  });
  test('a letter with its mark apart is the letter', () => {
    expect(nameKey('Jose\u0301')).toBe(nameKey('José'));
  });
});

test('of codes a nought is an O and a one an l; P1 and P10 are two', () => {
  expect(codeKey('P1O')).toBe(codeKey('p10'));
  expect(codeKey('Pl')).toBe(codeKey('P1'));
  expect(codeKey('P1')).not.toBe(codeKey('P10'));
  expect(codeKey('P1')).not.toBe(codeKey('P2'));
});

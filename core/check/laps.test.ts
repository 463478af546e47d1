import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../testdata/demo.ts';
import { checkList } from './points/index.ts';
import { barRows } from '../steel/bar-list.ts';
import { lapOf } from '../steel/laps.ts';

describe('laps by the code of the site', () => {
  test('12 mm of B500 in C30/37: by the strength of its cylinders, longer in poor bond', () => {
    const lap = (levelInWall: boolean) =>
      lapOf({ bar: '12mm', fcMPa: 30, fyMPa: 500, code: 'en', levelInWall });
    // fctd 0.7·0.3·30^⅔/1.5 = 1.352; fbd 2.25·0.7·1.352 = 2.129; 12/4·434.8/2.129·1.5 = 919 mm.
    expect(lap(true)?.lapMm).toBeCloseTo(919, 0);
    expect(lap(false)?.lapMm).toBeCloseTo(919 * 0.7, 0);
    expect(lap(true)).toMatchObject({ ruledBy: 'computed', source: 'EN 1992-1-1 §8.7.3' });
  });
  test('the drawing rules over either code', () => {
    for (const code of ['aci', 'en'] as const)
      expect(
        lapOf({ bar: '16mm', fcMPa: 25, fyMPa: 500, code, drawn: { diameters: 50 } }),
      ).toMatchObject({ lapMm: 800, ruledBy: 'drawing' });
  });
  test('the check and the bar list of a metric wall say one lap', () => {
    const k2 = demoPour('kestrel', 'K2');
    const lap = checkList(k2).find((p) => p.id === 'VS/lap')?.wanted;
    const row = barRows(k2.site, k2.mix.cylinderMPa).find(
      (r) => r.elementId === 'VS' && r.role === 'horizontal',
    );
    expect(k2.mix.cylinderMPa).toBe(30);
    expect(lap).toMatchObject({ wantedMm: (row?.lapM ?? 0) * 1000 });
  });
});

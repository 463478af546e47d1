import { describe, expect, test } from '@jest/globals';
import { levelTargets } from '../../core/check/levels.ts';
import { demoPour } from '../../core/testdata/demo.ts';
import { laserRod } from './laser.ts';

const { site, pour } = demoPour('quillback', 'P3');
const benchM = site.benchmark?.elevationM ?? 0;

describe('the stand-in for a laser level', () => {
  test('reads from the height the log says the instrument sights at, whoever set it up', () => {
    const sightM = benchM + 1.3137;
    for (const t of levelTargets(site, pour)) {
      const standsM = sightM - (laserRod(site, pour, 1, t.id, sightM) ?? 0);
      expect(Math.abs(standsM - t.wantedM)).toBeLessThan(0.02);
    }
    expect(sightM - (laserRod(site, pour, 1, site.benchmark?.id ?? '', sightM) ?? 0)).toBeCloseTo(
      benchM,
      2,
    );
  });
  test('put down anew, it stands above all there is to read, and forms are where they were', () => {
    const [first] = levelTargets(site, pour);
    const rod = (setup: number, id: string) => laserRod(site, pour, setup, id) ?? NaN;
    const off = [1, 2].map(
      (setup) => rod(setup, site.benchmark?.id ?? '') - rod(setup, first?.id ?? ''),
    );
    expect(off[0]).toBeCloseTo(off[1] ?? NaN, 2);
    for (const t of levelTargets(site, pour)) expect(rod(3, t.id)).toBeGreaterThan(0);
    expect(laserRod(site, pour, 1, 'nowhere')).toBeNull();
  });
});

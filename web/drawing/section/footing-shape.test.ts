import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../../../core/testdata/demo.ts';
import { footingShape } from './footing-shape.ts';

const { site } = demoPour('quillback', 'P1');
const shape = (id: string, of = site) => {
  const s = footingShape(of, id);
  if (!s) throw new Error(id);
  return s;
};

describe('what the section of a footing shows', () => {
  test('its sizes, its steel in words, and how deep it lies', () => {
    const s = shape('FN');
    expect([s.widthM, s.depthM]).toEqual([expect.closeTo(0.6096, 6), expect.closeTo(0.3048, 6)]);
    expect(s.words).toEqual(['3 × No. 5 along', 'No. 5 at 12 in across']);
    expect(s.belowGradeM).toBeCloseTo(
      (site.ground?.gradeM ?? 0) - (site.runs.find((r) => r.id === 'FN')?.bottomM ?? 0),
      9,
    );
    expect(footingShape(site, 'N')).toBeNull();
    expect(footingShape(site, 'nowhere')).toBeNull();
  });

  test('the wall that comes on it, its uprights inside that wall with their feet toward its middle', () => {
    const { above } = shape('FN');
    expect(above).toMatchObject({ id: 'N', bar: '#5' });
    for (const u of above?.uprights ?? []) {
      expect(Math.abs(u.atMm)).toBeLessThan((above?.thickMm ?? 0) / 2);
      expect(u.leg).toBe(u.atMm < 0 ? 1 : -1);
    }
  });

  test('a wall drawn the other way round has its uprights on the other side', () => {
    const turned = {
      ...site,
      runs: site.runs.map((r) => (r.id === 'N' ? { ...r, from: r.to, to: r.from } : r)),
    };
    expect(shape('FN', turned).above?.uprights.map((u) => u.atMm)).toEqual(
      shape('FN').above?.uprights.map((u) => -u.atMm),
    );
  });

  test('hooks at the ends of the bars across as they are drawn: none, one, both', () => {
    const hooked = (hooks: 'one' | 'both') => ({
      ...site,
      footingTypes: site.footingTypes.map((t) =>
        t.mark === 'F2' && t.transverse ? { ...t, transverse: { ...t.transverse, hooks } } : t,
      ),
    });
    expect(shape('FN').acrossLegsMm).toEqual([0, 0]);
    // No. 5 (15.9 mm): a standard 90° hook is some 16 bars long, bend and all.
    const [left, right] = shape('FN', hooked('one')).acrossLegsMm;
    expect(left).toBeGreaterThan(200);
    expect(left).toBeLessThan(300);
    expect(right).toBe(0);
    expect(shape('FN', hooked('both')).acrossLegsMm).toEqual([left, left]);
  });

  test('a keyway or a waterstop where one is to be put in, and only there', () => {
    expect(shape('FN').joint).toEqual(['keyway']);
    expect(shape('SS1').joint).toEqual([]);
    expect(
      shape('FN', {
        ...site,
        embeds: site.embeds.map((e) =>
          e.id === 'KW-N' ? { ...e, kind: 'waterstop' as const } : e,
        ),
      }).joint,
    ).toEqual(['waterstop']);
  });
});

import { describe, expect, test } from '@jest/globals';
import { lapFromText, lapText } from '../exchange/bar-text.ts';
import { readSchedule } from '../exchange/schedule.ts';
import { rebarTable } from '../exchange/tables.ts';
import { resultOf } from '../kit/calculation.ts';
import { barList } from '../steel/bar-list.ts';
import { padBars } from '../steel/pad-bars.ts';
import { lapLength } from '../steel/lap-length.ts';
import { rebarTakeoff } from '../steel/rebar-takeoff.ts';
import { materialsOf } from '../takeoff/materials.ts';
import { job } from '../testdata/jobs.ts';
import { pointsOf } from './points/index.ts';

/** A base of 5 × 3 m with two mats, 16 mm at 175 below and 12 mm at 200 on top. */
const base = job({
  pads: [
    {
      id: 'B1',
      xM: 0,
      yM: 0,
      widthM: 5,
      lengthM: 3,
      depthM: 0.8,
      bottomM: 0,
      steel: {
        eachWay: { bar: '16mm', spacingM: 0.175 },
        topEachWay: { bar: '12mm', spacingM: 0.2 },
        coverBottomMm: 50,
        coverSideMm: 50,
        coverTopMm: 40,
      },
    },
  ],
  elements: ['B1'],
});

describe('a base with two mats', () => {
  const points = pointsOf(base, 'B1');
  const wanted = (kind: string) => points.find((p) => p.kind === kind)?.wanted;
  test('each way by its own count and spacing, both mats, and as the bar list counts them', () => {
    // (5000 − 100)/175 = 28 spaces, (3000 − 100)/175 = 16.6; (5000 − 100)/200 = 24.5, (3000 − 100)/200 = 14.5.
    expect(wanted('count-bottom-lengthwise')).toEqual({ type: 'count', wanted: 29 });
    expect(wanted('count-bottom-crosswise')).toEqual({ type: 'count', wanted: 18 });
    expect(wanted('count-top-lengthwise')).toEqual({ type: 'count', wanted: 26 });
    expect(wanted('count-top-crosswise')).toEqual({ type: 'count', wanted: 16 });
    expect(wanted('spacing-top-crosswise')).toMatchObject({ specifiedMm: 200, spaces: 6 });
    expect(wanted('size-top')).toEqual({ type: 'bar', wanted: '12mm' });
    const rows = resultOf(rebarTakeoff, { site: base.site }).rows;
    expect(rows.map((r) => r.count)).toEqual([29, 18, 26, 16]);
    expect(rows.map((r) => Number(r.lengthM.toFixed(3)))).toEqual([2.9, 4.9, 2.9, 4.9]);
  });
  test('cover at both sides and over the top mat, length and width of the form', () => {
    expect(wanted('cover-top')).toMatchObject({ face: 'top', specifiedMm: 40, bar: '12mm' });
    const sides = points.find((p) => p.kind === 'cover-side')?.places.map((p) => p.across);
    expect(sides).toEqual(['left', 'right']);
    expect(wanted('width')).toMatchObject({ wantedMm: 5000 });
    expect(wanted('length')).toMatchObject({ wantedMm: 3000 });
  });
  test('a square pad of one mat keeps its list short', () => {
    const pad = { ...base.site.pads[0], lengthM: 5 };
    const square = { ...base, site: { ...base.site, pads: [pad as (typeof base.site.pads)[0]] } };
    const kinds = pointsOf(square, 'B1').map((p) => p.kind);
    expect(kinds).not.toContain('length');
    expect(pointsOf(square, 'B1').find((p) => p.kind === 'width')?.places).toHaveLength(2);
  });
  test('in the bar list both ways of a square mat are one line, and the mats are told apart', () => {
    const pads = [{ ...base.site.pads[0], widthM: 1.524, lengthM: 1.524 }] as typeof base.site.pads;
    const lines = barList({ site: { ...base.site, pads }, pour: base.pour }, 30);
    // (1524 − 100)/175 = 8.1 and (1524 − 100)/200 = 7.1: 10 and 9 bars each way.
    expect(lines.map((l) => [l.count, l.bar, l.what])).toEqual([
      [20, '16mm', 'bottom mat'],
      [18, '12mm', 'top mat'],
    ]);
  });
  test('benches of the top mat go by its mass and spacing', () => {
    const benches = (site = base.site) =>
      materialsOf(site, base.pour).find((m) => m.item === 'benches');
    // 26 × 2.9 + 16 × 4.9 = 153.8 m of 12 mm: 137 kg on 40 kg each is 4; every 0.9 m both ways is 6 × 4.
    expect(benches()?.amount).toBe(24);
    expect(materialsOf(base.site, base.pour).find((m) => m.item === 'chairs')?.amount).toBe(15);
    const [pad] = base.site.pads;
    const heavy = { ...pad?.steel, topEachWay: { bar: '32mm', spacingM: 0.1 } };
    const pads = [{ ...pad, steel: heavy } as (typeof base.site.pads)[0]];
    expect(benches({ ...base.site, pads })?.amount).toBeGreaterThan(40);
    expect(padBars(pads[0] as (typeof pads)[0])).toHaveLength(4);
  });
});

describe('one lap for list, check and report', () => {
  const walls = (lap?: object) =>
    job({
      units: 'us',
      ruleProfile: 'us-aci',
      footingTypes: [
        {
          mark: 'F1',
          widthM: 0.6,
          depthM: 0.3,
          continuous: { bar: '#7', count: 4 },
          transverse: null,
          coverBottomMm: 76.2,
          coverSideMm: 76.2,
          coverTopMm: 50.8,
          drawing: 'S-3',
          ...(lap ? { lap } : {}),
        },
      ],
      runs: [{ id: 'FA', kind: 'footing', type: 'F1', from: 'A', to: 'B', bottomM: 0 }],
      elements: ['FA'],
    });
  const lapsOf = (j: ReturnType<typeof walls>) => {
    const fcMPa = j.mix.fcMPa;
    const [row] = resultOf(rebarTakeoff, { site: j.site, fcMPa }).rows;
    const point = pointsOf(j, 'FA').find((p) => p.kind === 'lap');
    const check = point?.wanted.type === 'size' ? point.wanted.wantedMm : null;
    const table = rebarTable(j, fcMPa);
    const listed = table.rows[0]?.[table.head.findIndex((h) => h.startsWith('lap '))];
    return { list: (row?.lapM ?? 0) * 1000, check, listed, source: point?.source };
  };
  test('computed where the drawing says nothing', () => {
    const j = walls();
    const { lapMm } = resultOf(lapLength, {
      fcMPa: 30,
      fyMPa: 413.685,
      bar: '#7',
      topBar: false,
      coating: 'none',
      spacingClass: 'good',
    });
    expect(lapsOf(j)).toMatchObject({
      list: lapMm,
      check: lapMm,
      source: expect.stringMatching(/computed/),
    });
    expect(lapsOf(j).listed).toBeCloseTo(lapMm / 304.8, 2);
  });
  test.each([
    [{ lengthM: 0.9144 }, 914.4],
    [{ diameters: 40 }, 889],
  ])('the drawing’s %j rules all three, the computed one stands beside it', (lap, mm) => {
    const seen = lapsOf(walls(lap));
    expect(seen.list).toBeCloseTo(mm, 6);
    expect(seen.check).toBeCloseTo(mm, 6);
    expect(seen.source).toMatch(/^S-3, F1; computed it would be /);
  });
  test('bars that may not be lapped ask for couplers, and break nothing', () => {
    const j = walls();
    const [type] = j.site.footingTypes;
    const heavy = { ...type, continuous: { bar: '#14', count: 4, topCount: 0 } };
    const site = { ...j.site, footingTypes: [heavy as NonNullable<typeof type>] };
    expect(pointsOf({ ...j, site }, 'FA').map((p) => p.kind)).toContain('splice');
    expect(resultOf(rebarTakeoff, { site }).rows[0]).toMatchObject({ lapM: null, laps: 4 });
  });
  test.each([
    ['24', { lengthM: 0.6096 }, '24 in'],
    ['40 db', { diameters: 40 }, '40 db'],
    ['40d', { diameters: 40 }, '40 db'],
    ['none', undefined, 'computed'],
  ])('%s is read off a schedule', (text, lap, said) => {
    expect(lapFromText(text, 'us')).toEqual(lap);
    expect(lapText(lap, 'us')).toBe(said);
  });
  test('a schedule brought in may carry it, and says what it cannot read', () => {
    const head = ['mark', 'width', 'depth', 'along', 'lap'];
    const { rows } = readSchedule(
      [head, ['F1', '24', '12', '3 No. 5', '40 db'], ['F2', '24', '12', '3 No. 5', 'long']],
      'us',
      'us-aci',
    );
    expect(rows[0]?.type?.type.lap).toEqual({ diameters: 40 });
    expect(rows[1]?.problems[0]).toMatchObject({ column: 'lap' });
  });
});

import { describe, expect, test } from '@jest/globals';
import { drawnOf, withDrawn } from '../siteplan/drawn.ts';
import { sitePlanSchema } from '../model/site-check.ts';
import { demoPour } from '../testdata/demo.ts';
import { takeOff } from '../takeoff/takeoff.ts';
import { materialsOf } from '../takeoff/materials.ts';
import { guessLayer, runsFromLines, type DrawnLine } from './lines.ts';
import {
  barFromText,
  countedFromText,
  countedText,
  ledgeFromText,
  ledgeText,
  spacedFromText,
  spacedText,
} from './bar-text.ts';
import { readSchedule } from './schedule.ts';
import { cutsOf } from '../steel/bar-list.ts';
import { rebarTable, takeoffTable } from './tables.ts';

const table = (text: string) =>
  text
    .trim()
    .split('\n')
    .map((l) => l.split('|').map((c) => c.trim()));

describe('a schedule from a spreadsheet', () => {
  test('reads footings and walls in US units', () => {
    const { rows, problem, ignored } = readSchedule(
      table(`
      Mark | Width | Depth | Along | Across | Drawing | Colour
      F7 | 30 | 1'-0" | 4 No. 6 | #5 @ 12 | S-9 | red
      F8 | 24 in | 12 | 3 #5 | none | |`),
      'us',
      'us-aci',
    );
    expect([problem, ignored]).toEqual([null, ['Colour']]);
    expect(rows[0]?.type?.type).toMatchObject({
      mark: 'F7',
      widthM: 0.762,
      depthM: 0.3048,
      continuous: { bar: '#6', count: 4 },
      transverse: { bar: '#5', spacingM: 0.3048 },
      coverBottomMm: 76.2,
      drawing: 'S-9',
    });
    expect(rows[1]?.type?.type).toMatchObject({ transverse: null });
  });
  test('reads walls in metric', () => {
    const { rows } = readSchedule(
      table(`
      mark | kind | thickness | upright | level bars | mats | cover inside
      V2 | wall | 300 | 12 mm @ 200 | T10 at 250 | 2 | 40`),
      'metric',
      'metric-en',
    );
    expect(rows[0]?.type).toMatchObject({
      list: 'wallTypes',
      type: {
        mark: 'V2',
        thicknessM: 0.3,
        mats: 2,
        vertical: { bar: '12mm', spacingM: 0.2 },
        horizontal: { bar: '10mm', spacingM: 0.25 },
        coverInsideMm: 40,
        coverOutsideMm: 40,
        coverUsual: true,
      },
    });
  });
  test('a cover that is not given is what the code asks for by bar and face, and marked so', () => {
    const { rows } = readSchedule(
      table(`
      mark | kind | width | depth | along | upright | level bars | cover bottom | cover side | cover top
      F1 | footing | 24 | 12 | 3 No. 6 | | | | |
      F2 | footing | 24 | 12 | 3 No. 5 | | | 3 | 2 | 1.5
      W6 | wall | 12 | | | No. 6 at 12 | No. 4 at 12 | | |
      W5 | wall | 8 | | | No. 5 at 12 | No. 4 at 12 | | |`),
      'us',
      'us-aci',
    );
    // ACI 318-19 table 20.5.1.3.1: 3 in against ground; formed 2 in from No. 6, 1½ in below.
    expect(rows[0]?.type?.type).toMatchObject({
      coverBottomMm: 76.2,
      coverTopMm: 50.8,
      coverUsual: true,
    });
    expect(rows[1]?.type?.type).not.toHaveProperty('coverUsual');
    expect(rows[2]?.type?.type).toMatchObject({ coverOutsideMm: 50.8, coverUsual: true });
    expect(rows[3]?.type?.type).toMatchObject({ coverOutsideMm: 38.1, coverUsual: true });
  });
  test.each([
    ['F1 | | 12 | 3 No. 5 |', 'width', /is empty/],
    ['F1 | wide | 12 | 3 No. 5 |', 'width', /cannot be read/],
    ['F1 | -3 | 12 | 3 No. 5 |', 'width', /not above 0/],
    ['F1 | 24 | 12 | three |', 'along', /so many bars/],
    ['F1 | 24 | 12 | 3 No. 99 |', 'along', /so many bars/],
    ['F1 | 24 | 12 | 3 No. 5 | every foot', 'across', /bar at a spacing/],
    ['| 24 | 12 | 3 No. 5 |', 'mark', /is empty/],
  ])('%s says what is wrong in its cell', (row, column, message) => {
    const [read] = readSchedule(
      table(`mark | width | depth | along | across\n${row}`),
      'us',
      'us-aci',
    ).rows;
    expect(read?.type).toBeNull();
    expect(read?.problems).toContainEqual({
      column,
      message: expect.stringMatching(message) as unknown as string,
    });
  });
  test('a mark twice, no names of columns, and no rows are said', () => {
    expect(
      readSchedule(
        table('mark | width | depth | along\nF1|24|12|2 #5\nF1|24|12|2 #5'),
        'us',
        'us-aci',
      ).rows[1]?.problems[0]?.message,
    ).toMatch(/twice/);
    expect(readSchedule(table('F1|24|12'), 'us', 'us-aci').problem).toMatch(
      /first row must name the columns/,
    );
    expect(readSchedule(table('mark|width'), 'us', 'us-aci').problem).toMatch(/no rows/);
    expect(readSchedule([], 'us', 'us-aci').problem).not.toBeNull();
  });
  test('bars as people write them', () => {
    expect(['No. 5', '#5', '5', 'no 5'].map((t) => barFromText(t, 'us'))).toEqual([
      '#5',
      '#5',
      '#5',
      '#5',
    ]);
    expect(['12 mm', '12', 'T12', 'H12'].map((t) => barFromText(t, 'metric'))).toEqual([
      '12mm',
      '12mm',
      '12mm',
      '12mm',
    ]);
    expect(barFromText('thick', 'us')).toBeNull();
  });
});

describe('lines of a drawing', () => {
  const { site, pour } = demoPour('quillback', 'P4');
  const plan = drawnOf(site, [pour]);
  const line = (layer: string, x1: number, y1: number, x2: number, y2: number): DrawnLine => ({
    layer,
    x1,
    y1,
    x2,
    y2,
  });
  const square = [
    line('F', 100, 0, 110, 0),
    line('F', 110.0005, 0, 110, 8),
    line('F', 110, 8, 100, 8),
    line('F', 100, 8, 100, 0),
  ];
  const layers = { F: { kind: 'footing' as const, type: 'F1', bottomM: 28 } };
  test('become runs that meet at their ends, in the unit that was said', () => {
    const { plan: next, added } = runsFromLines(plan, square, layers, 'm', 'P4');
    expect(added).toHaveLength(4);
    expect(next.nodes.length - plan.nodes.length).toBe(4);
    expect(next.pours[0]?.elements).toEqual(['R', ...added]);
    expect(sitePlanSchema.safeParse(withDrawn(site, next)).success).toBe(true);
    const inFeet = runsFromLines(plan, square, layers, 'ft', 'P4').plan;
    expect(inFeet.nodes.at(-1)?.xM).toBeCloseTo(100 * 0.3048, 3);
  });
  test('join nodes that are there already, and leave out doubles, specks and other layers', () => {
    const b5 = plan.nodes.find((n) => n.id === 'B5');
    const [x, y] = [b5?.xM ?? 0, b5?.yM ?? 0];
    const got = runsFromLines(
      plan,
      [
        line('F', x, y, x, y + 3),
        line('F', x, y + 3, x, y),
        line('F', x, y, x + 0.01, y),
        line('other', 0, 0, 5, 5),
      ],
      layers,
      'm',
      null,
    );
    expect(got).toMatchObject({ specks: 1, doubles: 1 });
    expect(got.plan.runs.at(-1)?.from).toBe('B5');
    expect(got.added).toHaveLength(1);
  });
  test('a layer is guessed by its name', () => {
    expect(guessLayer('FOOTING-F2', site)).toEqual({ kind: 'footing', type: 'F2' });
    expect(guessLayer('S-WALLS_W3', site)).toEqual({ kind: 'wall', type: 'W3' });
    expect(guessLayer('foundations', site)?.kind).toBe('footing');
    expect(guessLayer('TREES', site)).toBeNull();
  });
});

describe('lists', () => {
  test('cuts of a long bar are stock lengths and a rest that holds the laps', () => {
    expect(cutsOf(5, 0, 0.8, 6)).toEqual([{ count: 1, lengthM: 5 }]);
    const cuts = cutsOf(15, 2, 0.8, 6);
    expect(cuts[0]).toEqual({ count: 2, lengthM: 6 });
    expect(cuts.reduce((s, c) => s + c.count * c.lengthM, 0)).toBeCloseTo(15 + 2 * 0.8, 9);
    // Where nothing remains but a whole bar, all are alike.
    expect(cutsOf(11.2, 1, 0.8, 6)).toEqual([{ count: 2, lengthM: 6 }]);
  });
  test('the take-off lists every run in the site’s units, with what else it takes', () => {
    const p3 = demoPour('quillback', 'P3');
    const t = takeoffTable(p3);
    expect(t.head.slice(0, 5)).toEqual(['run', 'type', 'length ft', 'forms ft²', 'concrete yd³']);
    const own = takeOff(p3.site).elements.find((e) => e.id === 'SE2');
    expect(t.rows.filter((r) => r[0] === 'SE2')[0]?.slice(0, 5)).toEqual([
      'SE2',
      'F2',
      16,
      Number(((own?.formM2 ?? 0) / 0.09290304).toFixed(1)),
      Number(((own?.concreteM3 ?? 0) / 0.764554857984).toFixed(3)),
    ]);
    expect(t.rows.every((r) => r.length === t.head.length)).toBe(true);
    const bars = rebarTable(p3, 24);
    expect(bars.rows.find((r) => r[0] === 'SS1')?.slice(0, 4)).toEqual([
      'SS1',
      'along',
      'No. 5',
      2,
    ]);
    expect(bars.rows.find((r) => r[0] === 'SS1')?.[4]).toMatch(/^1 × 20 \+ 1 × 1\d/);
  });
  test('chairs, ties and braces come from the model', () => {
    const p3 = demoPour('quillback', 'P3');
    const amount = (m: ReturnType<typeof materialsOf>, id: string, item: string) =>
      m.find((x) => x.elementId === id && x.item === item)?.amount;
    // 16 ft of three bars, a chair each 4 ft.
    expect(amount(materialsOf(p3.site, p3.pour), 'SE2', 'chairs')).toBe(12);
    const p2 = demoPour('quillback', 'P2');
    const m = materialsOf(p2.site, p2.pour);
    // Five at each of eleven joints and two corner pieces.
    expect(amount(m, 'N', 'ties')).toBe(65);
    expect(amount(m, 'N', 'hold-downs')).toBe(2);
    expect(amount(m, 'N', 'dowels')).toBe(4);
    expect(
      amount(materialsOf(p2.site, { ...p2.pour, forms: undefined }), 'N', 'ties'),
    ).toBeUndefined();
  });
  test('a drain takes its pipe, the gravel round it and the fabric, by the trench they lie in', () => {
    const { site } = demoPour('quillback', 'P4');
    const drained = {
      ...site,
      embeds: [{ id: 'D1', elementId: 'RF1', kind: 'drain' as const, atM: 0, toM: 6 }],
    };
    const m = materialsOf(drained, { elements: ['RF1'], forms: undefined });
    const amount = (item: string) => m.find((x) => x.item === item)?.amount ?? 0;
    expect(amount('drain pipe')).toBeCloseTo(6 * 1.03, 9);
    // A trench 1 ft wide and deep, less the pipe, and an eighth more as it comes off the truck loose.
    expect(amount('gravel')).toBeCloseTo((6 * 0.3048 ** 2 - 6 * Math.PI * 0.05 ** 2) * 1.12, 6);
    expect(amount('filter fabric')).toBeGreaterThan(6 * 4 * 0.3048);
    expect(
      materialsOf({ ...site, embeds: [] }, { elements: ['RF1'], forms: undefined }).some(
        (x) => x.item === 'gravel',
      ),
    ).toBe(false);
  });
});

describe('hooks and ledges as a schedule writes them', () => {
  test('bars with hooks are read, and written back as they are read', () => {
    expect(spacedFromText('No. 4 at 12, hooked', 'us')).toEqual({
      bar: '#4',
      spacingM: 0.3048,
      hooks: 'both',
    });
    expect(countedFromText('3 No. 5 hook one end', 'us')).toEqual({
      bar: '#5',
      count: 3,
      hooks: 'one',
    });
    for (const text of [
      'No. 4 at 12 in',
      'No. 4 at 12 in, hooked',
      'No. 4 at 12 in, hooked one end',
    ]) {
      const v = spacedFromText(text, 'us');
      expect(typeof v === 'string' ? v : spacedText(v, 'us')).toBe(text);
    }
    const v = countedFromText('4 × 12 mm, hooked', 'metric');
    expect(typeof v === 'string' ? v : countedText(v)).toBe('4 12 mm, hooked');
  });
  test('what cannot be read is said with what would do', () => {
    expect(countedFromText('No. 5', 'us')).toMatch(/as 3 No\. 5/);
    expect(countedFromText('4 of 12', 'metric')).toMatch(/“4 of 12” is not .* as 4 × 12 mm/);
    expect(spacedFromText('No. 5 at 0', 'us')).toMatch(/as No\. 5 at 12/);
  });
  test('a ledge is wide by high, or none, or said how to write it', () => {
    expect(ledgeFromText('5 x 8', 'us')).toEqual({ widthM: 0.127, heightM: 0.2032 });
    expect(ledgeFromText('120 × 200', 'metric')).toEqual({ widthM: 0.12, heightM: 0.2 });
    expect(ledgeFromText('none', 'us')).toBeNull();
    expect(ledgeFromText('5', 'us')).toMatch(/5 × 8/);
    expect(ledgeFromText(ledgeText({ widthM: 0.127, heightM: 0.2032 }, 'us'), 'us')).toEqual({
      widthM: 0.127,
      heightM: 0.2032,
    });
  });
});

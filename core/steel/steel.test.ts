import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rebarTable } from '../exchange/tables.ts';
import { evaluate, resultOf } from '../kit/calculation.ts';
import { drawnOf, withDrawn } from '../siteplan/drawn.ts';
import { applyEdit } from '../siteplan/edit/apply.ts';
import { demoPour } from '../testdata/demo.ts';
import { barNamed, BAR_NAMES } from '../model/bars.ts';
import { coverVerdict } from './cover-verdict.ts';
import { hook } from './hook.ts';
import { lapLength } from './lap-length.ts';
import { rebarTakeoff } from './rebar-takeoff.ts';
import { barsRequired, spacingVerdict } from './spacing-verdict.ts';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('bars', () => {
  test.each([
    ['#5', 15.875, 199.9996, 1.5522],
    ['#11', 35.814, 1006.4496, 7.9066],
    ['12mm', 12, 113.0973, 0.8878],
    ['15M', 16, 200, 1.57],
  ])('%s is %d mm, %d mm², %d kg/m', (name, diameter, area, mass) => {
    const bar = barNamed(name);
    expect(bar.diameterMm).toBeCloseTo(diameter, 3);
    expect(bar.areaMm2).toBeCloseTo(area, 3);
    expect(bar.massKgM).toBeCloseTo(mass, 3);
  });

  test('every bar’s area and mass go with its diameter', () => {
    for (const name of BAR_NAMES) {
      const bar = barNamed(name);
      // Tables round areas; a wrong row would be far outside this.
      expect(bar.areaMm2 / ((Math.PI * bar.diameterMm ** 2) / 4)).toBeCloseTo(1, 0.7);
      expect(bar.massKgM / (bar.areaMm2 * 7850e-6)).toBeCloseTo(1, 1);
    }
  });

  test('a bar nobody makes is an error, not a guess', () => {
    expect(() => barNamed('#2')).toThrow(/no bar is called #2/);
  });
});

describe('cover', () => {
  const judge = (readingsMm: number[], specifiedMm = 76.2, memberDepthMm = 304.8) =>
    resultOf(coverVerdict, { specifiedMm, memberDepthMm, readingsMm, profile: 'aci117' });

  test('a deeper bar is never judged worse than a shallower one', () => {
    const rank = { short: 0, tight: 1, ok: 2 };
    fc.assert(
      fc.property(mm(0, 150), mm(0, 60), (reading, more) => {
        expect(rank[judge([reading + more]).verdict]).toBeGreaterThanOrEqual(
          rank[judge([reading]).verdict],
        );
      }),
    );
  });

  test('the least reading rules, whatever stands beside it, and the order does not matter', () => {
    fc.assert(
      fc.property(fc.array(mm(0, 150), { minLength: 1, maxLength: 12 }), (readings) => {
        const all = judge(readings);
        expect(all.verdict).toBe(judge([Math.min(...readings)]).verdict);
        expect(judge([...readings].reverse()).leastMm).toBe(all.leastMm);
        expect(all.failing.map((i) => readings[i])).toEqual(
          readings.filter((r) => r < 63.5 - 1e-7),
        );
      }),
    );
  });

  test('never more than a third of a small cover is forgiven', () => {
    expect(judge([13], 19.05).allowedLeastMm).toBeCloseTo(19.05 * (2 / 3), 9);
    expect(judge([38], 38.1, 150).allowedLeastMm).toBeCloseTo(38.1 - 9.525, 9);
  });

  test('a bar far up from the ground is watched, with a caution', () => {
    const out = evaluate(coverVerdict, {
      specifiedMm: 50,
      memberDepthMm: 300,
      readingsMm: [50, 90],
      profile: 'aci117',
    });
    expect(out.result).toMatchObject({ verdict: 'ok', watch: [1] });
    expect(out.cautions.join()).toMatch(/effective depth/);
  });
});

describe('spacing', () => {
  test('the bars required close every gap to the spacing, and one fewer does not', () => {
    fc.assert(
      fc.property(mm(500, 30_000), mm(75, 600), (length, spacing) => {
        const end = 76.2;
        const n = barsRequired(length, end, spacing);
        const gap = (bars: number) => (length - 2 * end) / (bars - 1);
        expect(gap(n)).toBeLessThanOrEqual(spacing * (1 + 1e-6));
        if (n > 2) expect(gap(n - 1)).toBeGreaterThan(spacing);
      }),
    );
  });

  test('too few bars is said before a wide gap', () => {
    expect(
      resultOf(spacingVerdict, {
        specifiedMm: 300,
        readingsMm: [500],
        lengthMm: 3000,
        countedBars: 3,
      }).verdict,
    ).toBe('few');
    expect(
      resultOf(spacingVerdict, {
        specifiedMm: 300,
        readingsMm: [500],
        lengthMm: 3000,
        countedBars: 11,
      }).verdict,
    ).toBe('off');
  });

  test('neither a count over a distance nor readings is told what is missing', () => {
    expect(() => evaluate(spacingVerdict, { specifiedMm: 300 })).toThrow(
      /overMm is missing: give overMm and spaces, or readingsMm/,
    );
  });
});

describe('laps', () => {
  const lap = (more: object) =>
    resultOf(lapLength, {
      fcMPa: 27.579,
      fyMPa: 413.685,
      bar: '#5',
      topBar: false,
      coating: 'none',
      spacingClass: 'good',
      ...more,
    });

  test('stronger concrete never asks for more, a top bar, epoxy or close spacing never for less', () => {
    fc.assert(
      fc.property(
        mm(17, 80),
        mm(0, 30),
        fc.constantFrom('#4', '#5', '#6', '#8', '16mm', '25mm'),
        (fcMPa, more, bar) => {
          expect(lap({ fcMPa: fcMPa + more, bar }).lapMm).toBeLessThanOrEqual(
            lap({ fcMPa, bar }).lapMm + 1e-9,
          );
          const plain = lap({ fcMPa, bar }).lapMm;
          for (const worse of [
            { topBar: true },
            { coating: 'epoxyClose' },
            { spacingClass: 'other' },
            { lightweight: true },
          ]) {
            expect(lap({ fcMPa, bar, ...worse }).lapMm).toBeGreaterThanOrEqual(plain - 1e-9);
          }
        },
      ),
    );
  });

  test('the drawing rules, and a lap shorter than computed is cautioned', () => {
    const out = evaluate(lapLength, {
      fcMPa: 27.579,
      fyMPa: 413.685,
      bar: '#5',
      topBar: false,
      coating: 'none',
      spacingClass: 'good',
      drawing: { multipleOfDb: 30 },
    });
    expect(out.result).toMatchObject({ lapMm: 476.25, leastMm: 450.85, ruledBy: 'drawing' });
    expect(out.cautions.join()).toMatch(/shorter lap than computed/);
  });

  test('the biggest bars are refused by name', () => {
    for (const bar of ['#14', '#18']) expect(() => lap({ bar })).toThrow(/bar may not be lapped/);
    expect(() => lap({ bar: 'rope' })).toThrow(/not a bar the table knows/);
  });
});

describe('bars of the demo site', () => {
  const { site } = demoPour('quillback', 'P1');
  const rows = (id: string) =>
    resultOf(rebarTakeoff, { site }).rows.filter((r) => r.elementId === id);

  test('36 ft of F2: three lines with one lap each by 20 ft stock, 37 bars across at 12 in', () => {
    const [along, across] = rows('FN');
    expect(along).toMatchObject({ role: 'along', bar: '#5', count: 3, laps: 3 });
    // 1.3 · 60 000/(25·√3500) · 5/8 in, as the check asks for it.
    const lapM = ((1.3 * 60_000) / (25 * Math.sqrt(3500))) * 0.625 * 0.0254;
    expect(along?.totalLengthM).toBeCloseTo(3 * (36 * 0.3048 + lapM), 3);
    expect(across).toMatchObject({ role: 'across', bar: '#5', count: 37 });
    expect(across?.lengthM).toBeCloseTo(18 * 0.0254, 6);
  });

  test('two mats of a wall count twice, a pad each way', () => {
    expect(rows('R').map((r) => r.count % 2)).toEqual([0, 0]);
    expect(rows('K1').map((r) => [r.role, r.count])).toEqual([
      ['bottomMat', 4],
      ['bottomMat', 4],
    ]);
  });

  test('longer stock needs fewer laps and no less steel in the work', () => {
    const short = resultOf(rebarTakeoff, { site, stockLengthM: 6 });
    const long = resultOf(rebarTakeoff, { site, stockLengthM: 12 });
    expect(long.rows.reduce((s, r) => s + r.laps, 0)).toBeLessThan(
      short.rows.reduce((s, r) => s + r.laps, 0),
    );
    expect(long.massKg).toBeLessThan(short.massKg);
    expect(() => resultOf(rebarTakeoff, { site, stockLengthM: 1, lapM: 1 })).toThrow(
      /not shorter than the stock length/,
    );
  });
});

describe('hooks of upright bars', () => {
  const { site, pour } = demoPour('quillback', 'P2');
  const drawn = drawnOf(site, [pour]);
  const hooked = (ends: 'one' | 'both') =>
    withDrawn(
      site,
      applyEdit(site, drawn, {
        do: 'putType',
        list: 'wallTypes',
        type: {
          ...(site.wallTypes.find((t) => t.mark === 'W2') as (typeof site.wallTypes)[number]),
          vertical: { bar: '#5', spacingM: 0.3048, hooks: ends },
        },
      }),
    );
  const up = (s: typeof site) =>
    resultOf(rebarTakeoff, { site: s }).rows.find(
      (r) => r.elementId === 'N' && r.role === 'vertical',
    );
  test('add their extension and bend to every bar, less the corner turned', () => {
    const h = resultOf(hook, { bar: '#5' });
    const adds =
      (h.extensionMm + h.arcMm - h.bendDiameterMm / 2 - barNamed('#5').diameterMm) / 1000;
    const plain = up(site)?.lengthM ?? 0;
    expect(up(hooked('one'))).toMatchObject({ hooks: 1 });
    expect(up(hooked('one'))?.lengthM).toBeCloseTo(plain + adds, 9);
    expect(up(hooked('both'))?.lengthM).toBeCloseTo(plain + 2 * adds, 9);
    expect(adds).toBeCloseTo(0.2143, 4);
  });
  test('are named in the list of bars', () => {
    expect(rebarTable({ site: hooked('one'), pour }, 27).rows.find((r) => r[0] === 'N')?.[1]).toBe(
      'upright, hooked one end',
    );
  });
});

import { describe, expect, test } from '@jest/globals';
import { smallPlan } from '../testdata/small-plan.ts';
import { barNamed, BAR_NAMES } from './bars.ts';
import {
  elementIds,
  elementSpots,
  elementsText,
  labelsByElement,
  padUnder,
  standsOf,
  typesByElement,
} from './elements.ts';
import { angleOf, endsOf, lengthOf, nodeOf, roundM, runOf, runsAt, wallRuns } from './geometry.ts';
import { sitePlanSchema } from './site-check.ts';
import { pierHeightM, pierWidthM, wallHeightM } from './site.ts';
import { closedToLog } from './standing.ts';

const plan = sitePlanSchema.parse(smallPlan());

describe('where things lie on a plan', () => {
  test('a run is as long as its nodes are apart, and points from the first to the second', () => {
    expect(lengthOf(plan, { from: 'A', to: 'B' })).toBe(12);
    expect(lengthOf(plan, { from: 'A', to: 'C' })).toBe(15);
    expect(angleOf(plan, { from: 'A', to: 'B' })).toBe(0);
    expect(angleOf(plan, { from: 'B', to: 'C' })).toBe(90);
    expect(angleOf(plan, { from: 'B', to: 'A' })).toBe(180);
    expect(angleOf(plan, { from: 'C', to: 'B' })).toBe(270);
  });

  test('a node that is not there gives no ends, no length and no direction', () => {
    expect(endsOf(plan, { from: 'A', to: 'Z' })).toBeNull();
    expect(lengthOf(plan, { from: 'A', to: 'Z' })).toBe(0);
    expect(angleOf(plan, { from: 'Z', to: 'A' })).toBe(0);
    expect(nodeOf(plan, 'Z')).toBeUndefined();
    expect(runOf(plan, 'Z')).toBeUndefined();
  });

  test('runs that meet at a node come in the order of the plan', () => {
    expect(runsAt(plan, 'A').map((r) => r.id)).toEqual(['S', 'SW']);
    expect(runsAt(plan, 'B').map((r) => r.id)).toEqual(['S', 'E', 'SW']);
    expect(runsAt(plan, 'Z')).toEqual([]);
    expect(wallRuns(plan.runs).map((r) => r.id)).toEqual(['SW']);
  });

  test('heights are from bottom to top; a footing has its own by its type', () => {
    expect(wallHeightM(plan.runs[2] ?? { bottomM: 0 })).toBeCloseTo(2.4, 9);
    expect(pierHeightM(plan.piers[0] as never)).toBeCloseTo(1.5, 9);
    expect(pierWidthM(plan.piers[0] as never)).toBe(0.4);
  });

  test('lengths are kept to a tenth of a millimetre', () => {
    expect(roundM(1.234_56)).toBe(1.2346);
    expect(roundM(-0.000_04)).toBeCloseTo(0, 12);
  });
});

describe('what a pour is made of', () => {
  test('runs, then pads, then piers, each by its name, type and what it is called', () => {
    expect(elementIds(plan)).toEqual(['S', 'E', 'SW', 'P1', 'Q1']);
    expect([...typesByElement(plan)]).toEqual([
      ['S', 'F1'],
      ['E', 'F1'],
      ['SW', 'W1'],
      ['P1', 'pad'],
      ['Q1', 'pier'],
    ]);
    expect([...labelsByElement(plan)]).toEqual([
      ['S', 'South footing'],
      ['P1', 'Chimney'],
    ]);
  });

  test('is told in numbers of each kind, and not of what there is none', () => {
    expect(elementsText(plan, ['S', 'E', 'P1'])).toBe('2 runs, 1 pad');
    expect(elementsText(plan, ['Q1'])).toBe('1 pier');
    expect(elementsText(plan, [])).toBe('');
    expect(elementsText(plan, ['gone'])).toBe('');
  });

  test('a pad stands from its bottom up by its depth; a round pier is as long as it is wide', () => {
    const [pad, pier] = standsOf(plan);
    expect(pad).toMatchObject({ kind: 'pad', bottomM: 98.9, lengthM: 1.5, type: 'pad' });
    expect(pad?.topM).toBeCloseTo(99.3, 9);
    expect(pier).toMatchObject({ kind: 'pier', widthM: 0.4, lengthM: 0.4, topM: 100.8 });
  });

  test('a spot is on a pad up to its edge, and beyond it on bare ground', () => {
    expect(padUnder(plan.pads, { xM: 6.6, yM: 4.75 })?.id).toBe('P1');
    expect(padUnder(plan.pads, { xM: 6.61, yM: 4 })).toBeUndefined();
    expect(padUnder([], { xM: 6, yM: 4 })).toBeUndefined();
  });

  test('a run lies at its two ends, a pad at its middle, what is not there nowhere', () => {
    expect(elementSpots(plan, 'E')).toMatchObject([
      { xM: 12, yM: 0 },
      { xM: 12, yM: 9 },
    ]);
    expect(elementSpots(plan, 'P1')).toEqual([{ xM: 6, yM: 4 }]);
    expect(elementSpots(plan, 'gone')).toEqual([]);
  });
});

describe('bars by name', () => {
  test('No. 5 is five eighths across and 1.043 lb a foot; 16 mm is 1.58 kg a metre', () => {
    expect(barNamed('#5').diameterMm).toBeCloseTo(15.875, 6);
    expect(barNamed('#5').areaMm2).toBeCloseTo(0.31 * 645.16, 6);
    expect(barNamed('#5').massKgM).toBeCloseTo(1.552, 3);
    expect(barNamed('16mm').areaMm2).toBeCloseTo(201.06, 2);
    expect(barNamed('16mm').massKgM).toBeCloseTo(1.578, 3);
    expect(barNamed('15M').areaMm2).toBe(200);
  });

  test('each family has names of its own, and a name that is none is an error', () => {
    expect(new Set(BAR_NAMES).size).toBe(BAR_NAMES.length);
    expect(() => barNamed('#12')).toThrow('no bar is called #12');
  });
});

describe('why nothing is logged', () => {
  const pour = { code: 'P2', cancelled: undefined, archived: undefined };
  const calledOff = { at: '2026-09-23T11:40:00Z', by: 'M. Ostrander', reason: 'Rain' };

  test('an archived site shuts all its pours, whatever they are', () => {
    expect(closedToLog(pour, true)).toBe('This site is archived: bring it back first.');
  });

  test('a pour is shut by itself when it is archived or called off', () => {
    expect(closedToLog(pour, false)).toBeNull();
    expect(closedToLog({ ...pour, archived: true }, false)).toBe(
      'P2 is archived: bring it back first.',
    );
    expect(closedToLog({ ...pour, cancelled: calledOff }, false)).toBe(
      'P2 is called off: take that back first.',
    );
  });
});

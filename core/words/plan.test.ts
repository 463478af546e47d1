import { describe, expect, test } from '@jest/globals';
import type { Odds, Route, Start } from '../pourplan/index.ts';
import { clockText } from '../units/index.ts';
import {
  limitWord,
  ofHundred,
  orderWayText,
  remedyText,
  routeWhy,
  ruleWord,
  seamText,
  startReasonText,
  whatGoesWrong,
  whatIfTitle,
} from './plan.ts';

const spread = (p50: number) => ({ p10: p50 - 10, p50, p90: p50 + 10 });
const odds = (over: Partial<Odds> = {}): Odds =>
  ({
    coldSeam: 0,
    overAge: 0,
    short: 0,
    afterDusk: 0,
    overRating: 0,
    inRain: 0,
    finishMin: spread(660),
    seams: [],
    ...over,
  }) as unknown as Odds;
type Leg = Partial<Route['legs'][number]>;
const route = (legs: Leg[], closed = false) =>
  ({ closed, legs: legs.map((l) => ({ storey: 0, bottomM: 0, lifts: 1, ...l })) }) as Route;

describe('what speaks against a start', () => {
  type Reason = Start['reasons'][number];
  const said = (rule: Reason['rule'], value: number, limit: number, atMin = 600) =>
    startReasonText({ rule, value, limit, atMin } as Reason, 'metric', clockText);

  test.each([
    ['rain', 2.5, 1, 'Rain 2.5 mm/h at 10:00, over 1 mm/h'],
    ['wind', 52, 45, 'Wind 52 km/h at 10:00, allowed 45 km/h'],
    ['cold', 3, 5, 'Down to 3 °C at 10:00: cold weather rules'],
    ['drying', 1.2, 1, 'The face dries 1.2 kg/m²/h at 10:00: fog or cover it'],
    ['forecast', 700, 650, 'The forecast ends 10:50'],
  ] as const)('%s, with its figure, when, and its limit', (rule, value, limit, words) => {
    expect(said(rule, value, limit)).toBe(words);
  });

  test('dark is before the sun or after dusk', () => {
    expect(said('dark', 360, 400)).toBe('Starts before the sun, 06:40');
    expect(said('dark', 1200, 1100)).toBe('Clearing up until 20:00, dusk 18:20');
  });

  test('a plant is not open yet, or shuts before the last batch', () => {
    expect(said('plant', 380, 420, 380)).toBe('First batch 06:20, the plant opens 07:00');
    expect(said('plant', 1000, 960, 400)).toBe('Last batch 16:40, the plant shuts 16:00');
  });

  test('has one word on the axis, and another as the limit it is', () => {
    expect([ruleWord('dark'), limitWord('dark')]).toEqual(['dark', 'dusk']);
    expect([ruleWord('plant'), limitWord('plant')]).toEqual(['plant', 'plant shuts']);
    expect([ruleWord('cold'), limitWord('cold')]).toEqual(['frost', 'frost']);
  });
});

describe('an order way beside its likely cost', () => {
  const way = (standingCost: number, coldSeams: number, seams = 3) =>
    orderWayText({ standingCost, coldSeams, seams } as never, 'EUR');
  test('says what else it costs, or that every seam is met', () => {
    expect(way(0, 0)).toBe('every seam in its window');
    expect(way(0.4, 0)).toBe('every seam in its window');
    expect(way(0, 0, 0)).toBe('no seams');
    expect(way(0, 1)).toBe('+ 1 seam cold');
    expect(way(84, 2)).toMatch(/^\+ .*84.* standing, 2 seams cold$/);
  });
});

describe('what may go otherwise', () => {
  test('is warmer by degrees of the site', () => {
    expect(whatIfTitle('hotter', 'metric', false)).toBe('5 °C warmer');
    expect(whatIfTitle('hotter', 'us', false)).toBe('9 °F warmer');
    expect(whatIfTitle('late', 'us', false)).toBe(whatIfTitle('late', 'metric', false));
    // Where it is mixed on the site no load comes: the drum turns late.
    expect(whatIfTitle('late', 'us', true)).toBe('The mixer turns 60 min late');
  });

  test('has the remedy that is cheapest, or none', () => {
    const remedy = { id: 'retarder', saves: 120 } as never;
    expect(remedyText({ remedy } as never, 'EUR', false)).toMatch(
      /^Cheapest: a retarder in the mix, saves .*120.*\.$/,
    );
    expect(remedyText({ remedy: null } as never, 'EUR', false)).toMatch(/^Nothing beforehand/);
  });

  test('only what is worse than on the plan by a morning in twenty is news', () => {
    const plan = odds({ coldSeam: 0.1 });
    expect(whatGoesWrong(odds({ coldSeam: 0.13 }), plan, route([]))).toEqual({
      bad: false,
      text: 'done 11:00',
    });
    const [late, on] = [1, 0].map((lift) => ({ elementId: 'W', lift }));
    const seams = [{ kind: 'below', late, on }] as never;
    const worse = odds({ coldSeam: 0.6, inRain: 0.25, finishMin: spread(695), seams });
    expect(whatGoesWrong(worse, plan, route([{ elementId: 'W', lifts: 2 }]))).toEqual({
      bad: true,
      text: 'a seam goes cold on 12 of 20 mornings, W lift 2 first; placing into the rain on 5 of 20 mornings; done 11:35, 35 min later',
    });
  });

  test.each([
    ['overAge', 'a load gets too old on 10 of 20 mornings'],
    ['short', 'short on 10 of 20 mornings'],
    ['afterDusk', 'after dusk on 10 of 20 mornings'],
    ['overRating', 'forms over their rating on 10 of 20 mornings'],
  ] as const)('%s is said in words', (key, words) => {
    const said = whatGoesWrong(odds({ [key]: 0.5, finishMin: spread(640) }), odds(), route([]));
    expect(said).toEqual({ bad: true, text: `${words}; done 10:40, 20 min sooner` });
  });
});

describe('a seam as it is spoken', () => {
  const legs = route([
    { elementId: 'N', lifts: 1 },
    { elementId: 'W', lifts: 2 },
  ]);
  const seam = (kind: 'below' | 'beside', late: [string, number], on: [string, number]) => {
    const face = ([elementId, lift]: [string, number]) => ({ elementId, lift });
    return seamText({ kind, late: face(late), on: face(on) }, legs);
  };
  test('lifts are counted from one, where there are several', () => {
    expect(seam('below', ['W', 1], ['W', 0])).toBe('W lift 2');
    expect(seam('beside', ['N', 0], ['W', 0])).toBe('N beside W lift 1');
  });
  test('is never none in a hundred where it may happen', () => {
    expect(ofHundred(0.001)).toBe('1 in 100');
    expect(ofHundred(0.254)).toBe('25 in 100');
  });
});

describe('why the way round goes as it does', () => {
  const cold = [{}] as never;
  test('nothing is said of nothing', () => {
    expect(routeWhy(route([]), [], 0)).toEqual([]);
  });
  test('what stands apart has no seam to say anything of', () => {
    const apart = route([
      { elementId: 'PR1', bottomM: -2.4 },
      { elementId: 'PR2', bottomM: -2 },
    ]);
    expect(routeWhy(apart, [], 0)).toEqual([
      'Each stands by itself: no seams, and any order will do.',
    ]);
    expect(routeWhy(route([{ elementId: 'C1' }]), [], 0)).toEqual([
      'It stands by itself: no seams.',
    ]);
  });
  test('a ring ends where it began, an open way at a free end', () => {
    const ring = route([{ elementId: 'N', startNode: 'A' }, { elementId: 'E' }], true);
    expect(routeWhy(ring, [], 4)).toEqual([
      'The ring ends where it began, at A: the last seam is with the first concrete.',
      'Every seam is met within its window.',
    ]);
    expect(routeWhy(route([{ elementId: 'N' }, { elementId: 'E' }]), cold, 4)).toEqual([
      'Open: from N to E, the far end is a free end.',
    ]);
  });
  test('a step is filled from below; to begin high is told off', () => {
    const [low, high] = [
      { elementId: 'F1', bottomM: -1.2 },
      { elementId: 'F2', bottomM: -0.6 },
    ];
    expect(routeWhy(route([low, high]), cold, 4)).toContain(
      'It starts low: each step is filled against what is below it.',
    );
    expect(routeWhy(route([high, low]), cold, 4).join()).toMatch(
      /It starts high: begin at the low/,
    );
  });
  test('what carries comes before what stands on it; its height is no step', () => {
    const way = route([
      { elementId: 'FA', bottomM: 0 },
      { elementId: 'WA', bottomM: 0.3, storey: 1 },
    ]);
    expect(routeWhy(way, cold, 4)).toEqual([
      'Open: from FA to WA, the far end is a free end.',
      'What carries is filled before what stands on it.',
    ]);
  });
});

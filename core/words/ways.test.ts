import { describe, expect, test } from '@jest/globals';
import type { WayOn } from '../pourplan/index.ts';
import { wayFigures, wayWords } from './ways.ts';

const way = (over: Partial<WayOn> & { inRain?: number } = {}): WayOn =>
  ({
    id: 'wait',
    laterMin: 0,
    cost: 150,
    leftM3: 0,
    odds: { finishMin: { p50: 705 }, inRain: over.inRain ?? 0 },
    ...over,
  }) as unknown as WayOn;

describe('a way on in trouble', () => {
  test.each([
    [
      'go-on-elsewhere',
      'Go on elsewhere, brace N meanwhile',
      'Go on elsewhere, brace it meanwhile',
    ],
    ['stand', 'Stand till N is braced', 'Stand till it is braced'],
    ['close-off', 'Close N off with bulkheads', 'Close it off with bulkheads'],
  ] as const)('%s names the run, or not where it is not known', (id, named, unnamed) => {
    expect(wayWords(way({ id }), 'N').title).toBe(named);
    expect(wayWords(way({ id }), '').title).toBe(unnamed);
  });

  test('what parts the pour is asked of the engineer', () => {
    for (const id of ['close-off', 'bulkhead-here'] as const)
      expect(wayWords(way({ id }), 'N').detail).toMatch(/ask the engineer/);
  });

  test('what stands says for how long', () => {
    expect(wayWords(way({ standMin: 24.6 }), '').title).toBe('Stand 25 min');
    expect(
      wayWords(way({ id: 'other-conveyance', conveyance: 'Buggies', standMin: 45 }), ''),
    ).toEqual({ title: 'Go on by Buggies', detail: 'About 45 min to change over.' });
    expect(wayWords(way({ id: 'other-conveyance', standMin: null } as never), '').title).toBe(
      'Go on by another way',
    );
  });
});

describe('what a way on comes to', () => {
  test('is later or sooner, and when it is done', () => {
    expect(wayFigures(way(), 'EUR', 'metric')).toMatch(/^no later, .*150.*, done 11:45$/);
    expect(wayFigures(way({ laterMin: 42 }), 'EUR', 'metric')).toMatch(/^42 min later, /);
    expect(wayFigures(way({ laterMin: -12 }), 'EUR', 'metric')).toMatch(/^12 min sooner, /);
  });
  test('what goes into the rain, and what is left for another day in the site’s units, are said', () => {
    const wet = way({ inRain: 0.2, leftM3: 3.2 });
    expect(wayFigures(wet, 'EUR', 'metric')).toMatch(/, into the rain, 3\.2 m³ another day$/);
    expect(wayFigures(wet, 'USD', 'us')).toMatch(/, into the rain, 4\.2 yd³ another day$/);
    expect(wayFigures(way({ inRain: 0.01, leftM3: 0.02 }), 'EUR', 'metric')).toMatch(/11:45$/);
  });
});

import type { CheckRules } from '../rules.ts';
import { off } from './places.ts';
import type { Draft } from './types.ts';

/**
 * Level of a form's top off its mark, the same for footings, pads and piers.
 * @param read where it is read, and why so often where that is said
 */
export const topLevel = (
  r: CheckRules,
  advice: string,
  read: Pick<Draft, 'places'> & Partial<Draft>,
): Draft => ({
  kind: 'level',
  title: 'Form top off the mark',
  trade: 'forms',
  wanted: {
    type: 'size',
    what: 'level',
    wantedMm: 0,
    minusMm: r.topLevel.minusMm,
    plusMm: r.topLevel.plusMm ?? 0,
  },
  ...read,
  toleranceSource: r.topLevel.source,
  advice,
});

/**
 * Depth to the ground and level of the form's top, as every footing and pad is read.
 * @param depthMm depth as drawn, mm
 * @param read where it is read, and why so often where that is said
 */
export const depthAndTop = (
  r: CheckRules,
  depthMm: number,
  read: Pick<Draft, 'places'> & Partial<Draft>,
): Draft[] => [
  {
    kind: 'depth',
    title: 'Depth to ground',
    trade: 'forms',
    wanted: {
      type: 'size',
      what: 'depth',
      wantedMm: depthMm,
      ...off(r.footingDepth(depthMm)),
    },
    ...read,
    toleranceSource: r.footingDepth(depthMm).source,
    advice: 'Dig or trim the bottom, compact, and read again.',
  },
  topLevel(r, 'Drive or lift the form to the mark and read again.', read),
];

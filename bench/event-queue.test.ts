import { describe, expect, test } from '@jest/globals';
import { trialsOf } from '../core/pourplan/trials.ts';
import { tallyByEvents } from './event-queue.ts';
import { ringPour } from './pours.ts';

/** A yardstick measures nothing unless it does the same work: every count must be the fast loop's own. */
describe.each([
  ['a ring in three lifts', ringPour(10, 3, 4)],
  [
    'breaks that overlap',
    {
      ...ringPour(8, 2, 3),
      breaks: [
        { fromMin: 470, toMin: 500 },
        { fromMin: 490, toMin: 520 },
      ],
    },
  ],
  [
    'cold concrete, weak forms, an early dusk',
    { ...ringPour(12, 3, 5), tempC: 6, ratingKPa: 12, duskMin: 500, maxAgeMin: 55 },
  ],
  ['too little ordered', { ...ringPour(8, 3, 3), loads: ringPour(8, 3, 3).loads.slice(0, 2) }],
  ['hot: seams go cold', { ...ringPour(40, 3, 6), tempC: 34 }],
])('%s', (_, v) => {
  test('the event queue and the fast loop agree on every count', () => {
    const fast = trialsOf(v).run(60, 9);
    const slow = tallyByEvents(v, 60, 9);
    for (const k of ['coldSeam', 'overAge', 'short', 'afterDusk', 'overRating'] as const)
      expect(fast[k]).toBe(slow[k]);
    for (const k of ['crewWaitSum', 'finishSum', 'shortSum', 'leftOverSum'] as const)
      expect(fast[k]).toBeCloseTo(slow[k], 5);
  });
});

test('the cases above are not all alike: each count is met by one of them', () => {
  const weak = trialsOf({
    ...ringPour(12, 3, 5),
    tempC: 6,
    ratingKPa: 12,
    duskMin: 500,
    maxAgeMin: 55,
  }).run(60, 9);
  expect(weak.overRating).toBe(60);
  expect(weak.overAge).toBeGreaterThan(0);
  expect(weak.afterDusk).toBe(60);
  expect(
    trialsOf({ ...ringPour(8, 3, 3), loads: ringPour(8, 3, 3).loads.slice(0, 2) }).run(60, 9).short,
  ).toBe(60);
  expect(trialsOf({ ...ringPour(40, 3, 6), tempC: 34 }).run(60, 9).coldSeam).toBeGreaterThan(30);
});

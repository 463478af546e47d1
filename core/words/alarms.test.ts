import { expect, test } from '@jest/globals';
import type { Alarm } from '../pourlog/alarms.ts';
import type { Route } from '../pourplan/route.ts';
import type { Plant } from '../model/pour.ts';
import { alarmWords, pressing } from './alarms.ts';

const route = {
  legs: [
    { elementId: 'W.1', lifts: 2 },
    { elementId: 'FA', lifts: 1 },
  ],
} as unknown as Pick<Route, 'legs'>;
const alarm = (
  kind: Alarm['kind'],
  about: string | [string, number],
  minutes: number | null,
  amountM3: number | null,
  kPa: number | null = null,
): Alarm => {
  const [ref, lift] = typeof about === 'string' ? [about, null] : about;
  return { kind, ref, elementId: lift === null ? null : ref, lift, minutes, amountM3, kPa };
};

test.each([
  [
    alarm('seamCold', ['W.1', 1], -7.6, null),
    'out',
    'The seam on W.1, lift 2 has shut, 8 min ago: try it with a running vibrator, and ask the engineer before going on.',
  ],
  [
    alarm('seamClosing', ['FA', 0], 11.4, null),
    'tight',
    'The seam on FA is shutting: 11 min left to cover it.',
  ],
  [
    alarm('loadOld', 'L3', -4, 6),
    'out',
    'Load 3 is too old by 4 min: send it back, or decide and say why.',
  ],
  [
    alarm('loadLate', 'L2', -50.2, 7),
    'tight',
    'Load 2 is late: it was due 50 min ago. Ask the plant where it is.',
  ],
  [
    alarm('pressure', ['W.1', 1], 0, null, 52.3),
    'out',
    'The forms of W.1, lift 2 take too much: 52.3 kPa presses on them. Stop there, nobody in the line of the wall.',
  ],
  [alarm('loadAgeing', 'L3', 9.6, 6), 'tight', 'Load 3 is getting old: 10 min left to place it.'],
  [
    alarm('short', 'balance', null, 1.25),
    'out',
    'What is here and on order will not fill the forms: 1.25 m³ short. Order the balance now.',
  ],
  [
    alarm('noLoadHere', 'loads', 22, 4),
    'tight',
    'No load is here, and the first seam shuts in 22 min: ask where the next truck is.',
  ],
])('%j is %s', (a, tone, sentence) => {
  const words = alarmWords(a, { plan: { route }, plant: {} }, 'metric');
  expect(words).toMatchObject({ tone, sentence });
  // What is read aloud carries no minutes: it would be read again at every tick.
  expect(sentence.startsWith(words.name)).toBe(true);
  expect(words.name).not.toMatch(/\d+ min/);
});

test('a truck that is only waited for interrupts nobody', () => {
  expect(pressing(alarm('noLoadHere', 'loads', 45, 4))).toBe(false);
  expect(pressing(alarm('noLoadHere', 'loads', null, 4))).toBe(false);
  expect(pressing(alarm('noLoadHere', 'loads', 30, 4))).toBe(true);
  expect(pressing(alarm('seamClosing', ['FA', 0], 15, null))).toBe(true);
});

test('of what is mixed here no truck is asked for, and no plant', () => {
  const mixer = { id: 'drum' } as NonNullable<Plant['mixer']>;
  const said = (kind: 'noLoadHere' | 'loadLate') =>
    alarmWords(alarm(kind, 'L3', 22, null), { plan: { route }, plant: { mixer } }, 'us').sentence;
  expect(said('noLoadHere')).toBe(
    'No batch is mixed, and the first seam shuts in 22 min: mix the next batch.',
  );
  expect(said('loadLate')).toMatch(/^Batch 3 is late: it was due \d+ min ago\.$/);
});

import { expect, test } from '@jest/globals';
import type { LoadState } from '../pourlog/loads.ts';
import { balanceText } from './balance.ts';
import { saysToldToWait, toldToWait } from './told-to-wait.ts';
import { loadVerdictText } from './loads.ts';

test.each([
  [1.26, null, 'us', '1.6 yd³ more to order.'],
  [0.11, null, 'metric', '0.1 m³ more to order.'],
  // Less than can be read off the forms is no shortage, and no left-over either: the alarm has the same limit.
  [0.09, null, 'metric', 'Nothing more to order.'],
  [-0.05, null, 'metric', 'Nothing more to order.'],
  [-1, null, 'metric', 'Nothing more to order. About 1.0 m³ left over.'],
  [3, 1, 'metric', 'Nothing more to place.'],
] as const)('a balance of %f m³, finished %j, in %s', (balanceM3, finishedMs, units, text) => {
  expect(balanceText({ balanceM3, finishedMs }, units)).toBe(text);
});

test.each([
  [
    { advice: 'tooStiff', slump: { marginMm: -12.7 }, concreteTempC: null },
    'us',
    'too stiff, 1/2 in outside',
  ],
  [{ advice: 'tooHot', slump: null, concreteTempC: 33 }, 'us', 'too hot, 91 °F'],
  [{ advice: 'tooHot', slump: null, concreteTempC: null }, 'us', 'too hot'],
  [
    { advice: 'tooWet', slump: { marginMm: -20 }, concreteTempC: 20 },
    'metric',
    'too wet, 20 mm outside',
  ],
  [{ advice: 'accept', slump: { marginMm: 5 }, concreteTempC: 20 }, 'metric', 'good to place'],
] as const)('a load judged %j in %s', (load, units, text) => {
  expect(loadVerdictText({ faults: [], ...load } as unknown as LoadState, units)).toBe(text);
});

test('while a pour stands, what is still to come is asked to wait, and the note says which', () => {
  const load = (id: string, stage: string) => ({ id, stage }) as unknown as LoadState;
  const loads = [load('L1', 'here'), load('L2', 'due'), load('L3', 'due')];
  expect(toldToWait('form-open', loads)).toMatchObject({
    ask: expect.stringContaining('loads 2, 3 to come'),
    note: 'The plant was told to wait: loads 2, 3.',
  });
  expect(saysToldToWait(toldToWait('pump-down', loads)?.note ?? '')).toBe(true);
  // Placing goes on by hand, and nothing is to come: nobody has to wait.
  expect(toldToWait('vibrator', loads)).toBeNull();
  expect(toldToWait('form-open', loads.slice(0, 1))).toBeNull();
});

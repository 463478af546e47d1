import { expect, test } from '@jest/globals';
import type { LoadState } from '../pourlog/loads.ts';
import { balanceText } from './balance.ts';
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

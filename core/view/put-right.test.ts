import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { dayOf, recordOf } from '../testdata/days.ts';
import { L_RUNS } from '../testdata/jobs.ts';
import { figuresOf } from './figures.ts';

/** Whatever entry is put right, and to whatever time, the pour can be opened and says what can be so. */

const load = fc.record({
  volumeM3: fc.integer({ min: 6, max: 24 }).map((n) => n / 4),
  lateMin: fc.integer({ min: -10, max: 60 }),
  tempC: fc.constantFrom(null, 8, 30),
  fate: fc.constantFrom('placed' as const, 'placed' as const, 'half' as const),
  stretches: fc.integer({ min: 1, max: 3 }),
  fronts: fc.boolean(),
  stopMin: fc.integer({ min: 0, max: 20 }),
});
const day = fc
  .array(load, { minLength: 1, maxLength: 3 })
  .map((loads) =>
    dayOf(recordOf({ elements: ['FA', 'WA'], runs: L_RUNS, settings: { lifts: 2 } }), loads),
  );

const corrected = (e: LogEvent, byMin: number): LogEvent => ({
  ...e,
  id: `z-${e.id}`,
  supersedes: e.id,
  at: new Date(Date.parse(e.at) + byMin * 60_000).toISOString(),
  writtenAt: new Date(Date.parse(e.at) + 600 * 60_000).toISOString(),
});

test('of any entry of any day its time may be another, by hours, before or after all that hangs on it', () => {
  fc.assert(
    fc.property(day, fc.nat(), fc.integer({ min: -300, max: 300 }), (d, which, byMin) => {
      const wrong = d.log[which % d.log.length];
      if (!wrong) return;
      const state = replay([...d.log, corrected(wrong, byMin)]);
      const lastMs = Math.max(...[...state.seen.values()].map((e) => Date.parse(e.at)));
      const f = figuresOf(d.record, state, lastMs + 60_000, []);
      if (!f) throw new Error('it cannot be opened');
      expect(f.balance.placedM3).toBeGreaterThanOrEqual(0);
      expect(f.balance.placedM3).toBeLessThanOrEqual(f.order.neatM3 + 1e-9);
      for (const x of [f.balance.stillM3, f.balance.hereM3, f.balance.missingM3])
        expect(Number.isFinite(x)).toBe(true);
      for (const p of f.pressure) expect(Number.isFinite(p.maxKPa)).toBe(true);
      for (const s of f.seams)
        if (s.shutsAt) expect(Number.isFinite(Date.parse(s.shutsAt))).toBe(true);
    }),
    { numRuns: 60 },
  );
});

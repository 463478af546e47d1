import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PourAnswer, StoredEvent } from '../../contract/index.ts';
import type { LogEvent } from '../../core/log/events.ts';
import { replay } from '../../core/log/state.ts';
import { dayOf, recordOf } from '../../core/testdata/days.ts';
import { L_RUNS } from '../../core/testdata/jobs.ts';
import { quantityText } from '../../core/units/quantity.ts';
import { textOf, volume } from '../../core/units/format.ts';
import { figuresOf } from '../../core/view/figures.ts';
import { cardDocument } from './card.ts';
import { reportDocument } from './document.ts';
import { wordsOf } from '../testing/words-of.ts';

/** What the figures, the report and the card say of one pour at one moment is one answer. */

const load = fc.record({
  volumeM3: fc.integer({ min: 6, max: 24 }).map((n) => n / 4),
  lateMin: fc.integer({ min: -10, max: 60 }),
  tempC: fc.constantFrom(null, 8, 24),
  fate: fc.constantFrom('placed' as const, 'placed' as const, 'half' as const, 'gate' as const),
  stretches: fc.integer({ min: 1, max: 3 }),
  fronts: fc.boolean(),
  stopMin: fc.integer({ min: 0, max: 20 }),
});
const day = fc
  .record({
    elements: fc.constantFrom(['WA', 'WB'], ['FA', 'FB', 'WA', 'WB'], ['FA', 'FB']),
    lifts: fc.integer({ min: 1, max: 2 }),
    loads: fc.array(load, { minLength: 1, maxLength: 3 }),
  })
  .map(({ elements, lifts, loads }) =>
    dayOf(recordOf({ elements: [...elements], runs: L_RUNS, settings: { lifts } }), loads),
  );

/** Rows as the server has them: their chain is not what is asked here. */
const stored = (log: readonly LogEvent[]) =>
  log.map((e, i) => ({ ...e, pourId: 'p', seq: i + 1, hash: '', prevHash: '' })) as StoredEvent[];

function saidAt(d: ReturnType<typeof dayOf>, upTo: number) {
  const log = d.log.slice(0, upTo + 1);
  const nowMs = Date.parse(log.at(-1)?.at ?? '');
  const lists = { conveyances: [], crew: [], mixers: [], wires: [], pours: [] };
  const site = { ...lists, ...d.record.site };
  const record = { id: 'p', ...d.record, site } as unknown as PourAnswer;
  const input = { record, events: stored(log), nowMs, photos: {}, air: [] };
  return {
    figures: figuresOf(d.record, replay(log), nowMs, []),
    report: wordsOf(reportDocument(input).content).join(' | '),
    card: wordsOf(cardDocument(input).content).join(' | '),
  };
}
const m3 = (x: number) => textOf(volume(x, 'metric'));
const worstOf = (list: readonly { maxKPa: number; elementId: string }[]) =>
  [...list].sort((a, b) => b.maxKPa - a.maxKPa)[0];

describe('one moment of one pour', () => {
  test('has one answer: figures, report and card say the same amounts, loads, pressures and holds', () => {
    fc.assert(
      fc.property(day, fc.double({ min: 0, max: 0.999, noNaN: true }), (d, share) => {
        const { figures, report, card } = saidAt(d, Math.floor(share * d.log.length));
        if (!figures) throw new Error('no figures');
        const { order, balance, loads, pressure, gate } = figures;
        expect(report).toContain(`Neat ${m3(order.neatM3)}`);
        expect(report).toContain(`Placed ${m3(balance.placedM3)} of ${m3(order.neatM3)} neat`);
        expect(card).toContain(`${m3(order.orderedM3 ?? order.recommendedM3)} of `);
        for (const l of loads.filter((x) => x.arrivedAt !== null))
          expect(report).toContain(`${m3(l.volumeM3 ?? 0)} | `);
        const now = worstOf(pressure.filter((p) => p.of === 'now'));
        if (now)
          expect(report).toContain(
            `Most on the forms: ${quantityText(now.maxKPa, 'KPa', 'metric')} at ${now.elementId}`,
          );
        const planned = worstOf(pressure);
        if (!now && planned)
          expect(card).toContain(
            `Forms: up to ${quantityText(planned.maxKPa, 'KPa', 'metric')} at ${planned.elementId}`,
          );
        for (const h of gate.holds.filter((x) => x.code === 'pressure'))
          expect(card).toContain(h.text);
      }),
      { numRuns: 12 },
    );
  });
});

import type { Table } from '#core/exchange';
import { type PourState, timeline } from '#core/log';
import { FAULT_WORDS } from '#core/pourlog';
import { shownUnit, toShown, type UnitSystem } from '#core/units';
import { entryText, STAGE_WORDS } from '#core/words';
import type { PourView } from './pour-view.ts';

/**
 * The log as a table: when, who, of what kind, in words, whether it still counts. Times are ISO
 * 8601 with their zone.
 */
export function logTable(state: PourState, units: UnitSystem): Table {
  const counts = new Set(timeline(state).map((e) => e.id));
  const all = [...state.seen.values()].sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1),
  );
  return {
    head: ['at', 'who', 'kind', 'what', 'counts', 'id', 'supersedes'],
    rows: all.map((e) => [
      e.at,
      e.actor,
      e.kind,
      entryText(e, units),
      counts.has(e.id) ? 'yes' : 'no',
      e.id,
      e.supersedes ?? '',
    ]),
  };
}

/** The loads as a table, in the site's units, each unit named in its heading. */
export function loadTable(
  { loads, mix }: Pick<PourView, 'loads' | 'mix'>,
  units: UnitSystem,
): Table {
  const shown = (value: number | null, quantity: 'M3' | 'Mm' | 'C' | 'L') =>
    value === null ? '' : String(Math.round(toShown(value, quantity, units) * 1000) / 1000);
  const head = (name: string, quantity: 'M3' | 'Mm' | 'C' | 'L') =>
    `${name}, ${shownUnit(quantity, units)}`;
  return {
    head: [
      'load',
      'ticket',
      'mix',
      head('volume', 'M3'),
      'batched',
      'arrived',
      'placing from',
      'empty',
      head('went back', 'M3'),
      head('slump', 'Mm'),
      'slump read at',
      'air, of 100',
      head('concrete', 'C'),
      head('water added', 'L'),
      'age, min',
      'where it is',
      'decided',
      'reason',
      'against it',
    ],
    rows: loads
      .filter((l) => l.arrivedAt !== null)
      .map((l) => [
        l.id,
        l.ticket ?? '',
        l.mix ?? mix.mark,
        shown(l.volumeM3, 'M3'),
        l.batchedAt ?? '',
        l.arrivedAt ?? '',
        l.firstPlacedAt ?? '',
        l.endedAt ?? '',
        shown(l.returnedM3, 'M3'),
        shown(l.slump?.measuredMm ?? null, 'Mm'),
        l.slump?.where ?? '',
        l.airRatio === null ? '' : String(Math.round(l.airRatio * 1000) / 10),
        shown(l.concreteTempC, 'C'),
        shown(l.addedL, 'L'),
        l.ageMin === null ? '' : l.ageMin.toFixed(0),
        STAGE_WORDS[l.stage],
        l.decision ?? '',
        l.reason ?? '',
        l.faults.map((f) => FAULT_WORDS[f]).join(', '),
      ]),
  };
}

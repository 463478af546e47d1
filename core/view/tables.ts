import type { Table } from '#core/exchange';
import { type PourState, timeline, writtenMs } from '#core/log';
import { FAULT_WORDS } from '#core/pourlog';
import { shownUnit, toShown, type UnitSystem } from '#core/units';
import { localIso } from '#core/weather';
import { entryText, stageText } from '#core/words';
import type { PourView } from './pour-view.ts';

/**
 * The log as a table: when it happened and when it was written down, who, of what kind, in words,
 * whether it still counts. Times are ISO 8601 by the site's clock, with their zone.
 */
export function logTable(
  state: PourState,
  { units, timeZone }: { units: UnitSystem; timeZone: string },
): Table {
  const local = (ms: number) => localIso(ms, timeZone);
  const counts = new Set(timeline(state).map((e) => e.id));
  const all = [...state.seen.values()].sort(
    (a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1),
  );
  return {
    head: ['at', 'written down', 'who', 'kind', 'what', 'counts', 'id', 'supersedes'],
    rows: all.map((e) => [
      local(Date.parse(e.at)),
      local(writtenMs(e)),
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
  { units, timeZone }: { units: UnitSystem; timeZone: string },
): Table {
  const local = (iso: string | null) => (iso === null ? '' : localIso(Date.parse(iso), timeZone));
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
        local(l.batchedAt),
        local(l.arrivedAt),
        local(l.firstPlacedAt),
        local(l.endedAt),
        shown(l.returnedM3, 'M3'),
        shown(l.slump?.measuredMm ?? null, 'Mm'),
        l.slump?.where ?? '',
        l.airRatio === null ? '' : String(Math.round(l.airRatio * 1000) / 10),
        shown(l.concreteTempC, 'C'),
        shown(l.addedL, 'L'),
        l.ageMin === null ? '' : l.ageMin.toFixed(0),
        stageText(l),
        l.decision ?? '',
        l.reason ?? '',
        l.faults.map((f) => FAULT_WORDS[f]).join(', '),
      ]),
  };
}

import { typesByElement } from '#core/model';
import type { RebarRow } from '#core/steel';
import { type PourView } from '../../app/pour-view.ts';
import type { PourAnswer } from '../../../contract/api.ts';

/** More runs than this are shown by type first. */
export const MANY = 12;

const sum = (rows: Row[], field: 'lengthM' | 'formM2' | 'concreteM3'): number =>
  rows.reduce((s, e) => s + e[field], 0);

export type Row = PourView['plan']['route']['takeoff']['elements'][number];

/** Runs of one type with their sums. */
export interface Group {
  type: string;
  rows: Row[];
  lengthM: number;
  formM2: number;
  concreteM3: number;
  massKg: number;
  chairs: number;
}

/** The pour's own runs, by their types where there are many. */
export function grouping(
  record: PourAnswer,
  elements: Row[],
  byRun: ReadonlyMap<string, RebarRow[]>,
  chairs: ReadonlyMap<string, number>,
) {
  const mine = new Set(record.pour.elements);
  const own = elements.filter((e) => mine.has(e.id));
  const types = typesByElement(record.site);
  const massOf = (rows: Row[]) =>
    rows.reduce((n, e) => n + (byRun.get(e.id) ?? []).reduce((m, b) => m + b.massKg, 0), 0);
  const group = (type: string, rows: Row[]): Group => ({
    type,
    rows,
    lengthM: sum(rows, 'lengthM'),
    formM2: sum(rows, 'formM2'),
    concreteM3: sum(rows, 'concreteM3'),
    massKg: massOf(rows),
    chairs: rows.reduce((n, e) => n + (chairs.get(e.id) ?? 0), 0),
  });
  const byType = new Map<string, Row[]>();
  for (const e of own) {
    const type = types.get(e.id) ?? '';
    const rows = byType.get(type);
    if (rows) rows.push(e);
    else byType.set(type, [e]);
  }
  return {
    own,
    types,
    groups:
      own.length > MANY
        ? [...byType].sort(([a], [b]) => (a < b ? -1 : 1)).map(([type, rows]) => group(type, rows))
        : [group('', own)],
    all: group('', own),
  };
}

import type { PourAnswer, StoredEvent } from '../../contract/index.ts';
import type { AirHour } from '#core/cure';
import { type PourState, replay } from '#core/log';
import { type UnitSystem } from '#core/units';
import { entryTimeText, type PourView, stampText, viewOf } from '#core/view';
import type { UnderPlan } from './plan-drawing.ts';

export interface ReportInput {
  record: PourAnswer;
  events: StoredEvent[];
  nowMs: number;
  /** Small pictures by their id, as data addresses. */
  photos: Record<string, string>;
  /** The drawing under the plan, where it is wanted on the report. */
  under?: UnderPlan | null;
  /** Air of the hours since the pour and to come, where it is known. */
  air: AirHour[];
}

/** What every section of the report is made from. */
export interface ReportContext extends ReportInput {
  state: PourState;
  view: PourView;
  units: UnitSystem;
  /** A moment with its date. */
  stamp: (ms: number) => string;
  /** A moment of the day of the pour as a time, any other with its date. */
  time: (iso: string) => string;
}

export function contextOf(input: ReportInput): ReportContext {
  const { record, events, nowMs } = input;
  const { timeZone } = record.site;
  const state = replay(events);
  const view = viewOf(record, state, nowMs);
  if (!view) throw new Error(`pour ${record.id} names a mix or plant that its site does not have`);
  const stamp = (ms: number): string => stampText(ms, timeZone);
  const time = (iso: string): string => entryTimeText(Date.parse(iso), view.dayMs, timeZone);
  return { ...input, state, view, units: record.site.units, stamp, time };
}

import type { Walk } from '#core/check';
import type { Curing } from '#core/cure';
import type { PourState } from '#core/log';
import type { UnitSystem } from '#core/units';
import type { PourRecord, PourView } from '../pour-view.ts';
import type { StageId } from './ids.ts';

/** A pour at a moment with what its stations speak of beside its figures. */
export interface PourNow extends PourView {
  record: PourRecord;
  units: UnitSystem;
  nowMs: number;
  state: PourState;
  curing: Curing | null;
  /** Which way round the checks are walked. */
  walk: Walk;
  elementName: (id: string) => string;
}

/** One sentence: the next most useful act, and where its button goes. */
export interface NextLine {
  sentence: string;
  label: string;
  stage: StageId;
  focus: Record<string, string | number | null>;
}

/** A station of a pour: how it is called, its one live figure, and what it says is next. */
export interface Stage {
  id: StageId;
  name: string;
  /** The one live figure, and how far the station is along, 0 to 1. */
  figure: (v: PourNow) => { text: string; done: number };
  /** Its next act; null when there is none here. */
  next: (v: PourNow) => NextLine | null;
}

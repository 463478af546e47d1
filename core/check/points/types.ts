import type { Danger } from '../cautions.ts';
import type { Mix, PourDoc, SitePlan } from '#core/model';
import type { CheckRules } from '../rules.ts';
import type { Stretch } from './stretches.ts';

/** How deep a bolt is to go at least, and how far to stand out, mm. */
export interface WantedDepth {
  leastMm: number;
  projectionMm: number;
}

/**
 * A bolt as the round looks for it: its name, where it is meant to stand on the run, m, and how
 * thick, mm, deep and high where it is drawn.
 */
export interface WantedBolt {
  id: string;
  atM: number;
  diameterMm?: number;
  depth: WantedDepth | null;
}

/** What is read at a check point, which decides how it is entered and judged. */
export type Wanted =
  | {
      type: 'cover';
      specifiedMm: number;
      memberDepthMm: number;
      face: 'bottom' | 'side' | 'top' | 'inside' | 'outside';
      /** More than this, mm, takes depth from the bars that bend the member; left out where it does not. */
      mostMm?: number;
      bar: string;
    }
  | {
      type: 'size';
      wantedMm: number;
      minusMm: number;
      plusMm: number | null;
      what:
        | 'width'
        | 'depth'
        | 'thickness'
        | 'level'
        | 'line'
        | 'square'
        | 'room'
        | 'plumb'
        | 'lean'
        | 'lap'
        | 'embedment'
        | 'projection'
        | 'centre'
        | 'apart'
        | 'place'
        | 'other';
    }
  | { type: 'count'; wanted: number; unit?: string }
  | { type: 'spacing'; specifiedMm: number; toleranceMm: number; spaces: number }
  | { type: 'bar'; wanted: string }
  /** The bolts of one piece of plate: each there or not, and where; `measured` places also how deep and how high. */
  | {
      type: 'bolts';
      bolts: WantedBolt[];
      /** Where bolts stand that are set on pour day, m along the run. */
      wetM: number[];
      fromM: number;
      toM: number;
      single: boolean;
      maxSpacingM: number;
      endMaxMm: number;
      projectionLessMm: number;
      projectionMoreMm: number;
      measured: number[];
    }
  | { type: 'eye' };

/** Where a reading is wanted: metres along the run from its first node, across it, and above its bottom. */
export interface Place {
  atM: number | null;
  across: 'left' | 'right' | 'middle';
  upM?: number;
  /** What is there, where a name says more than metres: a corner, an opening, a bolt. */ label?: string;
}

export const TRADES = ['ground', 'forms', 'steel', 'anchors', 'access'] as const;
export type Trade = (typeof TRADES)[number];

/** What belongs to the pour as a whole and not to one run stands under this name. */
export const WHOLE_POUR = 'pour';

/** Something to be checked before the pour, derived from the model and the rule profile, or added by hand. */
export interface CheckPoint {
  id: string;
  elementId: string;
  kind: string;
  title: string;
  trade: Trade;
  wanted: Wanted;
  places: Place[];
  /** Why so many readings, and there. */
  why: string;
  /** Where the wanted value comes from, and where the tolerance does. */
  source: string;
  toleranceSource: string | null;
  /** What to look for or do when it fails. */
  advice: string;
  /** A round is walked on the drawing, place by place, instead of on the pad. */
  round?: 'bolts' | 'forms';
  /** The danger that bears on it: its caution is shown where it can still prevent harm. */
  danger?: Danger;
  /** Rain undoes a look at it: what was firm and stable may be neither. */
  rainUndoes?: true;
  /** The corners whose diagonals are read, in order round. */
  corners?: string[];
  /** Goes by type and stretch, not by run: runs built alike that follow each other share it. */
  typical?: boolean;
  /** The runs it is read for, when it is read for several. */
  covers?: string[];
  /** Added by hand, by this entry of the log. */
  addedBy?: string;
}

/** A point before it is named; `source` left out means the drawing of its type. */
export interface Draft extends Omit<
  CheckPoint,
  'id' | 'elementId' | 'source' | 'toleranceSource' | 'why'
> {
  toleranceSource?: string;
  source?: string;
  why?: string;
}

/** What every part of the list is derived from. */
export interface ListContext {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  /** End of daylight on the day of the pour, minutes after midnight; left out where it is not known. */
  duskMin?: number;
  rules: CheckRules;
  /** Runs built alike that follow each other, by run. */
  stretches: ReadonlyMap<string, Stretch>;
}

import type { PointState } from '#core/check';
import type { SitePlan } from '#core/model';
import type { RunOnPaper } from './plan-paper.ts';

export interface Props {
  site: SitePlan;
  runs: RunOnPaper[];
  pxPerM: number;
  points: PointState[];
  selected: string | null;
  check: string | null;
  place: number;
  onRun: (id: string) => void;
  onPick: (point: PointState, place: number) => void;
}

/** Where the name of a face may stand, as shares of its length and height: its middle first. */
export const NAME_AT = [
  [0.5, 0.5],
  [0.5, 0.66],
  [0.5, 0.34],
  [0.36, 0.5],
  [0.64, 0.5],
  [0.36, 0.66],
  [0.64, 0.66],
  [0.36, 0.34],
  [0.64, 0.34],
  [0.22, 0.6],
  [0.78, 0.6],
  [0.22, 0.36],
  [0.78, 0.36],
  [0.1, 0.5],
  [0.9, 0.5],
  [0.5, 0.82],
  [0.5, 0.2],
  [0.36, 0.82],
  [0.64, 0.82],
  [0.36, 0.2],
  [0.64, 0.2],
  [0.22, 0.82],
  [0.78, 0.82],
  [0.22, 0.2],
  [0.78, 0.2],
] as const;

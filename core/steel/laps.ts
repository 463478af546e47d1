import { resultOf } from '#core/kit';
import { lapLength } from './lap-length.ts';

/** A lap as a drawing gives it: a length, or so many diameters of the bar. */
export type DrawnLap = { lengthM: number } | { diameters: number };

export interface LapCase {
  bar: string;
  fcMPa: number;
  fyMPa: number;
  /** What the drawing says for this type; nothing when it says nothing. */
  drawn?: DrawnLap | undefined;
  /** More than 12 in of fresh concrete below the bar (ACI 318-19 table 25.4.2.5). */
  topBar?: boolean;
}

/** Bars that may not be lapped: they are spliced mechanically (ACI 318-19 §25.5.1.1). */
const UNLAPPED = new Set(['#14', '#18', '45M', '55M']);

/** The least a lap may be, mm, the lap itself, what it computes to, and which of the two rules. */
export interface Lap {
  lapMm: number;
  computedMm: number;
  ruledBy: 'computed' | 'drawing';
}

const drawingOf = (drawn: DrawnLap) =>
  'lengthM' in drawn ? { lengthMm: drawn.lengthM * 1000 } : { multipleOfDb: drawn.diameters };

/**
 * The lap of a bar, for the bar list, the check and the report alike: the drawing's where the type
 * gives one, else computed (`lap-length`, class B, uncoated, good cover and spacing). Null for bars
 * that may not be lapped.
 */
export function lapOf({ bar, fcMPa, fyMPa, drawn, topBar = false }: LapCase): Lap | null {
  if (UNLAPPED.has(bar)) return null;
  const drawing = drawn && drawingOf(drawn);
  const { lapMm, computedMm, ruledBy } = resultOf(lapLength, {
    bar,
    fcMPa,
    fyMPa,
    topBar,
    coating: 'none',
    spacingClass: 'good',
    ...(drawing ? { drawing } : {}),
  });
  return { lapMm, computedMm, ruledBy };
}

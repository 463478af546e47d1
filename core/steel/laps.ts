import { resultOf } from '#core/kit';
import { barNamed } from '#core/model';
import { lapLength } from './lap-length.ts';
import { lapLengthEn } from './lap-length-en.ts';

/** A lap as a drawing gives it: a length, or so many diameters of the bar. */
export type DrawnLap = { lengthM: number } | { diameters: number };
/** The code whose laps are worked out. */
export type LapCode = 'aci' | 'en';

/** Where a bar lies in its fresh concrete, as far as it bears on its lap. */
export interface Laid {
  /** More than 12 in of fresh concrete below it (ACI 318-19 table 25.4.2.5), 250 mm (EN 1992-1-1 §8.4.2). */
  topBar?: boolean;
  /** A level bar of a wall: most have as much below them; poor bond under EN 1992-1-1 fig. 8.2. */
  levelInWall?: boolean;
}

export interface LapCase extends Laid {
  bar: string;
  /** f'c under ACI, the cylinder strength of the class under EN, MPa. */
  fcMPa: number;
  fyMPa: number;
  code: LapCode;
  /** What the drawing says for this type; nothing when it says nothing. */
  drawn?: DrawnLap | undefined;
}

/** Bars that may not be lapped: they are spliced mechanically (ACI 318-19 §25.5.1.1). */
const UNLAPPED = new Set(['#14', '#18', '45M', '55M']);
/** Classes above have no formula of their own here, MPa: a lap of this one is longer. */
const HIGHEST_FCK_MPA = 50;

/** The least a lap may be, mm, the lap itself, what it computes to, and which of the two rules. */
export interface Lap {
  lapMm: number;
  computedMm: number;
  ruledBy: 'computed' | 'drawing';
  /** Standard and clause it was worked out by. */
  source: string;
}

/** Class B, uncoated, good cover and spacing. */
const byAci = ({ bar, fcMPa, fyMPa, topBar, levelInWall }: LapCase): number =>
  resultOf(lapLength, {
    bar,
    fcMPa,
    fyMPa,
    topBar: topBar === true || levelInWall === true,
    coating: 'none',
    spacingClass: 'good',
  }).computedMm;

/** All bars lapped at one section. */
const byEn = ({ bar, fcMPa, fyMPa, topBar, levelInWall }: LapCase): number =>
  resultOf(lapLengthEn, {
    barMm: barNamed(bar).diameterMm,
    fckMPa: Math.min(HIGHEST_FCK_MPA, fcMPa),
    fykMPa: fyMPa,
    bond: topBar || levelInWall ? 'poor' : 'good',
  }).lapMm;

/**
 * The lap of a bar, for the bar list, the check and the report alike: the drawing's where the type
 * gives one, else computed by the code of the site (`lap-length`, `lap-length-en`). Null for bars
 * that may not be lapped.
 */
export function lapOf(lap: LapCase): Lap | null {
  const { bar, drawn, code } = lap;
  if (UNLAPPED.has(bar)) return null;
  const computedMm = code === 'en' ? byEn(lap) : byAci(lap);
  const source = code === 'en' ? 'EN 1992-1-1 §8.7.3' : 'ACI 318 §25.5.2';
  if (!drawn) return { lapMm: computedMm, computedMm, ruledBy: 'computed', source };
  const lapMm =
    'lengthM' in drawn ? drawn.lengthM * 1000 : drawn.diameters * barNamed(bar).diameterMm;
  return { lapMm, computedMm, ruledBy: 'drawing', source };
}

/** More fresh concrete than this below it makes a bar a top bar, m (12 in: ACI 318-19 table 25.4.2.5; EN 1992-1-1 §8.4.2). */
export const TOP_BAR_M: Record<LapCode, number> = { aci: 0.3048, en: 0.25 };

/** The code that a site's laps go by. */
export const lapCodeOf = (profile: 'us-aci' | 'metric-en'): LapCode =>
  profile === 'metric-en' ? 'en' : 'aci';

import { resultOf } from '#core/kit';
import { minCover } from './min-cover.ts';

/** Nominal cover of formed faces where a drawing to EN 1992-1-1 gives none, mm: XC2 to XC4, class S4. */
const NOMINAL_MM = 40;

/**
 * Cover of a face where the drawing gives none, mm: the least that the code asks for by bar and by
 * what the face stands against. To be compared with the drawing's general notes.
 * @param against cast against the ground, or formed and then in weather or ground
 */
export const usualCoverMm = (
  profile: 'us-aci' | 'metric-en',
  against: 'ground' | 'weather',
  bar: string,
): number =>
  resultOf(minCover, { profile, exposure: against, bar, nominalMm: NOMINAL_MM }).minCoverMm;

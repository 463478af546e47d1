import type { Run } from '#core/model';

/** One side may stand so far above the other before it pushes the buck over, m: four feet (site practice). */
const EVEN_M = 1.2192;
const EPS = 1e-6;

/**
 * A window or door of a leg: where its middle lies (share, in the direction of placing), its sill
 * and head above the leg's foot, m.
 */
export interface Side {
  share: number;
  sillM: number;
  headM: number;
}

/** From where to where an opening stands open, m above the leg's foot. */
type Heights = Pick<Side, 'sillM' | 'headM'>;

/** The windows and doors of a run as it is placed, in their order along it. */
export function sidesOf(run: Run, reversed: boolean, lengthM: number): Side[] {
  return run.openings
    .flatMap((o): Side[] => {
      if (o.kind !== 'window' && o.kind !== 'door') return [];
      const share = (o.atM + o.widthM / 2) / lengthM;
      return [{ share: reversed ? 1 - share : share, sillM: o.sillM, headM: o.headM }];
    })
    .filter((s) => s.share > 0 && s.share < 1)
    .sort((a, b) => a.share - b.share);
}

/**
 * How far one side of an opening would stand above the other, were a lift from `lowM` to `highM`
 * filled past it at once, m.
 */
const unevenM = ({ sillM, headM }: Heights, lowM: number, highM: number): number =>
  highM > sillM + EPS ? Math.max(0, Math.min(highM, headM) - lowM) : 0;

/**
 * In how many passes a lift is filled beside an opening, so that neither side stands more than four
 * feet above the other: 1 where that holds of itself.
 */
export const passesBeside = (side: Heights, lowM: number, highM: number): number =>
  unevenM(side, lowM, highM) > EVEN_M + EPS ? Math.ceil((highM - lowM) / EVEN_M - EPS) : 1;

/** In how many passes each lift of a leg is filled beside an opening; the most of all lifts. */
export const mostPasses = (
  side: Heights,
  { liftSpans }: { liftSpans: readonly { fromM: number; toM: number }[] },
): number => Math.max(1, ...liftSpans.map((l) => passesBeside(side, l.fromM, l.toM)));

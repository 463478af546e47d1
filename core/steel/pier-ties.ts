import { type Pier, pierHeightM } from '#core/model';
import { barsRequired } from './spacing-verdict.ts';

/** How far the first and last of a row of bars stand from the end, mm (3 in). */
export const END_MM = 76.2;

/**
 * How high above its bottom each tie of a pier stands, m, lowest first; none without ties. Counted
 * as in the take-off.
 */
export function tieLevels(pier: Pier): number[] {
  const ties = pier.steel?.ties;
  if (!ties) return [];
  const endM = END_MM / 1000;
  const n = barsRequired(pierHeightM(pier) * 1000, END_MM, ties.spacingM * 1000);
  return Array.from({ length: n }, (_, i) =>
    n === 1 ? pierHeightM(pier) / 2 : endM + ((pierHeightM(pier) - 2 * endM) * i) / (n - 1),
  );
}

import { RANGES, type Spot } from '#core/model';
import { given, GUESS_M, type Typed } from './given.ts';

/** As many pads as a row or the rows may count. */
const MOST_PADS = 30;

/**
 * Where pads in rows lie by what is typed so far, and why what is typed cannot be.
 * @param widthM of a pad's longer side, m
 */
export function padSpots(
  typed: Typed,
  widthM: number,
): { spots: Spot[]; wrong: Record<string, string> } {
  const counted = (id: string, otherwise: number) => {
    const n = typed[id];
    return given(n) ? Math.min(MOST_PADS, Math.round(n)) : otherwise;
  };
  const [across, down] = [counted('across', 1), counted('down', 1)];
  /** Further off than anything on a site is. */
  const reaches = (id: string, n: number) => {
    const m = typed[id];
    return given(m) && m * (n - 1) > RANGES.coordinate.most;
  };
  const far = (id: string, n: number) => {
    const m = typed[id];
    return given(m) && !reaches(id, n) ? m : GUESS_M / 2;
  };
  const spots = Array.from({ length: across * down }, (_, i) => ({
    xM: (i % across) * far('X', across),
    yM: -Math.floor(i / across) * far('Y', down),
  }));
  const wrong: Record<string, string> = {};
  for (const id of ['across', 'down']) {
    const n = typed[id];
    if (!given(n)) continue;
    if (n > MOST_PADS) wrong[id] = `must be ${MOST_PADS} or fewer`;
    else if (!Number.isInteger(n)) wrong[id] = 'must be a whole number';
  }
  for (const [id, n] of [
    ['X', across],
    ['Y', down],
  ] as const) {
    const m = typed[id];
    if (reaches(id, n)) wrong[id] = 'takes the last of them further than a site reaches';
    if (n > 1 && given(m) && m < widthM) wrong[id] = 'is less than a pad: they would overlap';
  }
  return { spots, wrong };
}

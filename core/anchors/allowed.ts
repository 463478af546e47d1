/** A stretch along a plate, metres. */
export interface Stretch {
  fromM: number;
  toM: number;
}
/** Rounding of positions, m. */
const EPS = 1e-9;

/**
 * Stretches of [from, to] where a bolt may stand: outside every keep-out, on its edge it may. Stretches come in order
 * and may be single points (from = to) between keep-outs that touch the limits.
 */
export function allowedWithin(fromM: number, toM: number, keepOuts: Stretch[]): Stretch[] {
  let out: Stretch[] = toM >= fromM - EPS ? [{ fromM, toM: Math.max(fromM, toM) }] : [];
  for (const k of keepOuts) {
    out = out.flatMap((s) => {
      if (k.toM <= s.fromM + EPS || k.fromM >= s.toM - EPS)
        return s.toM > s.fromM || !(s.fromM > k.fromM + EPS && s.fromM < k.toM - EPS) ? [s] : [];
      const parts: Stretch[] = [];
      if (k.fromM >= s.fromM - EPS) parts.push({ fromM: s.fromM, toM: Math.max(s.fromM, k.fromM) });
      if (k.toM <= s.toM + EPS) parts.push({ fromM: Math.min(s.toM, k.toM), toM: s.toM });
      return parts;
    });
  }
  return out;
}

/** The allowed place nearest to `x`, or null when there is none. */
export function nearestTo(x: number, stretches: Stretch[]): number | null {
  let best: number | null = null;
  for (const s of stretches) {
    const p = Math.min(Math.max(x, s.fromM), s.toM);
    if (best === null || Math.abs(p - x) < Math.abs(best - x)) best = p;
  }
  return best;
}

/** The furthest allowed place not beyond `x`, from `fromM` on; null when there is none. */
export const furthest = (fromM: number, x: number, keepOuts: Stretch[]): number | null =>
  allowedWithin(fromM, x, keepOuts).at(-1)?.toM ?? null;

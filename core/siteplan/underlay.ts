import { roundM, type Spot } from '#core/model';

/**
 * Where a picture lies under a plan: its upper left corner, m, the size of a dot, and how it is
 * turned against the clock.
 */
export interface Lying {
  xM: number;
  yM: number;
  mPerPx: number;
  turnDeg: number;
}

/** A finer turn than this cannot be seen, degrees. */
const roundDeg = (deg: number): number => Math.round(deg * 1e6) / 1e6;

/** A picture made so large that two spots pressed on it are a known length apart; the first stays where it lies. */
export function scaledTo<T extends Lying>(lying: T, a: Spot, b: Spot, lengthM: number): T {
  const now = Math.hypot(b.xM - a.xM, b.yM - a.yM);
  if (!(now > 1e-6) || !(lengthM > 0))
    throw new RangeError('scaledTo: two different spots and a length above 0 are needed');
  const k = lengthM / now;
  return {
    ...lying,
    xM: roundM(a.xM + (lying.xM - a.xM) * k),
    yM: roundM(a.yM + (lying.yM - a.yM) * k),
    mPerPx: lying.mPerPx * k,
  };
}

/**
 * A picture turned so that the line through two spots lies square with the plan, by the shorter
 * way; the first stays.
 */
export function squaredBy<T extends Lying>(lying: T, a: Spot, b: Spot): T {
  const at = (Math.atan2(b.yM - a.yM, b.xM - a.xM) * 180) / Math.PI;
  const turn = Math.round(at / 90) * 90 - at;
  const rad = (turn * Math.PI) / 180;
  const [dx, dy] = [lying.xM - a.xM, lying.yM - a.yM];
  return {
    ...lying,
    xM: roundM(a.xM + dx * Math.cos(rad) - dy * Math.sin(rad)),
    yM: roundM(a.yM + dx * Math.sin(rad) + dy * Math.cos(rad)),
    // Between −180 and 180: never wound up by many small turns.
    turnDeg: roundDeg(((((lying.turnDeg + turn + 180) % 360) + 360) % 360) - 180),
  };
}

/** A picture moved so that what lay at one spot lies at another. */
export const movedBy = <T extends Lying>(lying: T, from: Spot, to: Spot): T => ({
  ...lying,
  xM: roundM(lying.xM + to.xM - from.xM),
  yM: roundM(lying.yM + to.yM - from.yM),
});

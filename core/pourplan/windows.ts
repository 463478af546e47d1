import { clockMin } from '#core/concrete';
import type { SimulationInput } from './simulation-model.ts';

/** From when on each cell is stiff, and until when it knits, clock minutes after it was placed. */
export interface CellWindow {
  stiffenMin: number;
  knitMin: number;
}
/** The window of every cell, by the temperature of its own concrete. */
export function windowsOf(
  v: SimulationInput,
): (cell: { tempC?: number | undefined }) => CellWindow {
  const known = new Map<number, CellWindow>();
  return ({ tempC = v.tempC }) => {
    const own = known.get(tempC) ?? {
      stiffenMin: clockMin(v.stiffenMinAt20C * v.retarderFactor, tempC),
      knitMin: clockMin(v.knitMinAt20C * v.retarderFactor, tempC),
    };
    known.set(tempC, own);
    return own;
  };
}

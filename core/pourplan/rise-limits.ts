import { maxRateOfRise } from '#core/formwork';
import { attempt } from '#core/kit';
import { STANDARD_GRAVITY } from '#core/units';
import type { SimulationInput } from './simulation-model.ts';

type Cell = SimulationInput['cells'][number];

/**
 * The fastest rise at which the forms hold, m/h, for a cell and the height that stands there when it
 * is placed: infinite where full head is within the rating, 0 where the cell alone is over it. Asked
 * for the same height again it is not worked out anew.
 */
export function riseLimits(v: SimulationInput): (cell: Cell, stackM: number) => number {
  const known = new Map<string, number>();
  return (cell, stackM) => {
    const by = v.pressureBy;
    if (!by || cell.formHeightM === undefined) return Infinity;
    // A lift in one pass is full head of itself.
    const ownKPa = (v.densityKgM3 * STANDARD_GRAVITY * cell.heightM) / 1000;
    if (ownKPa > v.ratingKPa * (1 + 1e-9)) return 0;
    const formHeightM = Math.max(cell.formHeightM, stackM);
    const key = `${stackM.toFixed(6)} ${formHeightM.toFixed(6)}`;
    const found = known.get(key) ?? limitOf(v, by, stackM, formHeightM);
    known.set(key, found);
    return found;
  };
}

function limitOf(
  v: SimulationInput,
  by: NonNullable<SimulationInput['pressureBy']>,
  placementHeightM: number,
  formHeightM: number,
): number {
  const done = attempt(maxRateOfRise, {
    ...by,
    element: 'wall',
    placementHeightM,
    formHeightM,
    concreteTempC: v.tempC,
    densityKgM3: v.densityKgM3,
    ratedPressureKPa: v.ratingKPa * (1 + 1e-9),
  }).done;
  // Without an answer nothing is promised.
  return done ? (done.result.rateMPerH ?? Infinity) : 0;
}

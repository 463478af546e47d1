import { TURNS_AFTER_WATER, type WaterAdvice } from '#core/pourlog';
import { fieldText, quantityText, toShown, type UnitSystem } from '#core/units';

/** Water by whole gallons or five litres: what a gauge on a truck can be read to, always down. */
const STEP = { us: 1, metric: 5 } as const;

/** How much to add, as it can be read off a gauge, in litres; what is under one step is nothing. */
export function gaugedL(addL: number, units: UnitSystem): number {
  const shown = toShown(addL, 'L', units);
  const step = STEP[units];
  return (Math.floor(shown / step + 1e-9) * step * addL) / Math.max(shown, 1e-9);
}

/** "9 gal": water to add, as it is read off the gauge. */
export const waterText = (addL: number, units: UnitSystem): string =>
  quantityText(gaugedL(addL, units), 'L', units);

/** What may still be added to a stiff load, or why nothing may. */
export function waterAdviceText({ result }: WaterAdvice, units: UnitSystem): string {
  if (result.reason !== null) return 'No more water: it was added once, or too much is out.';
  if (gaugedL(result.addL, units) <= 0) return 'The mix allows no more water: admixture, or back.';
  const enough = result.addL >= result.neededL - 1e-6;
  return `Water allowed: ${waterText(result.addL, units)}, once${enough ? '' : `; ${waterText(result.neededL, units)} would be needed`}. Then ${TURNS_AFTER_WATER} turns and slump again, w/c ${fieldText(Math.round(result.newWc * 1000) / 1000)}.`;
}

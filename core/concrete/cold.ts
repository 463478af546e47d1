import { atLeast } from '#core/units';

/** Cold weather begins here, °C (ACI 306R-16 §1.2: 40 °F, as the guide rounds it). */
export const COLD_AIR_C = 4.4;

/** Least temperature as placed by the section's least dimension (ACI 306R-16 table 5.1): 12, 36 and 72 in. */
export function leastPlacedC(leastDimensionM: number): number {
  if (!atLeast(leastDimensionM, 0.3048)) return 13;
  if (!atLeast(leastDimensionM, 0.9144)) return 10;
  return atLeast(leastDimensionM, 1.8288) ? 5 : 7;
}

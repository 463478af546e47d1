import { atLeast, atMost } from '#core/units';

/** Cold weather begins here, °C (ACI 306R-16 §1.2: 40 °F, as the guide rounds it). */
export const COLD_AIR_C = 4.4;

/** Least temperature as placed by the section's least dimension (ACI 306R-16 table 5.1): 12, 36 and 72 in. */
export function leastPlacedC(leastDimensionM: number): number {
  if (!atLeast(leastDimensionM, 0.3048)) return 13;
  if (!atLeast(leastDimensionM, 0.9144)) return 10;
  return atLeast(leastDimensionM, 1.8288) ? 5 : 7;
}

/** Below this air, °C, and of low-heat cement below COLD_AIR_C, concrete comes warm on a site to EN. */
const FROSTY_AIR_C = -3;

/**
 * Least temperature as placed on a site to EN, °C: 5 as a rule (EN 206 §5.2.9), 10 in frost, and in
 * cold air where the cement makes little heat (DIN 1045-3 §8.3 to EN 13670, to be confirmed; the
 * country's own annex rules).
 */
export function leastPlacedEnC(airC: number, lowHeat: boolean): number {
  return airC < FROSTY_AIR_C || (lowHeat && atMost(airC, COLD_AIR_C)) ? 10 : 5;
}

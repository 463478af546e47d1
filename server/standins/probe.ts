import type { Mix } from '#core/model';

/** Fresh concrete warms itself by so much, °C, and is warmest so long after placing, h; then it follows the air. */
const HEAT_C = 12;
const WARMEST_H = 14;
const COOLING_H = 20;

/**
 * The stand-in for a probe in the concrete: placed as warm as it came, warmed by its cement, cooled by the air.
 * @param hours since it was placed; before that the probe reads the air
 */
export function probeC(
  { placedC, airC, hours }: { placedC: number; airC: number; hours: number },
  { cementType }: Pick<Mix, 'cementType'>,
): number {
  if (hours < 0) return airC;
  const share = hours / WARMEST_H;
  const heat = HEAT_C * (cementType === 'III' ? 1.4 : 1) * share * Math.exp(1 - share);
  return airC + (placedC - airC) * Math.exp(-hours / COOLING_H) + heat;
}

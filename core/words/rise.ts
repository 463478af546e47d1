import type { Rise } from '#core/pourlog';
import { quantityText, type UnitSystem } from '#core/units';

/** How fast a wall comes up against what its forms take, and how long to wait where it is too fast. */
export function riseText(r: Rise, units: UnitSystem): string {
  const allowed = quantityText(r.allowedMPerH, 'MPerH', units);
  const wait = Math.ceil(r.waitMin - 1e-9);
  if (r.allowedMPerH <= 0)
    return `${r.elementId}: its forms do not hold a lift of this height in one pass. Place it lower.`;
  const now = quantityText(r.riseMPerH, 'MPerH', units);
  return wait > 0
    ? `Wait ${wait} min at ${r.elementId}: it would come up ${now}, the forms take ${allowed}.`
    : `It comes up ${now} at ${r.elementId}; the forms take ${allowed}.`;
}

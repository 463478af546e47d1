import type { Rise } from '#core/pourlog';
import { quantityText, type UnitSystem } from '#core/units';

/** How fast a wall comes up against what its forms take, and how long to wait where it is too fast. */
export function riseText(r: Rise, units: UnitSystem): string {
  const allowed = quantityText(r.allowedMPerH, 'MPerH', units);
  const wait = Math.ceil(r.waitMin - 1e-9);
  if (wait > 0 && r.allowedMPerH <= 0)
    return `Wait ${wait} min at ${r.elementId}: its forms take no more until what is in them has stiffened.`;
  const now = quantityText(r.riseMPerH, 'MPerH', units);
  return wait > 0
    ? `Wait ${wait} min at ${r.elementId}: it would come up ${now}, the forms take ${allowed}.`
    : `It comes up ${now} at ${r.elementId}; the forms take ${allowed}.`;
}

import type { Leg, WayNote } from '#core/pourplan';
import type { UnitSystem } from '#core/units';
import { wayNoteText } from './way.ts';

/** What bears at the cell that is being filled: its corners, its openings, the steel and the people round it. */
export function remindersAt(leg: Leg, notes: readonly WayNote[], units: UnitSystem): string[] {
  const own = notes
    .filter((n) => n.elementId === leg.elementId && n.kind !== 'bulkhead')
    .map((n) => wayNoteText(n, units));
  return [
    ...own,
    leg.wall
      ? 'Nobody in the line of the wall, and nobody under the boom.'
      : 'Lift the hose over the verts, do not drag it across them.',
  ];
}

import type { RouteCell } from './cells.ts';
import type { CellTime } from './pressure.ts';
import type { Placement, Timetable } from './simulation-model.ts';

/** A placement on the route: where along the way it runs, in which lift. */
export interface PlannedPlacement extends Placement {
  elementId: string;
  lift: number;
  fromM: number;
  toM: number;
}

/** When each cell is filled by a timetable, first concrete to last. */
export function cellTimes(
  { placements }: Pick<Timetable, 'placements'>,
  tempC: number,
): Map<string, CellTime> {
  const times = new Map<string, CellTime>();
  for (const p of placements)
    times.set(p.cellId, {
      startMin: times.get(p.cellId)?.startMin ?? p.fromMin,
      endMin: p.toMin,
      tempC,
    });
  return times;
}

/** Where along the route each placement runs: a cell fills from its near end to its far end. */
export function onRoute(placements: Placement[], cells: RouteCell[]): PlannedPlacement[] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  const done = new Map<string, number>();
  return placements.flatMap((p) => {
    const c = byId.get(p.cellId);
    if (!c) return [];
    const before = done.get(c.id) ?? 0;
    done.set(c.id, before + p.volumeM3);
    const at = (v: number) => c.fromM + ((c.toM - c.fromM) * v) / c.volumeM3;
    return [
      {
        ...p,
        elementId: c.elementId,
        lift: c.lift,
        fromM: at(before),
        toM: at(before + p.volumeM3),
      },
    ];
  });
}

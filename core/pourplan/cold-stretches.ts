import type { RouteCell } from './cells.ts';
import type { PourPlan } from './plan.ts';

/** A stretch along the route on which the next lift comes too late to knit, by the plan. */
export interface ColdStretch {
  kind: 'below' | 'beside';
  lift: number;
  elementId: string;
  fromM: number;
  toM: number;
  /** The longest wait of the stretch, and when the window shuts, min. */
  gapMin: number;
  knitMin: number;
  /** When it shuts, minutes after midnight, where it waits longest. */
  shutsAtMin: number;
}

/**
 * Cold seams of the plan as stretches along the way: neighbouring cells of a lift joined, those
 * beside each other as places.
 */
export function coldStretches(plan: Pick<PourPlan, 'cells' | 'timetable'>): ColdStretch[] {
  const cells = new Map(plan.cells.map((c) => [c.id, c]));
  const begun = new Map<string, number>();
  for (const p of plan.timetable.placements)
    if (!begun.has(p.cellId)) begun.set(p.cellId, p.fromMin);
  const found = plan.timetable.seams
    .filter((s) => s.verdict === 'cold')
    .flatMap((s) => {
      const above = cells.get(s.above);
      return above ? [{ seam: s, above }] : [];
    })
    .sort(
      (a, b) =>
        a.seam.kind.localeCompare(b.seam.kind) ||
        a.above.lift - b.above.lift ||
        a.above.fromM - b.above.fromM,
    );
  const out: ColdStretch[] = [];
  for (const { seam, above } of found) {
    const last = out.at(-1);
    const shutsAtMin = (begun.get(seam.below) ?? 0) + seam.knitMin;
    if (last && joins(last, seam.kind, above)) {
      last.toM = above.toM;
      if (seam.gapMaxMin > last.gapMin) {
        last.gapMin = seam.gapMaxMin;
        last.shutsAtMin = shutsAtMin;
      }
    } else
      out.push({
        kind: seam.kind,
        lift: above.lift,
        elementId: above.elementId,
        fromM: above.fromM,
        toM: seam.kind === 'below' ? above.toM : above.fromM,
        gapMin: seam.gapMaxMin,
        knitMin: seam.knitMin,
        shutsAtMin,
      });
  }
  return out.sort((a, b) => b.gapMin - b.knitMin - (a.gapMin - a.knitMin));
}

const joins = (last: ColdStretch, kind: ColdStretch['kind'], above: RouteCell): boolean =>
  kind === 'below' &&
  last.kind === 'below' &&
  last.lift === above.lift &&
  Math.abs(last.toM - above.fromM) < 1e-6;

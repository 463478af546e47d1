import type { PourDoc } from '#core/model';

/** One thing that was called for the pour: until when it can be put off without charge, and what it costs after. */
interface PutOff {
  what: string;
  freeUntilMin: number;
  cost: number;
  free: boolean;
}

export interface PutOffState {
  rows: PutOff[];
  /** The first moment at which putting off begins to cost; null when nothing was called. */
  freeUntilMin: number | null;
  /** What putting off costs now, and what it will once every notice has run out. */
  costNow: number;
  costLater: number;
}

/**
 * Plant, pump and finishers are put off free of charge up to their notice before the first load;
 * after that each costs its call-off. `nowMin` and the answers are minutes after midnight of the
 * pour day.
 */
export function putOffOf(pour: PourDoc, nowMin: number): PutOffState {
  const rows = pour.callOff
    .map((c): PutOff => {
      const freeUntilMin = pour.settings.firstLoadMin - c.noticeMin;
      return { what: c.what, freeUntilMin, cost: c.cost, free: nowMin <= freeUntilMin };
    })
    .sort((a, b) => a.freeUntilMin - b.freeUntilMin);
  const sum = (list: PutOff[]) => list.reduce((s, r) => s + r.cost, 0);
  return {
    rows,
    freeUntilMin: rows[0]?.freeUntilMin ?? null,
    costNow: sum(rows.filter((r) => !r.free)),
    costLater: sum(rows),
  };
}

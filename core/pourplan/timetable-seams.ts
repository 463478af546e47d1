import { STANDARD_GRAVITY } from '#core/units';
import type { SimulationInput, Timetable } from './simulation-model.ts';
import { windowsOf } from './windows.ts';

export const EPS = 1e-9;

/** When a cell was filled, and whether it is full. */
export interface Filling {
  start: number;
  end: number;
  full: boolean;
}

/** Seams between cells that are filled, with how long each waited against its window. */
export function seamsOf(v: SimulationInput, filled: Map<string, Filling>): Timetable['seams'] {
  const windowOf = windowsOf(v);
  const byId = new Map(v.cells.map((c) => [c.id, c]));
  const seams: Timetable['seams'] = [];
  const add = (
    above: string,
    below: string,
    kind: 'below' | 'beside',
    gaps: [number, number],
    /** The one that waits: its concrete has the window. */
    waits: string,
  ) => {
    const gapMaxMin = Math.max(...gaps);
    const { stiffenMin, knitMin } = windowOf(byId.get(waits) ?? {});
    seams.push({
      above,
      below,
      kind,
      gapMaxMin,
      gapMinMin: Math.min(...gaps),
      stiffenMin,
      knitMin,
      verdict: gapMaxMin > knitMin + EPS * knitMin ? 'cold' : 'ok',
    });
  };
  for (const c of v.cells) {
    const me = filled.get(c.id);
    if (!me) continue;
    const low = c.below === undefined ? undefined : filled.get(c.below);
    if (low && c.below !== undefined)
      add(c.id, c.below, 'below', [me.start - low.start, me.end - low.end], c.below);
    for (const b of c.beside) {
      const other = filled.get(b);
      if (!other) continue;
      const gap = Math.max(0, Math.max(me.start, other.start) - Math.min(me.end, other.end));
      add(c.id, b, 'beside', [gap, gap], me.end < other.end ? c.id : b);
    }
  }
  return seams;
}

/** What the fresh concrete presses at the foot of each cell as it is filled. */
export function headsOf(v: SimulationInput, filled: Map<string, Filling>): Timetable['cells'] {
  const windowOf = windowsOf(v);
  const byId = new Map(v.cells.map((c) => [c.id, c]));
  return v.cells.flatMap((c) => {
    const me = filled.get(c.id);
    if (!me) return [];
    let freshHeadM = c.heightM;
    for (let on = c; on.below !== undefined && !on.formFoot;) {
      const low = on.below;
      const under = filled.get(low);
      const lower = byId.get(low) as typeof c;
      if (!under || me.end - under.end >= windowOf(lower).stiffenMin) break;
      on = lower;
      freshHeadM += on.heightM;
    }
    const pressureKPa = (v.densityKgM3 * STANDARD_GRAVITY * freshHeadM) / 1000;
    return [
      { id: c.id, freshHeadM, pressureKPa, overRating: pressureKPa > v.ratingKPa * (1 + EPS) },
    ];
  });
}

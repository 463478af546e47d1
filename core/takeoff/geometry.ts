import type { Point, Ring } from './ring.ts';
import { differenceOf, sharedArea } from './convex.ts';

/** A ring with the box it lies in. */
export interface Boxed {
  ring: Ring;
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

export const boxed = (ring: Ring): Boxed => {
  let x0 = Infinity,
    y0 = Infinity,
    x1 = -Infinity,
    y1 = -Infinity;
  for (const p of ring) {
    x0 = Math.min(x0, p.x);
    x1 = Math.max(x1, p.x);
    y0 = Math.min(y0, p.y);
    y1 = Math.max(y1, p.y);
  }
  return { ring, x0, y0, x1, y1 };
};
const near = (a: Boxed, b: Boxed): boolean =>
  a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/** Rings are looked for in columns of a site that are so wide, m. */
const COLUMN_M = 8;

/** Rings of a site, found again by where they lie: most of them are nowhere near each other. */
export class RingIndex {
  readonly #columns = new Map<number, { order: number; box: Boxed }[]>();
  #count = 0;

  #columnsOf({ x0, x1 }: Boxed): number[] {
    const [first, last] = [Math.floor(x0 / COLUMN_M), Math.floor(x1 / COLUMN_M)];
    return Array.from({ length: last - first + 1 }, (_, i) => first + i);
  }

  add(box: Boxed): void {
    const entry = { order: this.#count, box };
    this.#count += 1;
    for (const k of this.#columnsOf(box)) {
      const column = this.#columns.get(k);
      if (column) column.push(entry);
      else this.#columns.set(k, [entry]);
    }
  }

  /** Those whose boxes overlap one of these, in the order in which they were added. */
  near(boxes: readonly Boxed[]): Boxed[] {
    const found = new Set(
      boxes.flatMap((box) =>
        this.#columnsOf(box).flatMap((k) =>
          (this.#columns.get(k) ?? []).filter((e) => near(e.box, box)),
        ),
      ),
    );
    return [...found].sort((a, b) => a.order - b.order).map((e) => e.box);
  }
}

/** Overlaps below this area (m²) are rounding along a shared edge, not concrete in two elements. */
const OVERLAP_M2 = 1e-6;

/**
 * What is left of `rings` outside `taken`. Rings are parted only where there is a real overlap;
 * those that merely touch keep their corners.
 */
export function outside(rings: Ring[], taken: RingIndex): Ring[] {
  let left = rings.map(boxed);
  for (const t of taken.near(left)) {
    if (left.some((r) => near(r, t) && sharedArea(r.ring, t.ring) > OVERLAP_M2))
      left = left.flatMap((r) =>
        near(r, t) && sharedArea(r.ring, t.ring) > OVERLAP_M2
          ? differenceOf(r.ring, t.ring).map(boxed)
          : [r],
      );
  }
  return left.map((r) => r.ring);
}

/** Lengths within this distance of each other lie on one line (m). */
const ON_LINE_M = 2e-6;

interface Edge {
  ax: number;
  ay: number;
  bx: number;
  by: number;
  owner: number;
}

/**
 * For each group of rings, how much of its outline lies against no other ring of any group (m).
 * Two rings touch where their edges share a stretch of one line.
 */
export function exposedLengths(groups: Ring[][]): number[] {
  const edges: Edge[] = [];
  groups.forEach((rings, owner) => {
    for (const ring of rings)
      ring.forEach((p, i) => {
        const q = ring[(i + 1) % ring.length] as Point;
        if (Math.hypot(q.x - p.x, q.y - p.y) > ON_LINE_M)
          edges.push({ ax: p.x, ay: p.y, bx: q.x, by: q.y, owner });
      });
  });
  const sums = groups.map(() => 0);
  // From west to east, so that an edge is held only against those that share some of its width.
  edges.sort((e, f) => west(e) - west(f));
  const widest = edges.reduce((w, e) => Math.max(w, Math.abs(e.bx - e.ax)), 0);
  const wests = edges.map(west);
  for (const e of edges) {
    const from = firstNotBelow(wests, west(e) - widest - NEAR_M);
    const to = firstNotBelow(wests, Math.max(e.ax, e.bx) + NEAR_M);
    sums[e.owner] = (sums[e.owner] ?? 0) + exposedOf(e, edges, from, to);
  }
  return sums;
}

/** Edges further apart than this cannot touch, m. */
const NEAR_M = 1e-4;
const west = (e: Edge): number => Math.min(e.ax, e.bx);
/** The first place in a rising list that is not below a value. */
function firstNotBelow(list: number[], value: number): number {
  let [low, high] = [0, list.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((list[mid] as number) < value) low = mid + 1;
    else high = mid;
  }
  return low;
}

function exposedOf(e: Edge, all: Edge[], first: number, end: number): number {
  const length = Math.hypot(e.bx - e.ax, e.by - e.ay);
  const ux = (e.bx - e.ax) / length;
  const uy = (e.by - e.ay) / length;
  const covered: [number, number][] = [];
  const [y0, y1] = [Math.min(e.ay, e.by) - NEAR_M, Math.max(e.ay, e.by) + NEAR_M];
  for (let i = first; i < end; i += 1) {
    const f = all[i] as Edge;
    if (f === e || (f.ay < y0 && f.by < y0) || (f.ay > y1 && f.by > y1)) continue;
    if (Math.abs(ux * (f.ay - e.ay) - uy * (f.ax - e.ax)) > ON_LINE_M) continue;
    if (Math.abs(ux * (f.by - e.ay) - uy * (f.bx - e.ax)) > ON_LINE_M) continue;
    const s = ux * (f.ax - e.ax) + uy * (f.ay - e.ay);
    const t = ux * (f.bx - e.ax) + uy * (f.by - e.ay);
    const from = Math.max(0, Math.min(s, t));
    const to = Math.min(length, Math.max(s, t));
    if (to > from) covered.push([from, to]);
  }
  covered.sort((p, q) => p[0] - q[0]);
  let free = length;
  let reach = 0;
  for (const [from, to] of covered) {
    if (to > reach) {
      free -= to - Math.max(from, reach);
      reach = to;
    }
  }
  return Math.max(0, free);
}

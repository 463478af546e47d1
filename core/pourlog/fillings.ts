import type { CellTime, RouteCell } from '#core/pourplan';
import { faceKey, type WarmPlacement } from './placements.ts';

/** Shares closer than this are the same. */
export const SAME = 1e-9;

/** A part of a cell that was placed without a stop, shares of the cell, and the concrete in it. */
export interface Piece {
  fromMs: number;
  toMs: number;
  fromShare: number;
  toShare: number;
  tempC: number;
}
/** A cell as far as it is filled; `done` is the share, 0 to 1. */
export interface Filling {
  pieces: Piece[];
  done: number;
  startMs: number;
  endMs: number;
}

export const isFull = (f: Filling): boolean => f.done >= 1 - SAME;

/** The part of a placement that lies in a cell, as shares of the cell; nothing when none does. */
function cut(p: WarmPlacement, low: number, high: number): Piece[] {
  const [a, b] = [Math.max(p.fromRatio, low), Math.min(p.toRatio, high)];
  if (b - a < SAME) return [];
  const timeAt = (ratio: number) =>
    p.fromMs + ((p.toMs - p.fromMs) * (ratio - p.fromRatio)) / (p.toRatio - p.fromRatio);
  const share = (ratio: number) => (ratio - low) / (high - low);
  return [
    {
      fromMs: timeAt(a),
      toMs: timeAt(b),
      fromShare: share(a),
      toShare: share(b),
      tempC: p.tempC,
    },
  ];
}

/** How each cell was filled: a leg and lift fills in the order of its cells, so a share of it lies in one of them. */
export function fillingsOf(
  cells: readonly RouteCell[],
  placements: readonly WarmPlacement[],
): Map<string, Filling> {
  const byFace = new Map<string, WarmPlacement[]>();
  for (const p of placements) {
    const key = faceKey(p.elementId, p.lift);
    byFace.set(key, [...(byFace.get(key) ?? []), p]);
  }
  const fillings = new Map<string, Filling>();
  for (const cell of cells) {
    const placed = byFace.get(faceKey(cell.elementId, cell.lift)) ?? [];
    const pieces = placed.flatMap((p) => cut(p, cell.fillFrom, cell.fillTo));
    const last = pieces.at(-1);
    if (last && pieces[0])
      fillings.set(cell.id, {
        pieces,
        done: last.toShare,
        startMs: pieces[0].fromMs,
        endMs: last.toMs,
      });
  }
  return fillings;
}

/** When each begun cell was placed, first concrete to last, and its coldest concrete; minutes of an epoch. */
export const fillingTimes = (fillings: ReadonlyMap<string, Filling>): Map<string, CellTime> =>
  new Map(
    [...fillings].map(([id, f]) => [
      id,
      {
        startMin: f.startMs / 60_000,
        endMin: f.endMs / 60_000,
        tempC: Math.min(...f.pieces.map((p) => p.tempC)),
      },
    ]),
  );

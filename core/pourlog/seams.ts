import type { RouteCell } from '#core/pourplan';
import { faceKey, type ActualPlacement } from './placements.ts';

/** How the face of a cell is met: by the cell above, by the one at its side, or by the rest of the cell itself. */
type SeamKind = 'above' | 'beside' | 'front';

/** A face of one cell that waits for concrete. */
export interface OpenFace {
  cell: RouteCell;
  metBy: RouteCell;
  kind: SeamKind;
  /** When the oldest concrete of what is still bare was placed. */
  sinceMs: number;
}

/** A stretch of faces that must be met before they no longer knit: one run, one lift, met by one run and lift. */
export interface OpenSeam {
  elementId: string;
  lift: number;
  kind: SeamKind;
  metBy: { elementId: string; lift: number };
  /** Where it lies along the route, m. */
  fromM: number;
  toM: number;
  sinceMs: number;
  opensMs: number;
  shutsMs: number;
  minutesLeft: number;
  cold: boolean;
}

/** A face that was met after it had shut. */
export interface ColdJoint {
  elementId: string;
  lift: number;
  kind: SeamKind;
  metBy: { elementId: string; lift: number };
  gapMin: number;
}

/** What the field test said of a face, and when. */
export interface SeamTest {
  elementId: string;
  lift: number;
  sinks: boolean;
  atMs: number;
}

/** A face into which the vibrator still sank is good for so long before it is to be tried again, ms (site practice). */
const TRIED_MS = 15 * 60_000;

/** When a face shuts: by the clock, or as the last test of it said, which rules over the clock. */
export function shutsAt(
  face: { elementId: string; lift: number },
  sinceMs: number,
  knitMin: number,
  tests: readonly SeamTest[],
): number {
  const byClock = sinceMs + knitMin * 60_000;
  const tried = tests.findLast(
    (t) => t.elementId === face.elementId && t.lift === face.lift && t.atMs >= sinceMs,
  );
  if (!tried) return byClock;
  return tried.sinks ? Math.max(byClock, tried.atMs + TRIED_MS) : Math.min(byClock, tried.atMs);
}

/** Shares closer than this are the same. */
const SAME = 1e-9;

/** A part of a cell that was placed without a stop, shares of the cell. */
interface Piece {
  fromMs: number;
  toMs: number;
  fromShare: number;
  toShare: number;
}
/** A cell as far as it is filled; `done` is the share, 0 to 1. */
interface Filling {
  pieces: Piece[];
  done: number;
  startMs: number;
  endMs: number;
}

/** How each cell was filled: a leg and lift fills in the order of its cells, so a share of it lies in one of them. */
function fillingsOf(cells: RouteCell[], placements: ActualPlacement[]) {
  const byFace = new Map<string, ActualPlacement[]>();
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

/** The part of a placement that lies in a cell, as shares of the cell; nothing when none does. */
function cut(p: ActualPlacement, low: number, high: number): Piece[] {
  const [a, b] = [Math.max(p.fromRatio, low), Math.min(p.toRatio, high)];
  if (b - a < SAME) return [];
  const timeAt = (ratio: number) =>
    p.fromMs + ((p.toMs - p.fromMs) * (ratio - p.fromRatio)) / (p.toRatio - p.fromRatio);
  const share = (ratio: number) => (ratio - low) / (high - low);
  return [{ fromMs: timeAt(a), toMs: timeAt(b), fromShare: share(a), toShare: share(b) }];
}

/** When the concrete at a share of a cell was placed. */
function placedAt(f: Filling, share: number): number {
  const p = f.pieces.find((x) => share <= x.toShare + SAME);
  if (!p) return f.endMs;
  const part = (share - p.fromShare) / (p.toShare - p.fromShare);
  return p.fromMs + (p.toMs - p.fromMs) * Math.min(1, Math.max(0, part));
}

const isFull = (f: Filling): boolean => f.done >= 1 - SAME;

/**
 * Every face that waits for concrete: a cell whose neighbour above has not been placed over the
 * whole of it, or whose neighbour at its side has not been begun; and the front of a cell that was
 * left part-filled. What has been met has no clock any more.
 * @param placements as reckoned on to now
 * @param underHose runs and lifts (`faceKey`) that are being filled now: their front is fresh
 */
export function openFaces(
  cells: RouteCell[],
  placements: ActualPlacement[],
  underHose: ReadonlySet<string>,
): OpenFace[] {
  const fillings = fillingsOf(cells, placements);
  const byId = new Map(cells.map((c) => [c.id, c]));
  const faces: OpenFace[] = [];
  for (const c of cells) {
    const me = fillings.get(c.id);
    const low = c.below === undefined ? undefined : byId.get(c.below);
    const under = low && fillings.get(low.id);
    const covered = me?.done ?? 0;
    if (low && under && under.done - covered > SAME)
      faces.push({ cell: low, metBy: c, kind: 'above', sinceMs: placedAt(under, covered) });
    for (const id of c.beside) {
      const side = byId.get(id);
      const other = fillings.get(id);
      if (!side || (me === undefined) === (other === undefined)) continue;
      const [placed, bare] = other ? [side, c] : [c, side];
      const filling = (other ?? me) as Filling;
      if (isFull(filling))
        faces.push({ cell: placed, metBy: bare, kind: 'beside', sinceMs: filling.endMs });
    }
    if (me && !isFull(me) && !underHose.has(faceKey(c.elementId, c.lift)))
      faces.push({ cell: c, metBy: c, kind: 'front', sinceMs: me.endMs });
  }
  return faces;
}

const alike = (a: OpenSeam, f: OpenFace): boolean =>
  a.elementId === f.cell.elementId &&
  a.lift === f.cell.lift &&
  a.kind === f.kind &&
  a.metBy.elementId === f.metBy.elementId &&
  a.metBy.lift === f.metBy.lift &&
  Math.abs(a.toM - f.cell.fromM) < 1e-6;

/**
 * Faces that lie in a row joined, each stretch with the clock of its oldest concrete; the one that
 * shuts first comes first.
 */
export function seamsOf(
  faces: OpenFace[],
  window: { stiffenMin: number; knitMin: number },
  nowMs: number,
  tests: readonly SeamTest[] = [],
): OpenSeam[] {
  const seams: OpenSeam[] = [];
  for (const f of [...faces].sort((a, b) => a.cell.fromM - b.cell.fromM)) {
    const joined = seams.find((s) => alike(s, f));
    const sinceMs = Math.min(f.sinceMs, joined?.sinceMs ?? Infinity);
    const shutsMs = shutsAt(f.cell, sinceMs, window.knitMin, tests);
    const clock = {
      sinceMs,
      opensMs: sinceMs + window.stiffenMin * 60_000,
      shutsMs,
      minutesLeft: (shutsMs - nowMs) / 60_000,
      cold: nowMs > shutsMs,
    };
    if (joined) Object.assign(joined, clock, { toM: f.cell.toM });
    else
      seams.push({
        elementId: f.cell.elementId,
        lift: f.cell.lift,
        kind: f.kind,
        metBy: { elementId: f.metBy.elementId, lift: f.metBy.lift },
        fromM: f.cell.fromM,
        toM: f.cell.toM,
        ...clock,
      });
  }
  return seams.sort((a, b) => a.shutsMs - b.shutsMs);
}

/** Faces that were met, but later than they knit; the longest gap of each run, lift and side. */
export function coldJointsOf(
  cells: RouteCell[],
  placements: ActualPlacement[],
  knitMin: number,
  tests: readonly SeamTest[] = [],
): ColdJoint[] {
  const fillings = fillingsOf(cells, placements);
  const byId = new Map(cells.map((c) => [c.id, c]));
  const joints = new Map<string, ColdJoint>();
  const note = (
    face: RouteCell | undefined,
    metBy: RouteCell,
    kind: SeamKind,
    gapMs: number,
    metMs: number,
  ) => {
    const gapMin = gapMs / 60_000;
    if (!face) return;
    const sinceMs = metMs - gapMs;
    const before = tests.filter((t) => t.atMs <= metMs);
    if (metMs <= shutsAt(face, sinceMs, knitMin * (1 + SAME), before)) return;
    const key = `${faceKey(face.elementId, face.lift)} ${faceKey(metBy.elementId, metBy.lift)} ${kind}`;
    if ((joints.get(key)?.gapMin ?? 0) < gapMin)
      joints.set(key, {
        elementId: face.elementId,
        lift: face.lift,
        kind,
        metBy: { elementId: metBy.elementId, lift: metBy.lift },
        gapMin,
      });
  };
  for (const c of cells) {
    const me = fillings.get(c.id);
    if (!me) continue;
    const under = c.below === undefined ? undefined : fillings.get(c.below);
    if (under && c.below !== undefined) {
      note(byId.get(c.below), c, 'above', me.startMs - under.startMs, me.startMs);
      if (isFull(me)) note(byId.get(c.below), c, 'above', me.endMs - under.endMs, me.endMs);
    }
    for (const id of c.beside) {
      const side = fillings.get(id);
      if (!side) continue;
      const metMs = Math.max(me.startMs, side.startMs);
      note(byId.get(id), c, 'beside', metMs - Math.min(me.endMs, side.endMs), metMs);
    }
    me.pieces.slice(1).forEach((p, i) => {
      note(c, c, 'front', p.fromMs - (me.pieces[i] as Piece).toMs, p.fromMs);
    });
  }
  return [...joints.values()];
}

import type { RouteCell } from '#core/pourplan';
import { type Filling, isFull, type Piece, SAME } from './fillings.ts';
import { faceKey } from './placements.ts';
import { sameFace } from './same-face.ts';

/** How the face of a cell is met: by the cell above, by the one at its side, or by the rest of the cell itself. */
export type SeamKind = 'above' | 'beside' | 'front';

/** When concrete of a temperature is stiff and until when it knits, clock minutes after it was placed. */
export interface Window {
  stiffenMin: number;
  knitMin: number;
}
/** The window of concrete that came at so many °C. */
export type WindowAt = (tempC: number) => Window;

/** A face of one cell that waits for concrete. */
export interface OpenFace extends Window {
  cell: RouteCell;
  metBy: RouteCell;
  kind: SeamKind;
  /** When the concrete of what is still bare was placed that shuts first. */
  sinceMs: number;
  /** The hose is on it: it is being covered. */
  covering: boolean;
}

/** A stretch of faces that must be met before they no longer knit: one run, one lift, met by one run and lift. */
export interface OpenSeam extends Window {
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

/** When the concrete at a share of a piece was placed. */
function placedAt(p: Piece, share: number): number {
  const part = (share - p.fromShare) / (p.toShare - p.fromShare);
  return p.fromMs + (p.toMs - p.fromMs) * Math.min(1, Math.max(0, part));
}

/** Of what is bare from a share on, the concrete that shuts first, by its own temperature. */
function firstToShut(f: Filling, fromShare: number, windowAt: WindowAt) {
  const bare = f.pieces.filter((p) => p.toShare > fromShare + SAME);
  const clocks = (bare.length ? bare : f.pieces.slice(-1)).map((p) => ({
    sinceMs: placedAt(p, fromShare),
    ...windowAt(p.tempC),
  }));
  return clocks.reduce((a, b) =>
    b.sinceMs + b.knitMin * 60_000 < a.sinceMs + a.knitMin * 60_000 ? b : a,
  );
}

/** The end of a cell: when it was placed, and the window of its last concrete. */
const endOf = (f: Filling, windowAt: WindowAt) => ({
  sinceMs: f.endMs,
  ...windowAt(f.pieces.at(-1)?.tempC ?? 20),
});

/**
 * Every face that waits for concrete: a cell whose neighbour above has not been placed over the
 * whole of it, or whose neighbour at its side has not been begun; and the front of a cell that was
 * left part-filled. What has been met has no clock any more; what the hose is on is being covered.
 * @param fillings as reckoned on to now
 * @param underHose runs and lifts (`faceKey`) that are being filled now: their front is fresh
 */
export function openFaces(
  cells: readonly RouteCell[],
  fillings: ReadonlyMap<string, Filling>,
  underHose: ReadonlySet<string>,
  windowAt: WindowAt,
): OpenFace[] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  const faces: OpenFace[] = [];
  for (const c of cells) {
    const me = fillings.get(c.id);
    const hosed = underHose.has(faceKey(c.elementId, c.lift));
    const low = c.below === undefined ? undefined : byId.get(c.below);
    const under = low && fillings.get(low.id);
    const covered = me?.done ?? 0;
    if (low && under && under.done - covered > SAME)
      faces.push({
        cell: low,
        metBy: c,
        kind: 'above',
        ...firstToShut(under, covered, windowAt),
        covering: hosed && me !== undefined,
      });
    for (const id of c.beside) {
      const side = byId.get(id);
      const other = fillings.get(id);
      if (!side || (me === undefined) === (other === undefined)) continue;
      const [placed, bare] = other ? [side, c] : [c, side];
      const filling = (other ?? me) as Filling;
      if (isFull(filling))
        faces.push({
          cell: placed,
          metBy: bare,
          kind: 'beside',
          ...endOf(filling, windowAt),
          covering: false,
        });
    }
    if (me && !isFull(me) && !hosed)
      faces.push({ cell: c, metBy: c, kind: 'front', ...endOf(me, windowAt), covering: false });
  }
  return faces;
}

const alike = (a: OpenSeam, f: OpenFace): boolean =>
  sameFace(a, f) && Math.abs(a.toM - f.cell.fromM) < 1e-6;

/**
 * Faces that lie in a row joined, each stretch with the clock of what shuts first in it; the one
 * that shuts first comes first. What is being covered waits no more.
 */
export function seamsOf(
  faces: readonly OpenFace[],
  nowMs: number,
  tests: readonly SeamTest[] = [],
): OpenSeam[] {
  const seams: OpenSeam[] = [];
  const waiting = faces.filter((f) => !f.covering);
  for (const f of [...waiting].sort((a, b) => a.cell.fromM - b.cell.fromM)) {
    const { sinceMs, stiffenMin, knitMin, cell } = f;
    const shutsMs = shutsAt(cell, sinceMs, knitMin, tests);
    const clock = {
      sinceMs,
      stiffenMin,
      knitMin,
      opensMs: sinceMs + stiffenMin * 60_000,
      shutsMs,
      minutesLeft: (shutsMs - nowMs) / 60_000,
      cold: nowMs > shutsMs,
    };
    const joined = seams.find((s) => alike(s, f));
    if (joined) Object.assign(joined, shutsMs < joined.shutsMs ? clock : {}, { toM: cell.toM });
    else
      seams.push({
        elementId: cell.elementId,
        lift: cell.lift,
        kind: f.kind,
        metBy: { elementId: f.metBy.elementId, lift: f.metBy.lift },
        fromM: cell.fromM,
        toM: cell.toM,
        ...clock,
      });
  }
  return seams.sort((a, b) => a.shutsMs - b.shutsMs);
}

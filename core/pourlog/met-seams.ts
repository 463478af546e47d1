import type { RouteCell } from '#core/pourplan';
import { type Filling, isFull, SAME } from './fillings.ts';
import { type SeamKind, type SeamTest, shutsAt, type WindowAt } from './seams.ts';
import { sameFace } from './same-face.ts';

/** A face of one cell that was met: after how long, when, and whether that was later than it knits. */
export interface MetFace {
  cell: RouteCell;
  metBy: RouteCell;
  kind: SeamKind;
  gapMin: number;
  metMs: number;
  knitMin: number;
  late: boolean;
}

/** A stretch that was met after it had shut: where, how long it is, and after how many minutes. It stays in the record. */
export interface ColdJoint {
  elementId: string;
  lift: number;
  kind: SeamKind;
  metBy: { elementId: string; lift: number };
  fromM: number;
  toM: number;
  gapMin: number;
  knitMin: number;
}

/** What the gaps of a pair of cells are: how long the one that was first waited, until when. */
interface Gap {
  face: RouteCell;
  gapMs: number;
  metMs: number;
  tempC: number;
}

/** The temperature that shuts first: of the warmest concrete at the face. */
const warmest = (f: Filling): number => Math.max(...f.pieces.map((p) => p.tempC));

/** Gaps of a cell over the one it was placed on: from start to start and, when it is full, end to end. */
function gapsAbove(low: RouteCell, under: Filling, me: Filling): Gap[] {
  const of = { face: low, tempC: warmest(under) };
  const starts = { ...of, gapMs: me.startMs - under.startMs, metMs: me.startMs };
  return isFull(me) && isFull(under)
    ? [starts, { ...of, gapMs: me.endMs - under.endMs, metMs: me.endMs }]
    : [starts];
}

/**
 * Every face that was met, above, beside and at a front that was gone on with. Each by the window of
 * the concrete that lay there.
 */
export function metFaces(
  cells: readonly RouteCell[],
  fillings: ReadonlyMap<string, Filling>,
  windowAt: WindowAt,
  tests: readonly SeamTest[] = [],
): MetFace[] {
  const byId = new Map(cells.map((c) => [c.id, c]));
  const found: MetFace[] = [];
  const note = (metBy: RouteCell, kind: SeamKind, gaps: Gap[]) => {
    const worst = gaps.reduce((a, b) => (b.gapMs > a.gapMs ? b : a));
    const { knitMin } = windowAt(worst.tempC);
    const late = gaps.some(({ face, gapMs, metMs }) => {
      const before = tests.filter((t) => t.atMs <= metMs);
      return metMs > shutsAt(face, metMs - gapMs, knitMin * (1 + SAME), before);
    });
    const gapMin = worst.gapMs / 60_000;
    found.push({ cell: worst.face, metBy, kind, gapMin, metMs: worst.metMs, knitMin, late });
  };
  for (const c of cells) {
    const me = fillings.get(c.id);
    if (!me) continue;
    const low = c.below === undefined ? undefined : byId.get(c.below);
    const under = low && fillings.get(low.id);
    if (low && under) note(c, 'above', gapsAbove(low, under, me));
    for (const id of c.beside) {
      const [side, other] = [byId.get(id), fillings.get(id)];
      if (!side || !other) continue;
      const metMs = Math.max(me.startMs, other.startMs);
      const [first, face] = me.endMs < other.endMs ? [me, c] : [other, side];
      note(c, 'beside', [{ face, gapMs: metMs - first.endMs, metMs, tempC: warmest(first) }]);
    }
    me.pieces.slice(1).forEach((p, i) => {
      const before = me.pieces[i];
      if (!before || p.fromMs - before.toMs <= 0) return;
      const gap = { face: c, gapMs: p.fromMs - before.toMs, metMs: p.fromMs };
      note(c, 'front', [{ ...gap, tempC: before.tempC }]);
    });
  }
  return found;
}

const alike = (a: ColdJoint, f: MetFace): boolean =>
  sameFace(a, f) && (f.kind !== 'above' || Math.abs(a.toM - f.cell.fromM) < 1e-6);

/** Faces that were met too late, those in a row joined, each stretch with its longest gap. */
export function coldJointsOf(faces: readonly MetFace[]): ColdJoint[] {
  const joints: ColdJoint[] = [];
  const late = faces.filter((f) => f.late).sort((a, b) => a.cell.fromM - b.cell.fromM);
  for (const f of late) {
    const joined = joints.find((j) => alike(j, f));
    const own = { gapMin: f.gapMin, knitMin: f.knitMin };
    if (joined)
      Object.assign(joined, own.gapMin > joined.gapMin ? own : {}, {
        toM: Math.max(joined.toM, f.kind === 'above' ? f.cell.toM : joined.toM),
      });
    else
      joints.push({
        elementId: f.cell.elementId,
        lift: f.cell.lift,
        kind: f.kind,
        metBy: { elementId: f.metBy.elementId, lift: f.metBy.lift },
        fromM: f.cell.fromM,
        toM: f.kind === 'above' ? f.cell.toM : f.cell.fromM,
        ...own,
      });
  }
  return joints;
}

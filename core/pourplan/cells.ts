import { madeOncePer } from '#core/kit';
import type { Leg, Route } from './route.ts';

/** Cells are never longer than this along the route, m. */
const CELL_M = 3.048;
/** Cells that share less height than this do not meet, m. */
const MEETING_M = 0.001;

/** A cell of the route: a stretch of one leg in one lift. */
export interface RouteCell {
  id: string;
  elementId: string;
  lift: number;
  fromM: number;
  toM: number;
  /** The same as shares of its leg, 0 to 1. */
  fromShare: number;
  toShare: number;
  volumeM3: number;
  heightM: number;
  bottomM: number;
  below: string | undefined;
  beside: string[];
  /** Stands on an element of the same pour: the form begins here, and holds nothing of what is below. */
  formFoot: boolean;
}

/** A stretch of a leg, all its lifts; `section` counts the planned bulkheads passed on the way to it. */
interface Piece {
  leg: Leg;
  index: number;
  of: number;
  fromShare: number;
  toShare: number;
  section: number;
}

/** Shares nearer to each other than this are one. */
const SAME = 1e-6;

/** Where a leg is parted along its length: at its bulkheads, and between them so that no cell is too long. */
function sharesOf(leg: Pick<Leg, 'lengthM' | 'cuts'>): number[] {
  const ends = [0, ...leg.cuts.filter((c) => c > SAME && c < 1 - SAME), 1];
  return ends.slice(1).flatMap((to, i) => {
    const from = ends[i] as number;
    const n = Math.max(1, Math.ceil(((to - from) * leg.lengthM) / CELL_M - 1e-9));
    return Array.from({ length: n }, (_, k) => from + ((to - from) * k) / n);
  });
}

/** The legs of a turn in pieces; a bulkhead at the start, within or at the end of a leg begins another section. */
function piecesIn(legs: readonly Leg[]): Piece[] {
  let section = 0;
  return legs.flatMap((leg) => {
    const shares = sharesOf(leg);
    const pieces = shares.map((fromShare, index): Piece => {
      if (leg.cuts.some((c) => Math.abs(c - fromShare) < SAME)) section += 1;
      const toShare = shares[index + 1] ?? 1;
      return { leg, index, of: shares.length, fromShare, toShare, section };
    });
    if (leg.cuts.some((c) => c > 1 - SAME)) section += 1;
    return pieces;
  });
}

const cellId = (p: Piece, lift: number): string => `${p.leg.elementId}.${p.index}.${lift}`;
const spanOf = (p: Piece, lift: number): [number, number] => {
  const heightM = p.leg.heightM / p.leg.lifts;
  return [p.leg.bottomM + lift * heightM, p.leg.bottomM + (lift + 1) * heightM];
};

/** Nodes at which a piece ends: those of its leg, for the first and the last piece of it. */
const nodesOf = (p: Piece): string[] =>
  [p.index === 0 ? p.leg.startNode : null, p.index === p.of - 1 ? p.leg.endNode : null].filter(
    (n) => n !== null,
  );

/** Whether two cells of legs that share a node meet there: walls over a common height, others lift by lift. */
function meet(a: Piece, liftA: number, b: Piece, liftB: number): boolean {
  if (a.leg.wall !== b.leg.wall) return false;
  if (!a.leg.wall) return liftA === liftB;
  const [lowA, highA] = spanOf(a, liftA);
  const [lowB, highB] = spanOf(b, liftB);
  return Math.min(highA, highB) - Math.max(lowA, lowB) > MEETING_M;
}

/** Pieces of one turn on two sides of a bulkhead: their joint is planned, and no seam to be kept alive. */
const parted = (a: Piece, b: Piece): boolean =>
  a.leg.storey === b.leg.storey && a.section !== b.section;

/** The cell under a piece that stands on another element of the pour: the top one, where the piece's middle lies. */
function cellUnder(p: Piece, piecesOn: ReadonlyMap<string, Piece[]>): string | undefined {
  const share = (p.fromShare + p.toShare) / 2;
  const on = p.leg.standsOn.find((s) => share >= s.fromShare - 1e-9 && share <= s.toShare + 1e-9);
  if (!on) return undefined;
  const along =
    on.startShare +
    ((share - on.fromShare) / Math.max(on.toShare - on.fromShare, 1e-9)) *
      (on.endShare - on.startShare);
  const carriers = piecesOn.get(on.elementId);
  const carrier = carriers?.find((x) => along < x.toShare) ?? carriers?.at(-1);
  return carrier && cellId(carrier, carrier.leg.lifts - 1);
}

/**
 * Cuts the route into cells in the order of placing: what carries before what stands on it; in each of these up to a planned
 * bulkhead before what lies beyond it; there lift by lift, once along the way for each lift. Every cell names the cell it is placed on (`below`) and the earlier ones it meets at its side
 * (`beside`): the one before on its leg, and those at a shared node.
 */
export const cellsOf = madeOncePer((route: Route): RouteCell[] => {
  const storeys = [...new Set(route.legs.map((l) => l.storey))].sort((a, b) => a - b);
  const pieces = storeys.flatMap((storey) =>
    piecesIn(route.legs.filter((l) => l.storey === storey)),
  );
  const piecesOn = new Map<string, Piece[]>();
  for (const p of pieces)
    piecesOn.set(p.leg.elementId, [...(piecesOn.get(p.leg.elementId) ?? []), p]);
  const atNode = new Map<string, { piece: Piece; lift: number }[]>();
  const cells: RouteCell[] = [];
  const besides = (p: Piece, lift: number): string[] => {
    const met = nodesOf(p).flatMap((n) =>
      (atNode.get(n) ?? []).filter(
        (o) => o.piece.leg !== p.leg && !parted(p, o.piece) && meet(p, lift, o.piece, o.lift),
      ),
    );
    const last = p.index > 0 ? piecesOn.get(p.leg.elementId)?.[p.index - 1] : undefined;
    const before = last && !parted(last, p) ? [cellId(last, lift)] : [];
    return [...new Set([...before, ...met.map((o) => cellId(o.piece, o.lift))])];
  };
  const add = (p: Piece, lift: number) => {
    const { leg } = p;
    const heightM = leg.heightM / leg.lifts;
    const under = lift > 0 ? cellId(p, lift - 1) : cellUnder(p, piecesOn);
    cells.push({
      id: cellId(p, lift),
      elementId: leg.elementId,
      lift,
      fromM: leg.fromM + leg.lengthM * p.fromShare,
      toM: leg.fromM + leg.lengthM * p.toShare,
      fromShare: p.fromShare,
      toShare: p.toShare,
      volumeM3: (leg.volumeM3 * (p.toShare - p.fromShare)) / leg.lifts,
      heightM,
      bottomM: leg.bottomM + lift * heightM,
      below: under,
      beside: besides(p, lift),
      formFoot: lift === 0 && under !== undefined,
    });
    for (const n of nodesOf(p)) atNode.set(n, [...(atNode.get(n) ?? []), { piece: p, lift }]);
  };
  for (const storey of storeys) {
    const turn = pieces.filter((p) => p.leg.storey === storey);
    for (const section of new Set(turn.map((p) => p.section))) {
      const own = turn.filter((p) => p.section === section);
      const most = Math.max(...own.map((p) => p.leg.lifts));
      for (let lift = 0; lift < most; lift += 1)
        for (const p of own) if (lift < p.leg.lifts) add(p, lift);
    }
  }
  return cells;
});

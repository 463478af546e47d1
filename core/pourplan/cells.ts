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

/** A stretch of a leg, all its lifts. */
interface Piece {
  leg: Leg;
  index: number;
  of: number;
}

/** How many cells a leg is cut into along its length. */
const piecesOf = (leg: Pick<Leg, 'lengthM'>): number =>
  Math.max(1, Math.ceil(leg.lengthM / CELL_M - 1e-9));

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

/** The cell under a piece that stands on another element of the pour: the top one, where the piece's middle lies. */
function cellUnder(p: Piece, pieces: Piece[]): string | undefined {
  const share = (p.index + 0.5) / p.of;
  const on = p.leg.standsOn.find((s) => share >= s.fromShare - 1e-9 && share <= s.toShare + 1e-9);
  const carrier = on && pieces.find((x) => x.leg.elementId === on.elementId);
  if (!on || !carrier) return undefined;
  const along =
    on.startShare +
    ((share - on.fromShare) / Math.max(on.toShare - on.fromShare, 1e-9)) *
      (on.endShare - on.startShare);
  const index = Math.min(carrier.of - 1, Math.max(0, Math.floor(along * carrier.of)));
  return cellId({ ...carrier, index }, carrier.leg.lifts - 1);
}

/**
 * Cuts the route into cells in the order of placing: what carries before what stands on it; in each of these lift by lift, once
 * along the way for each lift. Every cell names the cell it is placed on (`below`) and the earlier ones it meets at its side
 * (`beside`): the one before on its leg, and those at a shared node.
 */
export const cellsOf = madeOncePer((route: Route): RouteCell[] => {
  const pieces = route.legs.flatMap((leg) => {
    const of = piecesOf(leg);
    return Array.from({ length: of }, (_, index): Piece => ({ leg, index, of }));
  });
  const atNode = new Map<string, { piece: Piece; lift: number }[]>();
  const cells: RouteCell[] = [];
  const besides = (p: Piece, lift: number): string[] => {
    const met = nodesOf(p).flatMap((n) =>
      (atNode.get(n) ?? []).filter((o) => o.piece.leg !== p.leg && meet(p, lift, o.piece, o.lift)),
    );
    const before = p.index > 0 ? [cellId({ ...p, index: p.index - 1 }, lift)] : [];
    return [...new Set([...before, ...met.map((o) => cellId(o.piece, o.lift))])];
  };
  const add = (p: Piece, lift: number) => {
    const { leg } = p;
    const heightM = leg.heightM / leg.lifts;
    const under = lift > 0 ? cellId(p, lift - 1) : cellUnder(p, pieces);
    cells.push({
      id: cellId(p, lift),
      elementId: leg.elementId,
      lift,
      fromM: leg.fromM + (leg.lengthM * p.index) / p.of,
      toM: leg.fromM + (leg.lengthM * (p.index + 1)) / p.of,
      fromShare: p.index / p.of,
      toShare: (p.index + 1) / p.of,
      volumeM3: leg.volumeM3 / p.of / leg.lifts,
      heightM,
      bottomM: leg.bottomM + lift * heightM,
      below: under,
      beside: besides(p, lift),
      formFoot: lift === 0 && under !== undefined,
    });
    for (const n of nodesOf(p)) atNode.set(n, [...(atNode.get(n) ?? []), { piece: p, lift }]);
  };
  for (const storey of [...new Set(route.legs.map((l) => l.storey))].sort((a, b) => a - b)) {
    const own = pieces.filter((p) => p.leg.storey === storey);
    const most = Math.max(...own.map((p) => p.leg.lifts));
    for (let lift = 0; lift < most; lift += 1)
      for (const p of own) if (lift < p.leg.lifts) add(p, lift);
  }
  return cells;
});

import { madeOncePer } from '#core/kit';
import { mostPasses, passesBeside } from './openings.ts';
import type { Leg, Route } from './route.ts';

/** Cells are never longer than this along the route, m. */
const CELL_M = 3.048;
/** Cells that share less height than this do not meet, m. */
const MEETING_M = 0.001;

/** A cell of the route: a stretch of one leg in one lift. */
export interface RouteCell {
  id: string;
  elementId: string;
  /** Which stretch of its leg it is, counted in the direction of placing, and which pass of its lift. */
  piece: number;
  pass: number;
  lift: number;
  /** Of a wall: its form, so high, is held to the rating. */
  wall: boolean;
  formHeightM: number;
  fromM: number;
  toM: number;
  /** The same as shares of its leg, 0 to 1. */
  fromShare: number;
  toShare: number;
  /**
   * Between which shares of its leg and lift it is filled, in the order of placing: as it lies
   * along them, but beside an opening, where a lift goes up in passes and the hose comes back.
   */
  fillFrom: number;
  fillTo: number;
  volumeM3: number;
  heightM: number;
  bottomM: number;
  below: string | undefined;
  beside: string[];
  /** Stands on an element of the same pour: the form begins here, and holds nothing of what is below. */
  formFoot: boolean;
  /** Goes on, in the same lift, with the cell below: no wait between lifts. */
  goesOn: boolean;
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

/**
 * Where a leg is parted along its length: at its bulkheads, at the middle of openings whose sides
 * want more than one pass, and between them so that no cell is too long.
 */
function sharesOf(leg: Leg): number[] {
  const sides = leg.openings.filter((s) => mostPasses(s, leg) > 1).map((s) => s.share);
  const at = [...leg.cuts, ...sides].filter((c) => c > SAME && c < 1 - SAME);
  const ends = [0, ...at.sort((a, b) => a - b), 1].filter(
    (c, i, all) => i === 0 || c - (all[i - 1] as number) > SAME,
  );
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

/** A piece as far as it is filled at one go: one lift of it, or one pass of a lift beside an opening. */
interface Part {
  piece: Piece;
  lift: number;
  pass: number;
  of: number;
  fillFrom: number;
  fillTo: number;
}

/**
 * A name that no other cell has, whatever its element is called; nobody reads anything out of it.
 * Passes after the first have their number behind.
 */
const cellId = (p: Piece, lift: number, pass = 0): string =>
  `${p.leg.elementId.replace(/[%.]/g, encodeDot)}.${p.index}.${lift}${pass > 0 ? `.${pass}` : ''}`;
const encodeDot = (c: string): string => (c === '.' ? '%2E' : '%25');
/** From where to where a part goes up, m. */
function spanOf({ piece, lift, pass, of }: Omit<Part, 'fillFrom' | 'fillTo'>): [number, number] {
  const span = piece.leg.liftSpans[lift];
  const liftM = (span?.toM ?? 0) - (span?.fromM ?? 0);
  const foot = piece.leg.bottomM + (span?.fromM ?? 0);
  return [foot + (pass * liftM) / of, foot + ((pass + 1) * liftM) / of];
}

/** Nodes at which a piece ends: those of its leg, for the first and the last piece of it. */
const nodesOf = (p: Piece): string[] =>
  [p.index === 0 ? p.leg.startNode : null, p.index === p.of - 1 ? p.leg.endNode : null].filter(
    (n) => n !== null,
  );

/** Whether two parts share some height. */
function overlap(a: Part, b: Part): boolean {
  const [lowA, highA] = spanOf(a);
  const [lowB, highB] = spanOf(b);
  return Math.min(highA, highB) - Math.max(lowA, lowB) > MEETING_M;
}

/** Whether two parts of legs that share a node meet there: walls over a common height, others lift by lift. */
function meet(a: Part, b: Part): boolean {
  if (a.piece.leg.wall !== b.piece.leg.wall) return false;
  return a.piece.leg.wall ? overlap(a, b) : a.lift === b.lift;
}

/** Pieces of one turn on two sides of a bulkhead: their joint is planned, and no seam to be kept alive. */
const parted = (a: Piece, b: Piece): boolean =>
  a.leg.turn === b.leg.turn && a.section !== b.section;

/**
 * In how many passes a lift goes up where two neighbouring pieces meet at the middle of an opening;
 * 1 where there is none.
 */
function passesBetween(a: Piece | undefined, b: Piece, lift: number): number {
  if (a?.leg !== b.leg || a.index + 1 !== b.index) return 1;
  const side = b.leg.openings.find((o) => Math.abs(o.share - b.fromShare) < SAME);
  const span = b.leg.liftSpans[lift];
  return side && span ? passesBeside(side, span.fromM, span.toM) : 1;
}

/**
 * One lift over neighbouring pieces, in the order of placing: where openings lie between them, pass
 * by pass over all of these.
 */
function partsOf(pieces: readonly Piece[], lift: number): Part[] {
  const groups: { pieces: Piece[]; passes: number }[] = [];
  for (const p of pieces) {
    const last = groups.at(-1);
    const passes = passesBetween(last?.pieces.at(-1), p, lift);
    if (last && passes > 1) {
      last.pieces.push(p);
      last.passes = Math.max(last.passes, passes);
    } else groups.push({ pieces: [p], passes: 1 });
  }
  return groups.flatMap(({ pieces: own, passes }) => {
    let filled = (own[0] as Piece).fromShare;
    return Array.from({ length: passes }, (_, pass) =>
      own.map((piece): Part => {
        const fillFrom = filled;
        filled += (piece.toShare - piece.fromShare) / passes;
        return { piece, lift, pass, of: passes, fillFrom, fillTo: filled };
      }),
    ).flat();
  });
}

/** What carries a piece that stands on another element of the pour: the piece of it under this one's middle. */
function carrierOf(p: Piece, piecesOn: ReadonlyMap<string, Piece[]>): Piece | undefined {
  const share = (p.fromShare + p.toShare) / 2;
  const on = p.leg.standsOn.find((s) => share >= s.fromShare - 1e-9 && share <= s.toShare + 1e-9);
  if (!on) return undefined;
  const along =
    on.startShare +
    ((share - on.fromShare) / Math.max(on.toShare - on.fromShare, 1e-9)) *
      (on.endShare - on.startShare);
  const carriers = piecesOn.get(on.elementId);
  return carriers?.find((x) => along < x.toShare) ?? carriers?.at(-1);
}

/** The parts of a route in the order of placing, turn by turn, section by section, lift by lift. */
function inOrder(pieces: readonly Piece[]): Part[] {
  const turns = [...new Set(pieces.map((p) => p.leg.turn))];
  return turns.flatMap((turn) => {
    const together = pieces.filter((p) => p.leg.turn === turn);
    return [...new Set(together.map((p) => p.section))].flatMap((section) => {
      const own = together.filter((p) => p.section === section);
      const most = Math.max(...own.map((p) => p.leg.lifts));
      return Array.from({ length: most }, (_, lift) =>
        partsOf(
          own.filter((p) => lift < p.leg.lifts),
          lift,
        ),
      ).flat();
    });
  });
}

/** The earlier parts a part meets at its side: the piece before on its leg, and those at a shared node. */
function besides(part: Part, before: readonly Part[], atNode: ReadonlyMap<string, Part[]>): Part[] {
  const { piece } = part;
  const onLeg = before.filter(
    (o) => o.lift === part.lift && !parted(o.piece, piece) && overlap(o, part),
  );
  const met = nodesOf(piece).flatMap((n) =>
    (atNode.get(n) ?? []).filter(
      (o) => o.piece.leg !== piece.leg && !parted(piece, o.piece) && meet(part, o),
    ),
  );
  return [...onLeg, ...met];
}

const partId = (p: Part): string => cellId(p.piece, p.lift, p.pass);

function cellOf(part: Part, below: string | undefined, beside: readonly Part[]): RouteCell {
  const { piece: p, lift, pass, of } = part;
  const { leg } = p;
  const [bottomM, topM] = spanOf(part);
  return {
    id: partId(part),
    elementId: leg.elementId,
    piece: p.index,
    pass,
    lift,
    wall: leg.wall,
    formHeightM: leg.heightM,
    fromM: leg.fromM + leg.lengthM * p.fromShare,
    toM: leg.fromM + leg.lengthM * p.toShare,
    fromShare: p.fromShare,
    toShare: p.toShare,
    fillFrom: of === 1 ? p.fromShare : part.fillFrom,
    fillTo: of === 1 ? p.toShare : part.fillTo,
    volumeM3: ((leg.liftSpans[lift]?.volumeM3 ?? 0) * (p.toShare - p.fromShare)) / of,
    heightM: topM - bottomM,
    bottomM,
    below,
    beside: [...new Set(beside.map(partId))],
    formFoot: lift === 0 && pass === 0 && below !== undefined,
    goesOn: pass > 0,
  };
}

/**
 * Cuts the route into cells in the order of placing: what carries before what stands on it; in each
 * of these up to a planned bulkhead before what lies beyond it; there lift by lift, once along the
 * way for each lift. A lift that would stand more than four feet above the other side of a window
 * or door stops half way up and waits for that side: there it goes up in passes. Every cell names
 * the cell it is placed on (`below`) and the earlier ones it meets at its side (`beside`): the one
 * before on its leg, and those at a shared node.
 */
export const cellsOf = madeOncePer((route: Route): RouteCell[] => {
  const turns = [...new Set(route.legs.map((l) => l.turn))];
  const pieces = turns.flatMap((turn) => piecesIn(route.legs.filter((l) => l.turn === turn)));
  const piecesOn = new Map<string, Piece[]>();
  for (const p of pieces)
    piecesOn.set(p.leg.elementId, [...(piecesOn.get(p.leg.elementId) ?? []), p]);
  const atNode = new Map<string, Part[]>();
  const placed = new Map<Piece, Part[]>();
  const topOf = (p: Piece | undefined) => {
    const top = p && placed.get(p)?.at(-1);
    return top && partId(top);
  };
  return inOrder(pieces).map((part) => {
    const { piece } = part;
    const first = part.lift === 0 && part.pass === 0;
    const under = topOf(first ? carrierOf(piece, piecesOn) : piece);
    const previous = piecesOn.get(piece.leg.elementId)?.[piece.index - 1];
    const before = (previous && placed.get(previous)) ?? [];
    const cell = cellOf(part, under, besides(part, before, atNode));
    placed.set(piece, [...(placed.get(piece) ?? []), part]);
    for (const n of nodesOf(piece)) atNode.set(n, [...(atNode.get(n) ?? []), part]);
    return cell;
  });
});

import type { Spot } from '#core/model';
import { given, GUESS_M, type Typed } from './given.ts';
import { padSpots } from './pad-spots.ts';

/**
 * A first plan by lengths as they are read off a tape: which lengths a shape wants, and where its
 * corners then lie. Places are the middles of the runs, metres, x east and y north, the north-west
 * corner at the origin.
 */
export const SHAPES = ['ring', 'ell', 'strips', 'pads', 'piece', 'beam'] as const;
export type Shape = (typeof SHAPES)[number];

/** What a length is read to: the middle, the outside or the inside of the run at each of its ends. */
export const LENGTHS_TO = ['middle', 'outside', 'inside'] as const;
export type LengthsTo = (typeof LENGTHS_TO)[number];

/** One figure that a shape wants. */
export interface Wanted {
  id: string;
  kind: 'length' | 'count';
  /** Where it is measured, as it is said. */
  label: string;
}

const length = (id: string, label: string): Wanted => ({ id, kind: 'length', label });
const count = (id: string, label: string): Wanted => ({ id, kind: 'count', label });

/** What each shape wants, in the order in which one walks round with the tape. */
export const WANTED: Record<Shape, readonly Wanted[]> = {
  ring: [length('N', 'north side'), length('E', 'east side')],
  ell: [
    length('N', 'north side'),
    length('E1', 'east side, to the inner corner’s line'),
    length('S1', 'back west to the inner corner'),
    length('E2', 'down from the inner corner'),
  ],
  strips: [
    length('N', 'north side'),
    length('E', 'east side'),
    length('M', 'from the west to the middle strip'),
  ],
  pads: [
    count('across', 'pads from west to east'),
    length('X', 'from middle to middle, west to east'),
    count('down', 'rows from north to south'),
    length('Y', 'from middle to middle, north to south'),
  ],
  piece: [length('N', 'its length')],
  beam: [length('N', 'north side'), length('E', 'east side')],
};

/** A run between two corners: from, to, and whether all that decides it has been typed. */
interface Side {
  id: string;
  from: string;
  to: string;
  /** What people call it. */
  name: string;
  known: boolean;
}
/** The corners and sides of a shape, those not typed yet where they would come to lie. */
export interface Traced {
  nodes: (Spot & { id: string })[];
  sides: Side[];
  spots: Spot[];
  /** Everything that decides the shape has been typed. */
  whole: boolean;
  /** Why what is typed cannot be, by the id of what is wanted. */
  wrong: Record<string, string>;
}

/**
 * The length between middles of a side that was read to something else.
 * @param turns its corners that stand out less those that stand in: 2 for a side of a ring, 0 for
 * one that ends in the inner corner of an L
 */
const toMiddle = (lengthM: number, widthM: number, turns: number, to: LengthsTo): number => {
  const out = (widthM / 2) * turns;
  return { middle: lengthM, outside: lengthM - out, inside: lengthM + out }[to];
};

/** The length between middles of a side as it was typed; a guess while it is not. */
const middleOf = (
  lengthM: number | null | undefined,
  guessM: number,
  widthM: number,
  turns: number,
  to: LengthsTo,
): number => (given(lengthM) ? toMiddle(lengthM, widthM, turns, to) : guessM);

/** Corners of a ring, an L or strips: columns by number from the west, rows by letter from the north. */
function grid(xs: readonly number[], ys: readonly number[]) {
  return (column: number, row: number): Spot & { id: string } => ({
    id: `${'ABCDEF'[row] ?? 'Z'}${column + 1}`,
    xM: xs[column] ?? 0,
    yM: -(ys[row] ?? 0),
  });
}

const side = (
  id: string,
  from: { id: string },
  to: { id: string },
  name: string,
  known = false,
) => ({
  id,
  from: from.id,
  to: to.id,
  name,
  known,
});

type Trace = (typed: Typed, widthM: number, to: LengthsTo) => Omit<Traced, 'whole'>;

/** The outside of a run lies on its right: sides are walked from east to west along the north, and so round. */
const ring: Trace = (typed, widthM, to) => {
  const { N, E } = typed;
  const [n, e] = [given(N), given(E)];
  const x = middleOf(N, GUESS_M, widthM, 2, to);
  const y = middleOf(E, x * 0.75, widthM, 2, to);
  const at = grid([0, x], [0, y]);
  const [a1, a2, b1, b2] = [at(0, 0), at(1, 0), at(0, 1), at(1, 1)];
  return {
    nodes: [a1, a2, b1, b2],
    sides: [
      side('N', a2, a1, 'North', n),
      side('W', a1, b1, 'West', n && e),
      side('S', b1, b2, 'South', n && e),
      side('E', b2, a2, 'East', n && e),
    ],
    spots: [],
    wrong: {},
  };
};

const ell: Trace = (typed, widthM, to) => {
  const { N, E1, S1, E2 } = typed;
  const all = given(N) && given(E1) && given(S1) && given(E2);
  const x = middleOf(N, GUESS_M, widthM, 2, to);
  const upper = middleOf(E1, x * 0.4, widthM, 2, to);
  // Beside the inner corner what stands out at one end stands in at the other.
  const back = given(S1) ? S1 : x * 0.4;
  const lower = given(E2) ? E2 : x * 0.35;
  const at = grid([0, x - back, x], [0, upper, upper + lower]);
  const [a1, a3, b2, b3] = [at(0, 0), at(2, 0), at(1, 1), at(2, 1)];
  const [c1, c2] = [at(0, 2), at(1, 2)];
  const wrong: Record<string, string> =
    given(N) && given(S1) && S1 >= x - widthM
      ? { S1: 'leaves nothing of the south side: it is less than the north side' }
      : {};
  return {
    nodes: [a1, a3, b2, b3, c1, c2],
    sides: [
      side('N', a3, a1, 'North', given(N)),
      side('W', a1, c1, 'West', all),
      side('S2', c1, c2, 'South', all),
      side('E2', c2, b2, 'Inner east', all),
      side('S1', b2, b3, 'Inner south', given(N) && given(E1) && given(S1)),
      side('E1', b3, a3, 'East', given(N) && given(E1)),
    ],
    spots: [],
    wrong,
  };
};

const strips: Trace = (typed, widthM, to) => {
  const { N, E, M } = typed;
  const [n, e, m] = [given(N), given(E), given(M)];
  const x = middleOf(N, GUESS_M * 1.5, widthM, 2, to);
  const y = middleOf(E, x * 0.6, widthM, 2, to);
  const mid = middleOf(M, x / 2, widthM, 1, to);
  const at = grid([0, mid, x], [0, y]);
  const [a1, a2, a3] = [at(0, 0), at(1, 0), at(2, 0)];
  const [b1, b2, b3] = [at(0, 1), at(1, 1), at(2, 1)];
  const all = n && e && m;
  const wrong: Record<string, string> =
    n && m && (mid >= x - widthM / 2 || mid <= widthM / 2)
      ? { M: 'is not between the west and the east side' }
      : {};
  return {
    nodes: [a1, a2, a3, b1, b2, b3],
    sides: [
      side('N2', a3, a2, 'North, east bay', n && m),
      side('N1', a2, a1, 'North, west bay', n && m),
      side('W', a1, b1, 'West', n && e),
      side('S1', b1, b2, 'South, west bay', all),
      side('S2', b2, b3, 'South, east bay', all),
      side('E', b3, a3, 'East', n && e),
      side('M', a2, b2, 'Middle strip', all),
    ],
    spots: [],
    wrong,
  };
};

const piece: Trace = (typed) => {
  const { N } = typed;
  const at = grid([0, given(N) ? N : GUESS_M], [0]);
  const [a1, a2] = [at(0, 0), at(1, 0)];
  return {
    nodes: [a1, a2],
    sides: [side('N', a2, a1, 'Piece', given(N))],
    spots: [],
    wrong: {},
  };
};

const pads: Trace = (typed, widthM) => ({ nodes: [], sides: [], ...padSpots(typed, widthM) });

const TRACES: Record<Shape, Trace> = { ring, ell, strips, pads, piece, beam: ring };

/** Sides that have another run across each of their ends. */
const BETWEEN: Partial<Record<Shape, readonly string[]>> = {
  ring: ['N', 'E'],
  beam: ['N', 'E'],
  ell: ['N', 'E1'],
  strips: ['N', 'E'],
};

/** Sides so short that nothing would be left between the runs across their ends. */
const tooShort = (
  shape: Shape,
  typed: Typed,
  widthM: number,
  to: LengthsTo,
): Record<string, string> =>
  Object.fromEntries(
    (BETWEEN[shape] ?? []).flatMap((id) => {
      const lengthM = typed[id];
      return given(lengthM) && toMiddle(lengthM, widthM, 2, to) <= widthM
        ? [[id, 'is too short: nothing is left between its ends']]
        : [];
    }),
  );

/** Whether everything a shape wants is typed; a single row of pads wants no distance the other way. */
const isWhole = (shape: Shape, typed: Typed): boolean =>
  WANTED[shape].every(({ id }) => {
    if (given(typed[id])) return true;
    if (shape !== 'pads') return false;
    return (id === 'X' && typed.across === 1) || (id === 'Y' && typed.down === 1);
  });

/**
 * Where the corners of a shape come to lie by what is typed so far.
 * @param widthM width of what the lengths are read to, m: of the wall where there is one, else of
 * the footing; of a pad's side
 */
export function traceShape(shape: Shape, typed: Typed, widthM: number, to: LengthsTo): Traced {
  const short = tooShort(shape, typed, widthM, to);
  // What cannot be is drawn as if it were not typed yet: first by itself, then beside the rest.
  const without = (wrong: object) =>
    Object.fromEntries(Object.entries(typed).filter(([id]) => !(id in wrong)));
  const wrong = { ...TRACES[shape](without(short), widthM, to).wrong, ...short };
  const traced = TRACES[shape](without(wrong), widthM, to);
  return {
    ...traced,
    wrong,
    whole: isWhole(shape, typed) && Object.keys(wrong).length === 0,
  };
}

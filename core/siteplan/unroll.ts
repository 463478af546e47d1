import type { Run, SitePlan } from '#core/model';

/**
 * A run as it stands in an unrolled strip: metres from the left end of its strip, and which way its
 * own metres count.
 */
export interface Unrolled {
  run: Run;
  atM: number;
  lengthM: number;
  bottomM: number;
  topM: number;
  /** Its first node stands at its right end, as seen from the left of its line: the usual way round. */
  firstAtRight: boolean;
  /** Nodes at its ends on the paper. */
  left: string;
  right: string;
}

/** Runs that meet end to end, rolled out into one line, left to right. `closed`: its right end meets its left. */
export interface Strip {
  pieces: Unrolled[];
  lengthM: number;
  bottomM: number;
  topM: number;
  closed: boolean;
}

/** Rows of a strip that are drawn under each other at one scale, px a metre. */
export interface UnrolledRows {
  rows: Strip[];
  pxPerM: number;
}

type Plan = Pick<SitePlan, 'nodes' | 'runs' | 'footingTypes'>;
interface Link {
  run: Run;
  forward: boolean;
}

const stripOf = (pieces: Unrolled[], closed: boolean): Strip => {
  const startM = pieces[0]?.atM ?? 0;
  const moved = pieces.map((p) => ({ ...p, atM: p.atM - startM }));
  const last = moved.at(-1);
  return {
    pieces: moved,
    closed,
    lengthM: last ? last.atM + last.lengthM : 0,
    bottomM: Math.min(...moved.map((p) => p.bottomM)),
    topM: Math.max(...moved.map((p) => p.topM)),
  };
};

const startsAt = ({ run, forward }: Link): string => (forward ? run.from : run.to);
const ends = (r: Run): Link[] => [
  { run: r, forward: true },
  { run: r, forward: false },
];

/** A walk along the line laid down as a strip: from the left of the line, what lies ahead lies to the left. */
function stripOfWalk(
  walk: Link[],
  lengthOf: (run: Run) => number,
  depths: ReadonlyMap<string, number>,
): Strip {
  const [first, last] = [walk[0], walk.at(-1)];
  const closed =
    walk.length > 2 &&
    first !== undefined &&
    last !== undefined &&
    startsAt(first) === startsAt({ run: last.run, forward: !last.forward });
  let atM = 0;
  // On paper the walk goes from right to left.
  const pieces = [...walk].reverse().map(({ run, forward }): Unrolled => {
    const piece: Unrolled = {
      run,
      atM,
      lengthM: lengthOf(run),
      bottomM: run.bottomM,
      topM: run.topM ?? run.bottomM + (depths.get(run.type) ?? 0),
      firstAtRight: forward,
      left: forward ? run.to : run.from,
      right: forward ? run.from : run.to,
    };
    atM += piece.lengthM;
    return piece;
  });
  return stripOf(pieces, closed);
}

/**
 * The runs of a pour rolled out, as one sees them standing on the left of their line (inside, where
 * runs go round against the clock). Each strip goes on at a node with the run that turns least;
 * what branches off there begins a strip of its own. Runs without length, and elements that are not
 * runs, are left out.
 */
export function unroll(site: Plan, elements: string[]): Strip[] {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const depths = new Map(site.footingTypes.map((t) => [t.mark, t.depthM]));
  const mine = new Set(elements);
  const vector = ({ run, forward }: Link): [number, number] => {
    const [a, b] = [nodes.get(forward ? run.from : run.to), nodes.get(forward ? run.to : run.from)];
    return a && b ? [b.xM - a.xM, b.yM - a.yM] : [0, 0];
  };
  const lengthOf = (run: Run): number => Math.hypot(...vector({ run, forward: true }));
  const order = elements.flatMap((id) => {
    const run = site.runs.find((r) => r.id === id);
    return run && mine.has(id) && lengthOf(run) > 1e-9 ? [run] : [];
  });
  const at = new Map<string, Run[]>();
  for (const r of order) for (const n of [r.from, r.to]) at.set(n, [...(at.get(n) ?? []), r]);
  const left = new Set(order);
  const loose = (l: Link): boolean =>
    (at.get(startsAt(l)) ?? []).filter((r) => left.has(r)).length === 1;
  const turn = (a: Link, b: Link): number => {
    const [[ax, ay], [bx, by]] = [vector(a), vector(b)];
    return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));
  };
  const strips: Strip[] = [];
  while (left.size) {
    const open = [...left];
    const walk: Link[] = [open.flatMap(ends).find(loose) ?? { run: open[0] as Run, forward: true }];
    for (let here = walk[0]; here; here = walk.at(-1)) {
      left.delete(here.run);
      const node = startsAt({ run: here.run, forward: !here.forward });
      const from = here;
      const on = (at.get(node) ?? [])
        .filter((r) => left.has(r))
        .flatMap(ends)
        .filter((l) => startsAt(l) === node)
        .sort((a, b) => turn(from, a) - turn(from, b))[0];
      if (!on) break;
      walk.push(on);
    }
    // Most runs keep the direction they were drawn in.
    if (walk.filter((l) => l.forward).length * 2 < walk.length)
      walk.reverse().forEach((l) => {
        l.forward = !l.forward;
      });
    strips.push(stripOfWalk(walk, lengthOf, depths));
  }
  return strips;
}

/**
 * Breaks strips at their nodes into rows no longer than `mostM`; a run that is longer by itself has
 * a row of its own.
 */
export function breakRows(strips: Strip[], mostM: number): Strip[] {
  return strips.flatMap((s) => {
    const rows: Unrolled[][] = [];
    let startM = 0;
    for (const p of s.pieces) {
      const row = rows.at(-1);
      if (row && p.atM + p.lengthM - startM <= mostM + 1e-9) row.push(p);
      else {
        rows.push([p]);
        startM = p.atM;
      }
    }
    return rows.map((pieces) => stripOf(pieces, s.closed && rows.length === 1));
  });
}

/**
 * The rows that show strips at the largest scale, both ways alike, that fits a sheet.
 * @param width px there are for the longest row
 * @param height px there are for all rows
 * @param besides px that each row needs beside its drawing, for names and dimensions
 * @param least px a metre below which the drawing rather grows down the page
 */
export function unrolledRows(
  strips: Strip[],
  width: number,
  height: number,
  besides: number,
  least = 0,
): UnrolledRows {
  const pieces = strips.flatMap((s) => s.pieces);
  if (!pieces.length || width <= 0) return { rows: [], pxPerM: 0 };
  const longest = Math.max(...pieces.map((p) => p.lengthM));
  const whole = Math.max(...strips.map((s) => s.lengthM));
  let best: UnrolledRows = { rows: [], pxPerM: 0 };
  for (let parts = 1; parts <= Math.min(24, pieces.length); parts += 1) {
    const rows = breakRows(strips, Math.max(longest, (whole / parts) * (1 + 1 / pieces.length)));
    const lengthM = Math.max(...rows.map((r) => r.lengthM));
    const highM = rows.reduce((sum, r) => sum + Math.max(0.01, r.topM - r.bottomM), 0);
    const pxPerM = Math.min(
      width / lengthM,
      Math.max((height - rows.length * besides) / highM, Math.min(least, width / lengthM)),
    );
    if (pxPerM > best.pxPerM * 1.02) best = { rows, pxPerM };
  }
  return best;
}

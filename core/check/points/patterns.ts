import { BASE_TOLERANCES, baseBoltOff } from '#core/anchors';
import type { Anchor, RuleProfile } from '#core/model';
import { sideOf } from './places.ts';
import type { Draft, Place } from './types.ts';

/** Lean 1 in 40 of what stands out, and no finer than a level shows it, mm (trade practice). */
const LEAN = 1 / 40;
const LEAST_LEAN_MM = 1.6;
/** Two distances of the drawing that differ by less are one, mm. */
const SAME_MM = 1;

interface Pair {
  a: Anchor;
  b: Anchor;
  mm: number;
}

const acrossM = (a: Anchor): number => a.acrossM ?? 0;

/** Every two bolts of a pattern with how far apart they are drawn, the farthest first. */
const pairsOf = (bolts: readonly Anchor[]): Pair[] =>
  bolts
    .flatMap((a, i) =>
      bolts.slice(i + 1).map((b) => ({
        a,
        b,
        mm: Math.hypot(b.atM - a.atM, acrossM(b) - acrossM(a)) * 1000,
      })),
    )
    .sort((x, y) => y.mm - x.mm);

const shares = (p: Pair, q: Pair): boolean => [q.a, q.b].some((x) => x === p.a || x === p.b);

/** Whether two distances run in ways that differ: one alone says nothing of the other. */
function differs(p: Pair, q: Pair): boolean {
  const [px, py] = [p.b.atM - p.a.atM, acrossM(p.b) - acrossM(p.a)];
  const [qx, qy] = [q.b.atM - q.a.atM, acrossM(q.b) - acrossM(q.a)];
  return Math.abs(px * qy - py * qx) * 1e6 > 0.3 * p.mm * q.mm;
}

/**
 * The distances that fix a pattern: of two bolts the one, of three all, of more two diagonals that
 * share no bolt (square when both are right) and the least distance each way.
 */
export function tapedPairs(bolts: readonly Anchor[]): Pair[] {
  const all = pairsOf(bolts);
  if (all.length <= 3) return all;
  const [long] = all as [Pair, ...Pair[]];
  const cross = all.find((p) => !shares(p, long) && differs(p, long));
  const short = all.at(-1) as Pair;
  const other = all.findLast((p) => differs(p, short));
  return [...new Set([long, cross, short, other].filter((p) => p !== undefined))];
}

const middle = ({ a, b }: Pair, upM: number | undefined): Place => ({
  atM: (a.atM + b.atM) / 2,
  across: sideOf((acrossM(a) + acrossM(b)) / 2),
  label: `${a.id} to ${b.id}`,
  ...(upM === undefined ? {} : { upM }),
});

/** Distances that are drawn alike are one check with a place each. */
function pairDrafts(
  pairs: readonly Pair[],
  upM: number | undefined,
  off: { mm: number; source: string },
): Draft[] {
  const groups: Pair[][] = [];
  for (const p of pairs) {
    const known = groups.find(([first]) => first && Math.abs(first.mm - p.mm) < SAME_MM);
    if (known) known.push(p);
    else groups.push([p]);
  }
  return groups.map((group, i) => ({
    kind: `pattern-${i + 1}`,
    title: 'Bolt to bolt, centres',
    trade: 'anchors' as const,
    wanted: {
      type: 'size' as const,
      what: 'apart' as const,
      wantedMm: group[0]?.mm ?? 0,
      minusMm: off.mm,
      plusMm: off.mm,
    },
    places: group.map((p) => middle(p, upM)),
    why: 'the distances that fix the pattern',
    toleranceSource: off.source,
    advice: 'Square the template, tighten its nuts, and read again.',
  }));
}

/**
 * The bolts of a base as a pattern, before the gate: square by its distances, on its lines both
 * ways, plumb; how level it is say the tops of all its bolts.
 * @param upM height of their tops above the element's bottom, m
 */
export function patternDrafts(
  bolts: readonly Anchor[],
  upM: number | undefined,
  profile: RuleProfile,
): Draft[] {
  const [first] = bolts;
  if (!first || bolts.length < 2) return [];
  const at: Place = {
    atM: first.atM,
    across: 'middle',
    ...(upM === undefined ? {} : { upM }),
  };
  const apart = baseBoltOff(profile, first.diameterMm);
  const leanMm = Math.max(LEAST_LEAN_MM, first.projectionMm * LEAN);
  const off = (
    draft: Pick<Draft, 'kind' | 'title' | 'places' | 'why' | 'advice' | 'toleranceSource'>,
    what: 'centre' | 'plumb',
    mostMm: number,
  ): Draft => ({
    ...draft,
    trade: 'anchors',
    wanted: { type: 'size', what, wantedMm: 0, minusMm: mostMm, plusMm: mostMm },
  });
  return [
    ...pairDrafts(tapedPairs(bolts), upM, apart),
    off(
      {
        kind: 'pattern-lines',
        title: 'Middle of the bolts off its line',
        places: [
          { ...at, label: 'lengthwise' },
          { ...at, label: 'across' },
        ],
        why: 'both ways',
        toleranceSource: apart.source,
        advice: 'Shift the template onto its lines, fix it, and read again.',
      },
      'centre',
      BASE_TOLERANCES.groupMm,
    ),
    off(
      {
        kind: 'pattern-plumb',
        title: 'Bolt out of plumb over its thread',
        places: [at],
        why: 'the one that leans most',
        toleranceSource: 'lean 1 in 40, trade practice',
        advice: 'Set nuts above and below the template, plumb the bolt, and tie its foot.',
      },
      'plumb',
      leanMm,
    ),
  ];
}

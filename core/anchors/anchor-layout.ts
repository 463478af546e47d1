import { z } from 'zod';
import { anyNumber, calculation, fig, positive, someOf } from '#core/kit';
import { atMost } from '#core/units';
import { allowedWithin, furthest, nearestTo, type Stretch } from './allowed.ts';

/** A plate of this length or less may have a single bolt (24 in). */
export const SHORT_PLATE_M = 0.6096;
const EPS = 1e-9;
/** Bolts of one section never closer than this, m. */
const APART_M = 1e-3;

const stretch = z.object({ fromM: anyNumber(), toM: anyNumber() });
const shape = z.object({
  sections: someOf(
    z.object({
      startM: anyNumber(),
      endM: anyNumber(),
      single: z.boolean({ error: 'must be true or false' }).optional(),
    }),
  ),
  openings: z.array(stretch).default([]),
  keepOuts: z.array(stretch).default([]),
  boltDiameterMm: positive().default(12.7),
  maxSpacingM: positive().default(1.8288),
  endMinMm: positive().optional(),
  endMaxMm: positive().default(304.8),
});
type Plates = z.output<typeof shape>;
interface Section {
  startM: number;
  endM: number;
  single: boolean;
}
interface Rules {
  endMinM: number;
  endMaxM: number;
  maxSpacingM: number;
  keepOuts: Stretch[];
}

/** More bolts than this hold no plate down. */
const MOST_BOLTS = 5000;

/** Sections with the openings cut out of them, each piece with ends of its own. */
export function cutByOpenings(sections: Plates['sections'], openings: Stretch[]): Section[] {
  return sections.flatMap(({ startM, endM, single }) => {
    let parts: Stretch[] = [{ fromM: startM, toM: endM }];
    for (const o of openings)
      parts = parts.flatMap((p) =>
        o.toM <= p.fromM || o.fromM >= p.toM
          ? [p]
          : [
              { fromM: p.fromM, toM: o.fromM },
              { fromM: o.toM, toM: p.toM },
            ].filter((x) => x.toM - x.fromM > EPS),
      );
    return parts.map((p) => ({ startM: p.fromM, endM: p.toM, single: single === true }));
  });
}

/**
 * Greatest place each bolt can have, counting from the start: each as far as the spacing lets it,
 * back out of keep-outs. The first list that reaches the end zone has the fewest bolts there can
 * be. Null when a keep-out is wider than the spacing.
 */
function forwardReach(s: Section, r: Rules): number[] | null {
  const last = s.endM - r.endMinM;
  const first = furthest(s.startM + r.endMinM, Math.min(s.startM + r.endMaxM, last), r.keepOuts);
  if (first === null) return null;
  const reach = [first];
  while ((reach.at(-1) as number) < s.endM - r.endMaxM - EPS || reach.length < 2) {
    const from = reach.at(-1) as number;
    const next = furthest(from, Math.min(from + r.maxSpacingM, last), r.keepOuts);
    if (next === null) return null;
    if (next <= from + EPS) {
      // At the last place there is: a second bolt only needs room for another before it.
      if (reach.length === 1 && from >= s.endM - r.endMaxM - EPS) {
        reach.push(from);
        break;
      }
      return null;
    }
    reach.push(next);
  }
  return reach;
}

/** Least place each of `n` bolts can have so that the rest still reach the end zone. */
function backwardReach(s: Section, r: Rules, n: number): number[] | null {
  const mirrored = { startM: -s.endM, endM: -s.startM, single: s.single };
  const reach = forwardReach(mirrored, {
    ...r,
    keepOuts: r.keepOuts.map((k) => ({ fromM: -k.toM, toM: -k.fromM })),
  });
  if (!reach) return null;
  const back = reach.map((x) => -x);
  while (back.length < n) back.push(s.startM + r.endMinM);
  return back.slice(0, n).reverse();
}

/** Places for n bolts with these wanted ends: each as near to even as keep-outs and spacing let it. */
function spread(
  s: Section,
  r: Rules,
  n: number,
  firstM: number,
  lastM: number,
  fore: number[],
  back: number[],
): number[] | null {
  const out: number[] = [];
  for (let i = 0; i < n; i += 1) {
    const wanted = firstM + ((lastM - firstM) * i) / (n - 1);
    const before = out[i - 1];
    const low = Math.max(
      back[i] as number,
      s.startM + r.endMinM,
      before === undefined ? -Infinity : before + APART_M,
      i === n - 1 ? s.endM - r.endMaxM : -Infinity,
    );
    const high = Math.min(
      fore[i] as number,
      s.endM - r.endMinM,
      before === undefined ? s.startM + r.endMaxM : before + r.maxSpacingM,
    );
    if (low > high + EPS) return null;
    const at = nearestTo(wanted, allowedWithin(low, Math.max(low, high), r.keepOuts));
    if (at === null) return null;
    out.push(at);
  }
  return out;
}

/** How far the gaps are from even: the widest less the narrowest. */
const unevenness = (p: number[]): number => {
  const gaps = p.slice(1).map((x, i) => x - (p[i] as number));
  return Math.max(...gaps) - Math.min(...gaps);
};

/** End distances to try, m: what evenness with these bolts asks for first, then others from least to most. */
function endChoices(s: Section, r: Rules, n: number): number[] {
  const length = s.endM - s.startM;
  const most = Math.min(r.endMaxM, length / 2 - APART_M / 2);
  const least = Math.min(most, Math.max(r.endMinM, (length - (n - 1) * r.maxSpacingM) / 2));
  const liked = Math.min(most, Math.max(least, Math.min((least + most) / 2, 0.1524)));
  const steps = Array.from({ length: 9 }, (_, i) => r.endMinM + ((most - r.endMinM) * i) / 8);
  return [liked, ...steps].filter((e) => e >= r.endMinM - EPS);
}

/** The middle third of a piece: where its only bolt stands (IRC R403.1.6, exception 1). */
export function middleThird(s: { startM: number; endM: number }): Stretch {
  const third = (s.endM - s.startM) / 3;
  return { fromM: s.startM + third, toM: s.endM - third };
}

function singleBolt(s: Section, r: Rules): number[] | null {
  const { fromM, toM } = middleThird(s);
  const at = nearestTo((fromM + toM) / 2, allowedWithin(fromM, toM, r.keepOuts));
  return at === null ? null : [at];
}

/** Bolts of one section; null when no layout exists. */
function boltsOf(s: Section, r: Rules): number[] | null {
  if (s.single && atMost(s.endM - s.startM, SHORT_PLATE_M)) return singleBolt(s, r);
  const fore = forwardReach(s, r);
  if (!fore) return null;
  const n = fore.length;
  const back = backwardReach(s, r, n);
  if (!back) return null;
  let best: number[] | null = null;
  for (const a of endChoices(s, r, n)) {
    for (const b of endChoices(s, r, n)) {
      const p = spread(s, r, n, s.startM + a, s.endM - b, fore, back);
      if (p && (best === null || unevenness(p) < unevenness(best) - 1e-7)) best = p;
      if (best && unevenness(best) < 1e-7) return best;
    }
  }
  // The greedy list itself is a layout, if an uneven one.
  return (
    best ?? (fore.every((x, i) => i === 0 || x > (fore[i - 1] as number) + APART_M) ? fore : null)
  );
}

/** Bolts of sill plates. */
export const anchorLayout = calculation({
  id: 'anchor-layout',
  title: 'Layout of anchor bolts',
  purpose:
    'Where the bolts of each plate stand: as few as the rules allow, evenly spread, clear of what is in the way.',
  formula:
    'ends within [endMin, endMax] of each end, gaps ≤ spacing, none in a keep-out, two or more a section (a single one in the middle third of its piece); from the start each bolt as far as it may go gives the fewest, then they are spread evenly',
  source:
    'IRC 2021 R403.1.6: ½ in bolts at 6 ft or less, within 12 in and not less than seven diameters of each end',
  limits:
    'Sill plates on one line. Hold-downs, shear walls and seismic plate washers are the drawing’s.',
  input: shape.superRefine((v, ctx) => {
    const spans = v.sections.reduce((sum, s) => sum + Math.max(0, s.endM - s.startM), 0);
    if (spans / v.maxSpacingM > MOST_BOLTS || v.sections.length > MOST_BOLTS)
      ctx.addIssue({
        code: 'custom',
        path: ['maxSpacingM'],
        message: `asks for more than ${MOST_BOLTS} bolts`,
      });
    v.sections.forEach((s, i) => {
      if (s.endM <= s.startM)
        ctx.addIssue({
          code: 'custom',
          path: ['sections', i, 'endM'],
          message: 'is not beyond startM',
        });
    });
    for (const list of ['openings', 'keepOuts'] as const)
      v[list].forEach((o, i) => {
        if (o.toM <= o.fromM)
          ctx.addIssue({ code: 'custom', path: [list, i, 'toM'], message: 'is not beyond fromM' });
      });
    if (v.endMinMm !== undefined && v.endMinMm > v.endMaxMm)
      ctx.addIssue({ code: 'custom', path: ['endMinMm'], message: 'is more than endMaxMm' });
  }),
  output: z.object({
    sections: z.array(
      z.object({ startM: z.number(), endM: z.number(), positionsM: z.array(z.number()) }),
    ),
    count: z.number(),
    unsolved: z.array(z.number()),
  }),
  compute(v, trace) {
    const endMinM = (v.endMinMm ?? 7 * v.boltDiameterMm) / 1000;
    const rules = {
      endMinM,
      endMaxM: v.endMaxMm / 1000,
      maxSpacingM: v.maxSpacingM,
      keepOuts: v.keepOuts,
    };
    const cut = cutByOpenings(v.sections, v.openings);
    const unsolved: number[] = [];
    const sections = cut.map((s, i) => {
      const positionsM = boltsOf(s, rules);
      if (!positionsM) unsolved.push(i);
      if (positionsM?.length === 1)
        trace.caution(
          `The piece from ${fig(s.startM)} to ${fig(s.endM)} m has one bolt: allowed to 24 in where the plate is held otherwise.`,
        );
      return { startM: s.startM, endM: s.endM, positionsM: positionsM ?? [] };
    });
    trace.step(
      'end',
      v.endMinMm === undefined ? `7·${fig(v.boltDiameterMm)} mm` : 'given',
      endMinM,
      'm',
    );
    for (const s of sections)
      trace.step(
        `${fig(s.startM)} to ${fig(s.endM)} m`,
        s.positionsM.length ? s.positionsM.map(fig).join(', ') : 'no layout satisfies the rules',
        s.positionsM.length,
        'bolts',
      );
    if (unsolved.length)
      trace.caution(
        'Some pieces have no layout: a keep-out is too wide or the piece too short. Ask for straps or another detail.',
      );
    return { sections, count: sections.reduce((n, s) => n + s.positionsM.length, 0), unsolved };
  },
});

import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, positive } from '#core/kit';
import { atLeast, atMost } from '#core/units';
import { middleThird, SHORT_PLATE_M } from './anchor-layout.ts';

/** Position tolerance by bolt, mm (ACI 117-10 §2.3.4): to 7/8 in, to 1½ in, larger. */
export function positionToleranceMm(diameterMm: number): number {
  if (atMost(diameterMm, 22.225)) return 6.35;
  return atMost(diameterMm, 38.1) ? 9.525 : 12.7;
}

const bolt = z.object({
  atM: anyNumber(),
  planAtM: anyNumber().optional(),
  diameterMm: positive().optional(),
  embedmentMm: nonNegative().optional(),
  leastEmbedmentMm: nonNegative().optional(),
  projectionMm: nonNegative().optional(),
  planProjectionMm: nonNegative().optional(),
  offCentreMm: anyNumber().optional(),
  leanMmPerM: nonNegative().optional(),
});
const RULES = [
  'count',
  'end',
  'gap',
  'position',
  'embedment',
  'projection',
  'centre',
  'plumb',
] as const;
type Rule = (typeof RULES)[number];
interface Failure {
  rule: Rule;
  bolt: number | null;
  atM: number;
  byMm: number;
  text: string;
}

const input = z
  .object({
    startM: anyNumber(),
    endM: anyNumber(),
    single: z.boolean({ error: 'must be true or false' }).default(false),
    bolts: z.array(bolt),
    boltDiameterMm: positive().default(12.7),
    maxSpacingM: positive().default(1.8288),
    endMinMm: positive().optional(),
    endMaxMm: positive().default(304.8),
    leastEmbedmentMm: positive().default(177.8),
    projectionMm: positive().optional(),
    projectionToleranceMm: nonNegative().default(12.7),
    projectionLessMm: nonNegative().optional(),
    plateWidthMm: positive().optional(),
    positionToleranceMm: nonNegative().optional(),
    leanToleranceMmPerM: nonNegative().default(25),
  })
  .superRefine((v, ctx) => {
    if (v.endM <= v.startM)
      ctx.addIssue({ code: 'custom', path: ['endM'], message: 'is not beyond startM' });
  });
type Input = z.output<typeof input>;
/** A bolt with its place in the list that was given. */
type Placed = Input['bolts'][number] & { i: number };
type DiameterOf = (b: { diameterMm?: number | undefined }) => number;

/** Bolts as they were set. */
export const anchorVerdict = calculation({
  id: 'anchor-verdict',
  title: 'Bolts as set',
  purpose: 'Which bolts of a plate break a rule or the drawing, where, and by how much.',
  formula:
    'end distance in [endMin, endMax]; gap ≤ spacing; two or more (a single one of a short plate in its middle third); |position − drawing|, |projection − drawing| and lean within tolerance; embedment ≥ least; bolt in the middle third of the plate',
  source:
    'IRC 2021 R403.1.6; ACI 117-10 §2.3 (position 6.35 mm to ⅞ in bolts, 9.5 mm to 1½ in; projection 12.7 mm); lean 1 in 40 is trade practice',
  limits: 'One piece of plate, bolts along it. What was not measured is not judged.',
  input,
  output: z.object({
    ok: z.boolean(),
    failures: z.array(
      z.object({
        rule: z.enum(RULES),
        bolt: z.number().nullable(),
        atM: z.number(),
        byMm: z.number(),
        text: z.string(),
      }),
    ),
    worstGapM: z.number().nullable(),
  }),
  compute(v, trace) {
    const failures: Failure[] = [];
    // What a bolt's own drawing says goes before what is said of the whole plate.
    const diameterMm = (b: { diameterMm?: number | undefined }) => b.diameterMm ?? v.boltDiameterMm;
    const order = v.bolts.map((b, i) => ({ ...b, i })).sort((a, b) => a.atM - b.atM);
    const needed = v.single && atMost(v.endM - v.startM, SHORT_PLATE_M) ? 1 : 2;
    if (order.length < needed)
      failures.push({
        rule: 'count',
        bolt: null,
        atM: v.startM,
        byMm: 0,
        text: `${order.length} of ${needed} bolts are there`,
      });
    const first = order[0];
    const last = order.at(-1);
    if (first && first === last && needed === 1) judgeSingle(first, v, failures);
    else judgeEnds(first, v, last, diameterMm, failures);
    const gaps = order
      .slice(1)
      .map((b, k) => ({ b, gapM: b.atM - (order[k] as { atM: number }).atM }));
    for (const { b, gapM } of gaps)
      if (!atMost(gapM, v.maxSpacingM))
        failures.push({
          rule: 'gap',
          bolt: b.i,
          atM: b.atM - gapM / 2,
          byMm: (gapM - v.maxSpacingM) * 1000,
          text: `${fig(gapM)} m to the bolt before, at most ${fig(v.maxSpacingM)}`,
        });
    judgeBolts(order, failures, v, diameterMm);
    const worstGapM = gaps.length ? Math.max(...gaps.map((g) => g.gapM)) : null;
    trace.step(
      'bolts',
      `${order.length} on ${fig(v.endM - v.startM)} m, needs ${needed} or more`,
      order.length,
    );
    trace.step('widest gap', `at most ${fig(v.maxSpacingM)} m`, worstGapM, 'm');
    for (const f of failures)
      trace.step(f.bolt === null ? f.rule : `bolt ${f.bolt + 1} ${f.rule}`, f.text, f.byMm, 'mm');
    return { ok: failures.length === 0, failures, worstGapM };
  },
});

/** A single bolt of a short plate stands in its middle third; end distances do not bind it (R403.1.6, exception 1). */
function judgeSingle(b: Placed, v: Input, failures: Failure[]) {
  const { fromM, toM } = middleThird(v);
  if (atLeast(b.atM, fromM) && atMost(b.atM, toM)) return;
  failures.push({
    rule: 'end',
    bolt: b.i,
    atM: b.atM,
    byMm: Math.max(fromM - b.atM, b.atM - toM) * 1000,
    text: `${fig(b.atM - v.startM)} m along, a single bolt stands from ${fig(fromM - v.startM)} to ${fig(toM - v.startM)}`,
  });
}

/** The first and the last bolt: not too near the end of the plate, and not too far from it. */
function judgeEnds(
  first: Placed | undefined,
  v: Input,
  last: Placed | undefined,
  diameterMm: DiameterOf,
  failures: Failure[],
) {
  for (const [b, distanceMm] of [
    [first, first ? (first.atM - v.startM) * 1000 : 0],
    [last, last ? (v.endM - last.atM) * 1000 : 0],
  ] as const) {
    if (!b) continue;
    const endMinMm = v.endMinMm ?? 7 * diameterMm(b);
    if (!atLeast(distanceMm, endMinMm))
      failures.push({
        rule: 'end',
        bolt: b.i,
        atM: b.atM,
        byMm: endMinMm - distanceMm,
        text: `${fig(distanceMm)} mm from the end, needs ${fig(endMinMm)}`,
      });
    if (!atMost(distanceMm, v.endMaxMm))
      failures.push({
        rule: 'end',
        bolt: b.i,
        atM: b.atM,
        byMm: distanceMm - v.endMaxMm,
        text: `${fig(distanceMm)} mm from the end, at most ${fig(v.endMaxMm)}`,
      });
  }
}

/** Each bolt by itself: on its mark, deep and high enough, on the plate, upright. */
function judgeBolts(order: Placed[], failures: Failure[], v: Input, diameterMm: DiameterOf) {
  for (const b of order) {
    const say = (rule: Rule, byMm: number, text: string) => {
      failures.push({ rule, bolt: b.i, atM: b.atM, byMm, text });
    };
    const place = v.positionToleranceMm ?? positionToleranceMm(diameterMm(b));
    const off = b.planAtM === undefined ? 0 : Math.abs(b.atM - b.planAtM) * 1000;
    if (!atMost(off, place))
      say('position', off - place, `${fig(off)} mm from where it is drawn, at most ${fig(place)}`);
    const least = b.leastEmbedmentMm ?? v.leastEmbedmentMm;
    if (b.embedmentMm !== undefined && !atLeast(b.embedmentMm, least))
      say('embedment', least - b.embedmentMm, `${fig(b.embedmentMm)} mm deep, needs ${fig(least)}`);
    const wanted = b.planProjectionMm ?? v.projectionMm;
    const out = wanted === undefined || b.projectionMm === undefined ? 0 : b.projectionMm - wanted;
    const allowed =
      out < 0 ? (v.projectionLessMm ?? v.projectionToleranceMm) : v.projectionToleranceMm;
    if (!atMost(Math.abs(out), allowed))
      say(
        'projection',
        Math.abs(out) - allowed,
        `stands ${fig(b.projectionMm ?? 0)} mm out, wanted ${fig(wanted ?? 0)}`,
      );
    const third = v.plateWidthMm === undefined ? Infinity : v.plateWidthMm / 6;
    if (b.offCentreMm !== undefined && !atMost(Math.abs(b.offCentreMm), third))
      say(
        'centre',
        Math.abs(b.offCentreMm) - third,
        `${fig(Math.abs(b.offCentreMm))} mm off the middle of the plate, at most ${fig(third)}`,
      );
    if (b.leanMmPerM !== undefined && !atMost(b.leanMmPerM, v.leanToleranceMmPerM))
      say(
        'plumb',
        b.leanMmPerM - v.leanToleranceMmPerM,
        `leans ${fig(b.leanMmPerM)} mm a metre, at most ${fig(v.leanToleranceMmPerM)}`,
      );
  }
}

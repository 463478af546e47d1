import { z } from 'zod';
import { calculation, fig, nonNegative, positive } from '#core/kit';
import { atMost, ceilWhole } from '#core/units';
import { cautionForms } from './pressure-model.ts';
import { thicknessField, widestSpacingM } from './sheathing-span.ts';

const shape = z.object({
  wallHeightM: positive(),
  maxPressureKPa: positive(),
  headM: positive(),
  thicknessIn: thicknessField(),
  deflectionRatio: positive().default(360),
  firstWalerM: positive().default(0.3),
  topOverhangM: positive().default(0.3),
  tieSpacingM: positive(),
  tieCapacityKN: positive(),
  walerCapacityKNM: positive(),
  wallLengthM: positive().optional(),
  asBuiltM: z.array(nonNegative()).default([]),
});
type Wall = z.output<typeof shape>;
type Governs = 'sheathing' | 'tie' | 'waler' | 'top';

/** Pressure at a height above the bottom, kPa: liquid head down to the depth of the maximum, then constant. */
const pressureAt = (v: Wall, zM: number): number =>
  (v.maxPressureKPa * Math.min(Math.max(0, v.wallHeightM - zM), v.headM)) / v.headM;

/** Load between two heights on a metre of wall, kN/m: the area under the pressure line. */
function loadBetween(v: Wall, fromM: number, toM: number): number {
  const knee = v.wallHeightM - v.headM;
  const piece = (a: number, b: number) =>
    b > a ? ((pressureAt(v, a) + pressureAt(v, b)) / 2) * (b - a) : 0;
  return (
    piece(fromM, Math.min(toM, Math.max(fromM, knee))) +
    piece(Math.max(fromM, Math.min(toM, knee)), toM)
  );
}

/**
 * What each waler carries, kN/m: half-way to its neighbours, the lowest down to the bottom, the
 * highest up to the top.
 */
function loadsOf(v: Wall, heights: number[]): number[] {
  return heights.map((z, i) => {
    const below = heights[i - 1];
    const above = heights[i + 1];
    return loadBetween(
      v,
      below === undefined ? 0 : (below + z) / 2,
      above === undefined ? v.wallHeightM : (z + above) / 2,
    );
  });
}

/** Largest x in [low, high] that `fits`, which holds up to some point; null when not even low fits. */
function largest(low: number, high: number, fits: (x: number) => boolean): number | null {
  if (!fits(low)) return null;
  if (fits(high)) return high;
  let a = low;
  let b = high;
  for (let i = 0; i < 50; i += 1) {
    const mid = (a + b) / 2;
    if (fits(mid)) a = mid;
    else b = mid;
  }
  return a;
}

/** Closest two walers may stand, m: nobody sets them nearer. */
const LEAST_GAP_M = 0.1;

/** Widest bay of the sheathing over a height, m: at the pressure of its foot. */
const bayFrom = (v: Wall, zM: number): number =>
  widestSpacingM(v.thicknessIn, Math.max(pressureAt(v, zM), 1e-6), v.deflectionRatio) ?? 0;

/** How high the first waler may stand, m: the bay under it spans from the foot of the form. */
const firstAtMostM = (v: Wall): number => Math.min(v.firstWalerM, bayFrom(v, 0));

/**
 * Walers from the bottom up, each as high as sheathing, ties and waler allow, so that they stand
 * closest at the bottom.
 */
function layOut(v: Wall): { heights: number[]; governs: Governs[]; solved: boolean } {
  const byTie = v.tieCapacityKN / v.tieSpacingM;
  const bears = Math.min(byTie, v.walerCapacityKNM);
  const member: Governs = byTie <= v.walerCapacityKNM ? 'tie' : 'waler';
  const last = Math.max(v.firstWalerM, v.wallHeightM - v.topOverhangM);
  const heights = [Math.min(firstAtMostM(v), v.wallHeightM / 2)];
  const governs: Governs[] = [];
  for (let guard = 0; guard < 200; guard += 1) {
    const z = heights.at(-1) as number;
    const from = heights.length > 1 ? ((heights.at(-2) as number) + z) / 2 : 0;
    // The top waler may stand no lower than `last`, and has to carry everything above it.
    if (z >= last - 1e-9 && loadBetween(v, from, v.wallHeightM) <= bears)
      return { heights, governs, solved: true };
    const span = bayFrom(v, z);
    const carry = largest(
      LEAST_GAP_M,
      v.wallHeightM,
      (g) => loadBetween(v, from, z + g / 2) <= bears && loadBetween(v, z, z + g) <= bears,
    );
    if (carry === null || span < LEAST_GAP_M) return { heights, governs, solved: false };
    const gap = Math.min(span, carry);
    // Two last gaps are shared evenly rather than one left over.
    const next =
      z + gap < last - 1e-9 && last - z < 2 * gap ? z + (last - z) / 2 : Math.min(z + gap, last);
    if (next <= z + 1e-9) return { heights, governs, solved: false };
    const ruling = span < carry ? 'sheathing' : member;
    governs.push(next >= last - 1e-9 && z + gap > last + 1e-9 ? 'top' : ruling);
    heights.push(next);
  }
  return { heights, governs, solved: false };
}

interface Short {
  heightM: number;
  what: 'bottom' | 'top' | Governs;
  haveValue: number;
  allowedValue: number;
  unit: string;
}
/** Where walers as they stand fall short, lowest first. */
function shortfalls(v: Wall): Short[] {
  const heights = [...v.asBuiltM].sort((a, b) => a - b);
  if (!heights.length) return [];
  const out: Short[] = [];
  const first = heights[0] as number;
  const top = heights.at(-1) as number;
  if (!atMost(first, firstAtMostM(v)))
    out.push({
      heightM: 0,
      what: 'bottom',
      haveValue: first,
      allowedValue: firstAtMostM(v),
      unit: 'm',
    });
  loadsOf(v, heights).forEach((load, i) => {
    const heightM = heights[i] as number;
    if (!atMost(load * v.tieSpacingM, v.tieCapacityKN))
      out.push({
        heightM,
        what: 'tie',
        haveValue: load * v.tieSpacingM,
        allowedValue: v.tieCapacityKN,
        unit: 'kN',
      });
    if (!atMost(load, v.walerCapacityKNM))
      out.push({
        heightM,
        what: 'waler',
        haveValue: load,
        allowedValue: v.walerCapacityKNM,
        unit: 'kN/m',
      });
    const next = heights[i + 1];
    const span = bayFrom(v, heightM);
    if (next !== undefined && !atMost(next - heightM, span))
      out.push({
        heightM,
        what: 'sheathing',
        haveValue: next - heightM,
        allowedValue: span,
        unit: 'm',
      });
  });
  if (!atMost(v.wallHeightM - top, v.topOverhangM))
    out.push({
      heightM: top,
      what: 'top',
      haveValue: v.wallHeightM - top,
      allowedValue: v.topOverhangM,
      unit: 'm',
    });
  return out;
}

/** Heights of the walers of a wall form. */
export const walerLayout = calculation({
  id: 'waler-layout',
  title: 'Walers of a wall form',
  purpose:
    'How high each waler stands and how many ties it takes, and where walers as built fall short.',
  formula:
    'p(z) = p max·min(depth, head)/head; each waler carries half-way to its neighbours; gap ≤ sheathing span at the pressure of its foot, the bay under the first waler too; load ≤ waler capacity and tie capacity / tie spacing',
  source:
    'Statics over the pressure line of form-pressure; sheathing-span (APA V345); first waler 0.3 m up, trade practice',
  limits:
    'Sheathing spans from waler to waler. Capacities are the makers’, with their safety in them. Ties stand at an even spacing.',
  input: shape.superRefine((v, ctx) => {
    v.asBuiltM.forEach((z, i) => {
      if (!atMost(z, v.wallHeightM))
        ctx.addIssue({
          code: 'custom',
          path: ['asBuiltM', i],
          message: `is above the wall of ${fig(v.wallHeightM)} m`,
        });
    });
  }),
  output: z.object({
    walers: z.array(
      z.object({
        heightM: z.number(),
        loadKNM: z.number(),
        tieKN: z.number(),
        ties: z.number().nullable(),
      }),
    ),
    gaps: z.array(
      z.object({
        fromM: z.number(),
        toM: z.number(),
        governedBy: z.enum(['sheathing', 'tie', 'waler', 'top']),
      }),
    ),
    solved: z.boolean(),
    fullHeadKPa: z.number(),
    asBuilt: z.array(
      z.object({
        heightM: z.number(),
        what: z.enum(['bottom', 'sheathing', 'tie', 'waler', 'top']),
        haveValue: z.number(),
        allowedValue: z.number(),
        unit: z.string(),
      }),
    ),
  }),
  compute(v, trace) {
    const { heights, governs, solved } = layOut(v);
    const ties = v.wallLengthM === undefined ? null : ceilWhole(v.wallLengthM / v.tieSpacingM);
    const loads = loadsOf(v, heights);
    const walers = heights.map((heightM, i) => ({
      heightM,
      loadKNM: loads[i] as number,
      tieKN: (loads[i] as number) * v.tieSpacingM,
      ties,
    }));
    trace.step(
      'bears',
      `min(${fig(v.tieCapacityKN)}/${fig(v.tieSpacingM)}, ${fig(v.walerCapacityKNM)})`,
      Math.min(v.tieCapacityKN / v.tieSpacingM, v.walerCapacityKNM),
      'kN/m',
    );
    for (const w of walers)
      trace.step(
        `at ${fig(w.heightM)} m`,
        `carries ${fig(w.loadKNM)} kN/m, ties pull`,
        w.tieKN,
        'kN',
      );
    if (!solved)
      trace.caution(
        'No spacing of these walers and ties holds this pressure: stronger ties or walers, ties closer together, or a slower pour.',
      );
    cautionForms(trace);
    return {
      walers,
      gaps: governs.map((governedBy, i) => ({
        fromM: heights[i] as number,
        toM: heights[i + 1] as number,
        governedBy,
      })),
      solved,
      fullHeadKPa: (v.maxPressureKPa * v.wallHeightM) / v.headM,
      asBuilt: shortfalls(v),
    };
  },
});

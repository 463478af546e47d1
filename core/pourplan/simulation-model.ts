import { z } from 'zod';
import {
  anyNumber,
  drawSeed,
  count,
  freshTemperature,
  nonNegative,
  positive,
  someOf,
  wholeOrNone,
} from '#core/kit';
import { pressureFields } from '#core/formwork';
import { KNIT_MIN_AT_20C, STIFFEN_MIN_AT_20C } from '#core/concrete';

const delay = () => z.object({ medianMin: nonNegative(), p90Min: nonNegative() });

export const simulationShape = z.object({
  startMin: nonNegative(),
  cells: someOf(
    z.object({
      id: z.string().min(1),
      volumeM3: positive(),
      heightM: positive(),
      bottomM: anyNumber(),
      moveMin: nonNegative().default(0),
      below: z.string().optional(),
      beside: z.array(z.string()).default([]),
      /** The form begins at the foot of this cell: the fresh concrete below does not press on it. */
      formFoot: z.boolean({ error: 'must be true or false' }).default(false),
      /** It goes on in the same lift as the cell below: the wait between lifts is not kept. */
      goesOn: z.boolean({ error: 'must be true or false' }).default(false),
      /** Which element and lift it is part of: their seams are told as one place. */
      elementId: z.string().optional(),
      lift: wholeOrNone().optional(),
      /** Height of the rated form it stands in; left out where no form is held to the rating. */
      formHeightM: positive().optional(),
      /** Temperature of the concrete that lies in it, where it is another's than the pour's. */
      tempC: freshTemperature().optional(),
    }),
  ),
  loads: someOf(
    z.object({
      id: z.string().min(1),
      volumeM3: positive(),
      batchMin: anyNumber(),
      plantDelay: delay(),
      travel: delay(),
    }),
  ),
  placingRateM3PerH: positive(),
  changeOverMin: nonNegative().default(0),
  /** A cell on another of the lift below begins no sooner than this after the one below is full. */
  liftWaitMin: nonNegative().default(0),
  leftBehindM3: nonNegative().default(0),
  breaks: z.array(z.object({ fromMin: nonNegative(), toMin: nonNegative() })).default([]),
  tempC: freshTemperature(),
  stiffenMinAt20C: positive().default(STIFFEN_MIN_AT_20C),
  knitMinAt20C: positive().default(KNIT_MIN_AT_20C),
  retarderFactor: positive().default(1),
  ratingKPa: positive(),
  densityKgM3: positive().default(2400),
  /**
   * How the pressure on rated forms is judged on the mornings: by the rise at each place. Left out,
   * by the head of what has not stiffened.
   */
  pressureBy: z
    .object({
      method: pressureFields.method,
      cement: pressureFields.cement,
      retarder: pressureFields.retarder,
      slumpMm: pressureFields.slumpMm,
    })
    .optional(),
  maxAgeMin: positive(),
  duskMin: nonNegative(),
  trials: count(),
  seed: drawSeed(),
});
type Shape = z.output<typeof simulationShape>;
/** Cells and loads times trials: a few seconds of work. */
const MOST_WORK = 3e7;
type Say = (path: (string | number)[], message: string) => void;

function checkIds(list: { id: string }[], name: string, say: Say): void {
  const seen = new Set<string>();
  list.forEach((x, i) => {
    if (seen.has(x.id)) say([name, i, 'id'], `${x.id} is used twice`);
    seen.add(x.id);
  });
}

function checkCells(v: Shape, say: Say): void {
  const at = new Map(v.cells.map((c, i) => [c.id, i]));
  v.cells.forEach((c, i) => {
    if (c.below !== undefined && (at.get(c.below) ?? Infinity) >= i)
      say(['cells', i, 'below'], `${c.below} is not an earlier cell of the list`);
    c.beside.forEach((b, k) => {
      if (!at.has(b) || b === c.id)
        say(['cells', i, 'beside', k], `${b} is not another cell of the list`);
    });
  });
}

/**
 * What takes more than one field to see of a `pour-simulation`: a route of cells, the loads, rates,
 * windows and limits.
 */
export function checkSimulation(v: Shape, say: Say): void {
  if (v.trials * (v.cells.length + v.loads.length) > MOST_WORK)
    say(
      ['trials'],
      `with ${v.cells.length} cells is more than can be drawn: fewer, or fewer cells`,
    );
  checkIds(v.cells, 'cells', say);
  checkIds(v.loads, 'loads', say);
  checkCells(v, say);
  v.loads.forEach((l, i) => {
    for (const field of ['plantDelay', 'travel'] as const) {
      const d = l[field];
      if (d.p90Min < d.medianMin) say(['loads', i, field, 'p90Min'], 'is under the median');
      if (d.medianMin === 0 && d.p90Min > 0)
        say(['loads', i, field, 'medianMin'], 'must be above 0 when the 90th percentile is');
    }
    if (v.leftBehindM3 > 0 && l.volumeM3 <= v.leftBehindM3)
      say(['leftBehindM3'], 'is not less than the smallest load');
  });
  v.breaks.forEach((b, i) => {
    if (b.toMin <= b.fromMin) say(['breaks', i, 'toMin'], 'is not after fromMin');
  });
}
export const simulationInput = simulationShape.superRefine((v, ctx) => {
  checkSimulation(v, (path, message) => {
    ctx.addIssue({ code: 'custom', path, message });
  });
});
export type SimulationInput = Shape;

const spread = z.object({ p10: z.number(), p50: z.number(), p90: z.number() });
/** One unbroken stretch of placing: which cell, from which load, when and how much. */
export const placementSchema = z.object({
  cellId: z.string(),
  loadId: z.string(),
  fromMin: z.number(),
  toMin: z.number(),
  volumeM3: z.number(),
});
const timetableSchema = z.object({
  placements: z.array(placementSchema),
  loads: z.array(
    z.object({
      id: z.string(),
      arriveMin: z.number(),
      startMin: z.number().nullable(),
      endMin: z.number().nullable(),
      waitMin: z.number().nullable(),
      ageAtEndMin: z.number().nullable(),
      overAge: z.boolean(),
    }),
  ),
  crewWaitMin: z.number(),
  finishMin: z.number(),
  shortM3: z.number(),
  leftOverM3: z.number(),
  seams: z.array(
    z.object({
      above: z.string(),
      below: z.string(),
      kind: z.enum(['below', 'beside']),
      gapMaxMin: z.number(),
      gapMinMin: z.number(),
      stiffenMin: z.number(),
      knitMin: z.number(),
      verdict: z.enum(['ok', 'cold']),
    }),
  ),
  cells: z.array(
    z.object({
      id: z.string(),
      freshHeadM: z.number(),
      pressureKPa: z.number(),
      overRating: z.boolean(),
    }),
  ),
});
export type Timetable = z.output<typeof timetableSchema>;
export type Placement = z.output<typeof placementSchema>;
export const simulationOutput = z.object({
  timetable: timetableSchema,
  odds: z.object({
    coldSeam: z.number(),
    overAge: z.number(),
    short: z.number(),
    afterDusk: z.number(),
    overRating: z.number(),
    finishMin: spread,
    crewWaitMin: spread,
  }),
});

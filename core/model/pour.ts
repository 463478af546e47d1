import { atMostOf, measure, MOST } from './ranges.ts';
import { jobSchema, placeSchema } from './resources.ts';
import { z } from 'zod';
import type { Mixer } from './mixers.ts';
import {
  anyNumber,
  count,
  freshTemperature,
  nonNegative,
  oneLine,
  onlyUsual,
  positive,
  share,
} from '#core/kit';

/** What a pour is and how it is meant to go: the plan half of "plan and log". */
const name = () => oneLine().min(1, 'is empty').max(80, 'is longer than 80 characters');
const delay = () =>
  z
    .object({ medianMin: nonNegative(), p90Min: nonNegative() })
    .refine((d) => d.p90Min >= d.medianMin, { path: ['p90Min'], message: 'is under the median' });

export const plantSchema = z
  .object({
    id: name(),
    label: name(),
    travel: delay(),
    plantDelay: delay(),
    roundTripMin: positive().lte(1440, 'must be 1440 or less'),
    trucksM3: atMostOf(measure('truck'), 20).min(1, 'must hold at least one truck'),
    minLoadM3: nonNegative().default(0),
    /** What a load under the least costs more. */
    shortLoadFee: nonNegative().optional(),
    stepM3: positive().gte(0.01, 'must be from 0.01 to 20').lte(20, 'must be from 0.01 to 20'),
    /** When it batches, minutes of the day: from the first batch to the last. */
    openMin: nonNegative().lte(1440, 'must be within the day').optional(),
    closeMin: nonNegative().lte(1440, 'must be within the day').optional(),
    contact: oneLine().max(120).optional(),
    /** Unloading that is free, and what each minute after costs. */
    freeUnloadMin: nonNegative().lte(1440, 'must be a day or less').optional(),
    waitPerMin: nonNegative().optional(),
    /** How long before the first batch an order or a change must be told, min. */
    noticeMin: nonNegative().lte(20_160, 'must be two weeks or less').optional(),
    usual: onlyUsual(),
  })
  .refine((p) => p.openMin === undefined || p.closeMin === undefined || p.closeMin > p.openMin, {
    path: ['closeMin'],
    message: 'is not after openMin',
  });
/** Where concrete comes from: a plant of the site, or what mixes on the site itself seen as one. */
export type Plant = z.output<typeof plantSchema> & { mixer?: Mixer };

const liftCount = () => count().lte(12, 'must be 12 or fewer');

/** What the foreman sets on the Plan screen; everything else there is computed. */
export const pourSettingsSchema = z.object({
  /** Where placing begins: an index into the route, and which way round. */
  startAt: anyNumber().int('must be a whole number').gte(0, 'must not be below 0').default(0),
  reverse: z.boolean().default(false),
  /**
   * The order in which the elements are gone round, told leg by leg; the pour's own order where it
   * does not name them all.
   */
  sequence: atMostOf(oneLine().min(1).max(40), MOST.runs).default([]),
  /** Runs that are placed the other way than the route would go. */
  turned: atMostOf(oneLine().min(1).max(40), MOST.runs).default([]),
  /**
   * Where a run is closed off at a planned bulkhead, as a share of it from its first node: all
   * lifts up to it are placed first.
   */
  bulkheads: atMostOf(z.object({ element: oneLine().min(1).max(40), share: share() }), 20).default(
    [],
  ),
  /** Lifts of every wall; null goes by its height and the form system. */
  lifts: liftCount().nullable().default(null),
  /** Lifts told for single elements; footings, pads, piers and grade beams take one otherwise. */
  liftsByElement: z.record(oneLine().min(1).max(40), liftCount()).default({}),
  /**
   * Heights at which single elements are stopped between lifts, m above their foot, rising: to the
   * sill, a course, four feet. They rule over a count.
   */
  liftTopsByElement: z
    .record(
      oneLine().min(1).max(40),
      z
        .array(positive().lte(30, 'must be 30 or less'))
        .min(1, 'must hold at least one height')
        .max(11, 'must hold at most 11 heights')
        .refine((tops) => tops.every((t, i) => i === 0 || t > (tops[i - 1] as number)), {
          message: 'must rise',
        }),
    )
    .default({}),
  /** Least wait between a lift and the next one on it, minutes. */
  liftWaitMin: nonNegative().lte(240, 'must be 240 or less').default(0),
  firstLoadMin: nonNegative().lt(1440, 'must be before midnight'),
  placingRateM3PerH: positive()
    .gte(0.1, 'must be from 0.1 to 400')
    .lte(400, 'must be from 0.1 to 400'),
  changeOverMin: nonNegative().lte(240, 'must be 240 or less').default(5),
  leftBehindM3: nonNegative().lte(20, 'must be 20 or less').default(0),
  wasteRatio: share(),
  sdRatio: share(),
  truckM3: measure('truck'),
  /** Minutes between loads; null lets each arrive as the one before is placed. */
  spacingMin: positive().lte(240, 'must be 240 or less').nullable().default(null),
  /** How it is conveyed, by the id of a conveyance of the site, and where that stands. */
  conveyance: name().nullable().default(null),
  setUp: placeSchema().nullable().default(null),
  /** Mixed on the site, by the id of a mixer; null comes from the pour's plant. */
  mixer: name().nullable().default(null),
  /** Who does what on the day. */
  crew: z
    .array(z.object({ job: jobSchema, name: name() }))
    .max(60, 'must hold at most 60')
    .default([]),
  /** Where what is left over goes, and what that takes. */
  leftOver: z
    .object({
      what: name(),
      volumeM3: positive().lte(50, 'must be 50 or less'),
      /** The form that stands ready, inside, and where on the plan its middle lies. */
      form: z
        .object({
          lengthM: measure('padSide'),
          widthM: measure('padSide'),
          depthM: measure('padDepth'),
        })
        .optional(),
      at: placeSchema().optional(),
    })
    .nullable()
    .default(null),
  split: z.enum(['even', 'full'], { error: 'must be even or full' }).default('full'),
  /** What is ordered; null follows the core's recommendation. */
  orderM3: positive().lte(5000, 'must be 5000 or less').nullable().default(null),
  costs: z.object({
    costPerM3: nonNegative(),
    disposalPerM3: nonNegative(),
    shortFixed: nonNegative(),
    shortPerM3: nonNegative(),
    callFee: nonNegative(),
    /** What one more load costs besides its concrete: its trip; as much as calling one where it is not given. */
    perLoad: nonNegative().optional(),
  }),
  /** What the concrete comes at; where nobody has said it, as it was reckoned last. */
  concreteTempC: freshTemperature(),
  /** Whether somebody has said it; else it is reckoned from the air of the day before. */
  concreteTempSaid: z.boolean({ error: 'must be true or false' }).default(true),
  ratingKPa: positive().lte(500, 'must be 500 or less'),
  breaks: z
    .array(
      z
        .object({ fromMin: nonNegative(), toMin: nonNegative() })
        .refine((b) => b.toMin > b.fromMin, { path: ['toMin'], message: 'is not after fromMin' }),
    )
    .default([]),
});
export type PourSettings = z.output<typeof pourSettingsSchema>;

/** How concrete is kept from drying: forms left on, wet, covered, or by a compound sprayed on it. */
export const CURED_BY = ['forms', 'wet', 'covered', 'compound'] as const;

const strippingSchema = z.object({
  /** Strength at which forms may come off, never before the clock floor. */
  stripMPa: positive(),
  floorH: nonNegative(),
  /** Air the concrete is expected to cure in where no probe has been read, °C. */
  expectedTempC: freshTemperature(),
  /** How it is kept from drying; left out, nobody has said. */
  curedBy: z.enum(CURED_BY, { error: `must be ${CURED_BY.join(', ')}` }).optional(),
  /** Nothing loads it while it is young, and nothing freezes and thaws it after. */
  sheltered: z.boolean({ error: 'must be true or false' }).optional(),
});

/** Who has to agree before the pour: the foreman, the special inspector of drilled dowels, the building inspector. */
export const HOLDS = ['own', 'dowels', 'inspection'] as const;
export type Hold = (typeof HOLDS)[number];
/** Hold points as they are called. */
export const HOLD_NAME: Record<Hold, string> = {
  own: 'Own check',
  dowels: 'Dowel inspection',
  inspection: 'Inspection',
};

export const pourDocSchema = z.object({
  code: oneLine().min(1, 'is empty').max(12, 'is longer than 12 characters'),
  title: name(),
  /** Local date of the pour, or null when it has none yet. */
  date: z.iso.date('must be a date as 2026-09-23').nullable(),
  /** Runs and pads in the order they are gone round. */
  elements: atMostOf(oneLine().min(1), MOST.runs).min(1, 'must name at least one run or pad'),
  mix: name(),
  plant: name(),
  drawing: oneLine().max(80).optional(),
  holds: z
    .array(z.enum(HOLDS, { error: `must be one of ${HOLDS.join(', ')}` }))
    .default(['own', 'inspection']),
  /** Form system the walls stand in. */
  forms: name().optional(),
  /** What can be put off, until how long before the first load without charge, and what it costs after. */
  callOff: z
    .array(z.object({ what: name(), noticeMin: nonNegative(), cost: nonNegative() }))
    .default([]),
  settings: pourSettingsSchema,
  stripping: strippingSchema,
  /** The building official waives the strength tests of so small a pour. */
  testsWaived: z.boolean({ error: 'must be true or false' }).optional(),
  /** Why it will not be poured, who said so and when; it stays, with all that was read of it. */
  cancelled: z
    .object({
      reason: oneLine().min(1, 'is empty').max(300, 'is longer than 300 characters'),
      by: name(),
      at: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }),
    })
    .optional(),
  /** Out of the way: read only, and off the strip of days. */
  archived: z.boolean({ error: 'must be true or false' }).optional(),
});
export type PourDoc = z.output<typeof pourDocSchema>;

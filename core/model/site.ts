import { z } from 'zod';
import { ruleChangeSchema } from '#core/rules';
import {
  anyNumber,
  count,
  nonNegative,
  oneLine,
  onlyUsual,
  positive,
  wholeOrNone,
} from '#core/kit';
import { atMostOf, measure, MOST, RANGES } from './ranges.ts';
import { BAR_NAMES } from './bars.ts';
import { currencySchema, UNIT_SYSTEMS } from '#core/units';
import {
  anchorSchema,
  embedSchema,
  formSystemSchema,
  groundSchema,
  mark,
  planChangeSchema,
  plateSchema,
} from './objects.ts';

/**
 * The part of a site file that says what is to be built: types, runs, pads and piers, in metres above the
 * site datum. Whole files (mixes, plants, crews, pours) are in contract/.
 */
const RULE_PROFILES = ['us-aci', 'metric-en'] as const;
export type RuleProfile = (typeof RULE_PROFILES)[number];

const bar = () =>
  z.enum(BAR_NAMES, {
    error: `is not a bar this table knows (${BAR_NAMES[0]}, … ${BAR_NAMES.at(-1) ?? ''})`,
  });

/** Ends of a bar bent into a standard 90° hook; straight when left out. */
const hooks = () => z.enum(['one', 'both'], { error: 'must be one or both' }).optional();
export type Hooks = 'one' | 'both' | undefined;

/** Bars so far apart; null where there are none. */
const spacedBars = () =>
  z.object({ bar: bar(), spacingM: measure('spacing'), hooks: hooks() }).nullable();

/** A lap as the drawing gives it for a type; computed when left out. */
const drawnLap = () =>
  z
    .union(
      [
        z.strictObject({ lengthM: positive().lte(6, 'must be 6 or less') }),
        z.strictObject({ diameters: positive().lte(200, 'must be 200 or less') }),
      ],
      { error: 'must be {lengthM} or {diameters}' },
    )
    .optional();

export const footingTypeSchema = z.object({
  mark: mark(),
  widthM: measure('footingWidth'),
  depthM: measure('footingDepth'),
  continuous: z.object({
    bar: bar(),
    count: wholeOrNone().lte(500, 'must be 500 or fewer'),
    topCount: wholeOrNone().lte(500, 'must be 500 or fewer').default(0),
    hooks: hooks(),
  }),
  transverse: z.object({ bar: bar(), spacingM: measure('spacing'), hooks: hooks() }).nullable(),
  coverBottomMm: measure('cover'),
  coverSideMm: measure('cover'),
  coverTopMm: measure('cover'),
  coverUsual: onlyUsual(),
  unformed: z.boolean().default(false),
  lap: drawnLap(),
  /** The drawing that rules it, as a foreman would name it. */
  drawing: oneLine().max(80).optional(),
  usual: onlyUsual(),
});
export type FootingType = z.output<typeof footingTypeSchema>;

export const wallTypeSchema = z.object({
  mark: mark(),
  thicknessM: measure('wallThickness'),
  mats: z.union([z.literal(1), z.literal(2)], { error: 'must be 1 or 2' }),
  /** Null where the drawing shows none: a wall of plain concrete. */
  vertical: spacedBars(),
  horizontal: spacedBars(),
  coverInsideMm: measure('cover'),
  coverOutsideMm: measure('cover'),
  coverUsual: onlyUsual(),
  ledge: z
    .object({ widthM: measure('wallThickness'), heightM: measure('wallHeight') })
    .nullable()
    .default(null),
  lap: drawnLap(),
  drawing: oneLine().max(80).optional(),
  usual: onlyUsual(),
});
export type WallType = z.output<typeof wallTypeSchema>;

/** Whether a type has no bars at all: plain concrete. */
export const isPlain = (t: FootingType | WallType): boolean =>
  'vertical' in t
    ? t.vertical === null && t.horizontal === null
    : t.continuous.count + t.continuous.topCount === 0 && t.transverse === null;

export const nodeSchema = z.object({
  id: mark(),
  xM: measure('coordinate'),
  yM: measure('coordinate'),
});

const openingSchema = z.object({
  kind: z.enum(['window', 'door', 'pocket', 'sleeve'], {
    error: 'must be window, door, pocket or sleeve',
  }),
  atM: nonNegative().lte(RANGES.runLength.most, 'is past any run'),
  widthM: measure('openingSide'),
  sillM: nonNegative().lte(RANGES.wallHeight.most, 'is above any wall'),
  headM: positive().lte(RANGES.wallHeight.most, 'is above any wall'),
  depthM: measure('wallThickness').optional(),
  mark: mark().optional(),
});
export type Opening = z.output<typeof openingSchema>;

export const runSchema = z.object({
  id: mark(),
  kind: z.enum(['footing', 'wall', 'gradeBeam'], { error: 'must be footing, wall or gradeBeam' }),
  type: mark(),
  from: mark(),
  to: mark(),
  offsetM: measure('offset').default(0),
  bottomM: measure('elevation'),
  topM: measure('elevation').optional(),
  step: z
    .object({ lapM: measure('padSide') })
    .nullable()
    .default(null),
  openings: atMostOf(openingSchema, MOST.openings).default([]),
  /** A wall that carries a floor over a crawl space: the ground inside it, and the underside of the joists. */
  crawl: z.object({ groundM: measure('elevation'), joistsM: measure('elevation') }).optional(),
  /** What people on site call it ("North footing"). */
  label: oneLine().max(80).optional(),
});
export type Run = z.output<typeof runSchema>;

const matSteel = z.object({
  bar: bar(),
  count: count().lte(1000, 'must be 1000 or fewer').optional(),
  spacingM: measure('spacing').optional(),
  hooks: hooks(),
});
export const padSchema = z.object({
  id: mark(),
  xM: measure('coordinate'),
  yM: measure('coordinate'),
  widthM: measure('padSide'),
  lengthM: measure('padSide'),
  depthM: measure('padDepth'),
  bottomM: measure('elevation'),
  steel: z
    .object({
      eachWay: matSteel,
      topEachWay: matSteel.optional(),
      coverBottomMm: measure('cover'),
      coverSideMm: measure('cover'),
      /** Over the top mat; that of the sides where it is left out. */
      coverTopMm: measure('cover').optional(),
      coverUsual: onlyUsual(),
    })
    .optional(),
  type: mark().optional(),
  label: oneLine().max(80).optional(),
  usual: onlyUsual(),
});
export type Pad = z.output<typeof padSchema>;

export const pierSchema = z.object({
  id: mark(),
  xM: measure('coordinate'),
  yM: measure('coordinate'),
  diameterM: measure('pierSide').optional(),
  widthM: measure('pierSide').optional(),
  lengthM: measure('pierSide').optional(),
  bottomM: measure('elevation'),
  topM: measure('elevation'),
  steel: z
    .object({
      vertical: z.object({
        bar: bar(),
        count: count().lte(200, 'must be 200 or fewer'),
        hooks: hooks(),
      }),
      ties: z
        .object({ bar: bar(), spacingM: measure('spacing') })
        .nullable()
        .default(null),
      coverMm: measure('cover'),
      coverUsual: onlyUsual(),
    })
    .optional(),
  label: oneLine().max(80).optional(),
});
export type Pier = z.output<typeof pierSchema>;
/** How high a wall is, m; nothing where its top is not given. */
export const wallHeightM = (r: Pick<Run, 'topM' | 'bottomM'>): number =>
  (r.topM ?? r.bottomM) - r.bottomM;
/** How wide a pier is, m: its diameter, or its side from west to east. */
export const pierWidthM = (p: Pier): number => p.diameterM ?? p.widthM ?? 0;
export const pierHeightM = (p: Pier): number => p.topM - p.bottomM;

export const benchmarkSchema = z.object({
  id: mark(),
  elevationM: measure('elevation'),
  label: oneLine().max(120).optional(),
});
export const pointSchema = z.object({
  id: mark(),
  xM: measure('coordinate'),
  yM: measure('coordinate'),
  zM: measure('elevation').optional(),
  label: oneLine().max(80).optional(),
});

/** Shape of the buildable part; {@link checkSitePlan} adds what one field alone cannot tell. */
export const sitePlanShape = z.object({
  format: z.literal('jactum.site/1', { error: 'must be "jactum.site/1"' }),
  name: oneLine().min(1, 'is empty').max(120),
  units: z.enum(UNIT_SYSTEMS, { error: 'must be us or metric' }),
  latitude: anyNumber().gte(-90, 'must be from −90 to 90').lte(90, 'must be from −90 to 90'),
  longitude: anyNumber().gte(-180, 'must be from −180 to 180').lte(180, 'must be from −180 to 180'),
  timeZone: oneLine().min(1, 'is empty').max(60),
  /** What costs are in; not said, they stand as bare figures. */
  currency: currencySchema.optional(),
  /** Out of the way: read only, and not among the sites in use. */
  archived: z.boolean({ error: 'must be true or false' }).optional(),
  /** Made up, to look round with: it can be taken away whole, with its log. */
  madeUp: z.boolean({ error: 'must be true or false' }).optional(),
  ruleProfile: z.enum(RULE_PROFILES, { error: 'must be us-aci or metric-en' }),
  footingTypes: atMostOf(footingTypeSchema, MOST.types).default([]),
  wallTypes: atMostOf(wallTypeSchema, MOST.types).default([]),
  nodes: atMostOf(nodeSchema, MOST.nodes).default([]),
  runs: atMostOf(runSchema, MOST.runs).default([]),
  pads: atMostOf(padSchema, MOST.pads).default([]),
  piers: atMostOf(pierSchema, MOST.pads).default([]),
  plates: atMostOf(plateSchema, MOST.objects).default([]),
  anchors: atMostOf(anchorSchema, MOST.objects).default([]),
  embeds: atMostOf(embedSchema, MOST.objects).default([]),
  formSystems: atMostOf(formSystemSchema, MOST.types).default([]),
  ground: groundSchema.optional(),
  benchmark: benchmarkSchema.optional(),
  points: atMostOf(pointSchema, MOST.points).default([]),
  /** The site's own values for rules of the profile, oldest first. */
  ruleChanges: z.array(ruleChangeSchema).default([]),
  /** Changes of the plan since it was first drawn, oldest first. */
  planChanges: z.array(planChangeSchema).default([]),
});
export type SitePlan = z.output<typeof sitePlanShape>;

import { z } from 'zod';
import { ruleChangeSchema } from '../rules/rules.ts';
import { oneLine, anyNumber, count, nonNegative, positive, wholeOrNone } from '../kit/fields.ts';
import { atMostOf, measure, MOST, RANGES } from './ranges.ts';
import { BAR_NAMES } from './bars.ts';
import { distanceText } from '../units/format.ts';
import { UNIT_SYSTEMS } from '../units/measure.ts';
import { currencySchema } from '../units/money.ts';
import { isTimeZone } from '../units/time-zone.ts';
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
  unformed: z.boolean().default(false),
  lap: drawnLap(),
  /** The drawing that rules it, as a foreman would name it. */
  drawing: oneLine().max(80).optional(),
});
export type FootingType = z.output<typeof footingTypeSchema>;

export const wallTypeSchema = z.object({
  mark: mark(),
  thicknessM: measure('wallThickness'),
  mats: z.union([z.literal(1), z.literal(2)], { error: 'must be 1 or 2' }),
  vertical: z.object({ bar: bar(), spacingM: measure('spacing'), hooks: hooks() }),
  horizontal: z.object({ bar: bar(), spacingM: measure('spacing'), hooks: hooks() }),
  coverInsideMm: measure('cover'),
  coverOutsideMm: measure('cover'),
  ledge: z
    .object({ widthM: measure('wallThickness'), heightM: measure('wallHeight') })
    .nullable()
    .default(null),
  lap: drawnLap(),
  drawing: oneLine().max(80).optional(),
});
export type WallType = z.output<typeof wallTypeSchema>;

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
    })
    .optional(),
  type: mark().optional(),
  label: oneLine().max(80).optional(),
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
type Shape = z.output<typeof sitePlanShape>;

interface IssueSink {
  addIssue(issue: { code: 'custom'; path: (string | number)[]; message: string }): void;
}

function checkRun(
  site: Shape,
  nodes: Map<string, Shape['nodes'][number]>,
  i: number,
  say: (path: (string | number)[], message: string) => void,
): void {
  const run = site.runs[i];
  if (!run) return;
  const at = (field: string) => ['runs', i, field];
  const [from, to] = [nodes.get(run.from), nodes.get(run.to)];
  if (!from) say(at('from'), `names node ${run.from}, which is not in nodes`);
  if (!to) say(at('to'), `names node ${run.to}, which is not in nodes`);
  const lengthM = from && to ? Math.hypot(to.xM - from.xM, to.yM - from.yM) : 0;
  if (from && to && lengthM < 1e-6)
    say(at('to'), 'stands on the node the run comes from: the run has no length');
  if (lengthM > RANGES.runLength.most + 1e-9)
    say(
      at('to'),
      `is ${distanceText(lengthM, site.units)} from its other end: a run is at most ${distanceText(RANGES.runLength.most, site.units)}`,
    );
  const highM = (run.topM ?? run.bottomM) - run.bottomM;
  if (highM > (run.kind === 'wall' ? RANGES.wallHeight : RANGES.footingDepth).most + 1e-9)
    say(
      at('topM'),
      `is ${distanceText(highM, site.units)} above the bottom: at most ${distanceText((run.kind === 'wall' ? RANGES.wallHeight : RANGES.footingDepth).most, site.units)}`,
    );
  const list = run.kind === 'wall' ? site.wallTypes : site.footingTypes;
  if (!list.some((t) => t.mark === run.type))
    say(
      at('type'),
      `names ${run.type}, which is not a ${run.kind === 'wall' ? 'wall' : 'footing'} type`,
    );
  if (run.kind === 'wall' && run.topM === undefined)
    say(at('topM'), 'is missing: a wall needs the level of its top');
  if (run.topM !== undefined && run.topM <= run.bottomM) say(at('topM'), 'is not above bottomM');
  if (run.crawl && run.crawl.joistsM <= run.crawl.groundM)
    say([...at('crawl'), 'joistsM'], 'is not above groundM');
  run.openings.forEach((o, k) => {
    const inOpening = (field: string) => ['runs', i, 'openings', k, field];
    if (o.headM <= o.sillM) say(inOpening('headM'), 'is not above sillM');
    if (run.kind === 'wall' && run.topM !== undefined && o.headM > highM + 1e-6)
      say(inOpening('headM'), 'is above the top of its wall');
    const over = run.openings.findIndex(
      (p, n) =>
        n < k &&
        Math.min(p.atM + p.widthM, o.atM + o.widthM) - Math.max(p.atM, o.atM) > 1e-6 &&
        Math.min(p.headM, o.headM) - Math.max(p.sillM, o.sillM) > 1e-6,
    );
    if (over >= 0) say(inOpening('atM'), `overlaps opening ${over}`);
    if (o.kind === 'pocket' && o.depthM === undefined)
      say(inOpening('depthM'), 'is missing: a pocket needs its depth');
    if (from && to && o.atM + o.widthM > lengthM + 1e-9)
      say(inOpening('atM'), 'with widthM runs past the end of its run');
  });
}

function checkDoubles(
  list: { id: string }[],
  name: string,
  taken: Set<string>,
  say: (path: (string | number)[], message: string) => void,
): void {
  list.forEach((x, i) => {
    if (taken.has(x.id)) say([name, i, 'id'], `${x.id} is used twice`);
    taken.add(x.id);
  });
}

/** Nothing stands past the end of what carries it. */
function checkPlaces(site: Shape, say: (path: (string | number)[], message: string) => void): void {
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  const length = new Map<string, number>();
  for (const r of site.runs) {
    const [a, b] = [nodes.get(r.from), nodes.get(r.to)];
    if (a && b) length.set(r.id, Math.hypot(b.xM - a.xM, b.yM - a.yM));
  }
  for (const p of site.pads) length.set(p.id, p.widthM);
  for (const p of site.piers) length.set(p.id, pierWidthM(p));
  const past = (id: string, atM: number) => atM > (length.get(id) ?? Infinity) + 1e-6;
  site.anchors.forEach((a, i) => {
    if (past(a.elementId, a.atM)) say(['anchors', i, 'atM'], `is past the end of ${a.elementId}`);
  });
  site.embeds.forEach((e, i) => {
    if (past(e.elementId, e.toM ?? e.atM))
      say(['embeds', i, e.toM === undefined ? 'atM' : 'toM'], `is past the end of ${e.elementId}`);
    if (e.toM !== undefined && e.toM <= e.atM) say(['embeds', i, 'toM'], 'is not beyond atM');
  });
  site.plates.forEach((p, i) => {
    if (p.toM <= p.fromM) say(['plates', i, 'toM'], 'is not beyond fromM');
    if (past(p.elementId, p.toM)) say(['plates', i, 'toM'], `is past the end of ${p.elementId}`);
  });
  const systems = new Set<string>();
  site.formSystems.forEach((f, i) => {
    if (systems.has(f.mark)) say(['formSystems', i, 'mark'], `${f.mark} is used twice`);
    systems.add(f.mark);
  });
}

/** References, doubles, and levels: everything that needs more than one field to judge. */
export function checkSitePlan(site: Shape, ctx: IssueSink): void {
  const say = (path: (string | number)[], message: string) => {
    ctx.addIssue({ code: 'custom', path, message });
  };
  if (!isTimeZone(site.timeZone))
    say(
      ['timeZone'],
      `${site.timeZone} is not a time zone this machine knows (as in America/Chicago)`,
    );
  checkDoubles(site.nodes, 'nodes', new Set(), say);
  const elements = new Set<string>();
  checkDoubles(site.runs, 'runs', elements, say);
  checkDoubles(site.pads, 'pads', elements, say);
  checkDoubles(site.piers, 'piers', elements, say);
  const marks = new Set<string>();
  site.footingTypes.forEach((t, i) => {
    if (marks.has(t.mark)) say(['footingTypes', i, 'mark'], `${t.mark} is used twice`);
    marks.add(t.mark);
  });
  site.wallTypes.forEach((t, i) => {
    if (marks.has(t.mark)) say(['wallTypes', i, 'mark'], `${t.mark} is used twice`);
    marks.add(t.mark);
  });
  site.wallTypes.forEach((t, i) => {
    if (t.ledge && t.ledge.widthM >= t.thicknessM)
      say(['wallTypes', i, 'ledge', 'widthM'], `is not narrower than the wall, ${t.mark}`);
  });
  const nodes = new Map(site.nodes.map((n) => [n.id, n]));
  site.runs.forEach((_, i) => {
    checkRun(site, nodes, i, say);
  });
  site.piers.forEach((p, i) => {
    if (p.topM <= p.bottomM) say(['piers', i, 'topM'], 'is not above bottomM');
    if (p.diameterM === undefined && (p.widthM === undefined || p.lengthM === undefined))
      say(
        ['piers', i, 'diameterM'],
        'is missing: a pier is round (diameterM) or square (widthM and lengthM)',
      );
  });
  for (const list of ['anchors', 'plates', 'embeds'] as const) {
    site[list].forEach((o, i) => {
      if (!elements.has(o.elementId))
        say([list, i, 'elementId'], `names ${o.elementId}, which is not a run, pad or pier`);
    });
    checkDoubles(site[list], list, new Set(), say);
  }
  checkPlaces(site, say);
}

export const sitePlanSchema = sitePlanShape.superRefine(checkSitePlan);
export type SitePlan = Shape;

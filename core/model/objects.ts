import { measure, RANGES } from './ranges.ts';
import { z } from 'zod';
import { count, nonNegative, oneLine, onlyUsual, positive, wholeOrNone } from '#core/kit';

/**
 * What stands on, in or against the runs and pads of a site: sill plates, anchors, embeds, and the
 * form systems that hold them. Places are metres along a run from its first node (`atM`) and to its
 * left (`acrossM`); on a pad `atM` is from its west edge along x and `acrossM` from its middle
 * along y.
 */
export const mark = () => oneLine().min(1, 'is empty').max(40, 'is longer than 40 characters');

/** A sill plate on the top of a wall: one piece, with ends of its own and bolts along it. */
export const plateSchema = z.object({
  id: mark(),
  elementId: mark(),
  fromM: nonNegative().lte(RANGES.runLength.most, 'is past any run'),
  toM: positive().lte(RANGES.runLength.most, 'is past any run'),
  /** Middle of the plate, left of the run's line: not always the middle of the wall. */
  offsetM: measure('offset').default(0),
  widthMm: positive().optional(),
  /** A short piece that may have one bolt. */
  single: z.boolean({ error: 'must be true or false' }).default(false),
});
export type Plate = z.output<typeof plateSchema>;

const COATINGS = ['plain', 'galvanised', 'stainless'] as const;
export const anchorSchema = z.object({
  id: mark(),
  elementId: mark(),
  atM: nonNegative().lte(RANGES.runLength.most, 'is past any run'),
  acrossM: measure('offset').optional(),
  kind: z.enum(['bolt', 'holdDown', 'dowel'], { error: 'must be bolt, holdDown or dowel' }),
  diameterMm: measure('boltDiameter'),
  embedmentMm: measure('embedment'),
  projectionMm: measure('projection'),
  wetSet: z.boolean().default(false),
  coating: z.enum(COATINGS, { error: `must be ${COATINGS.join(', ')}` }).optional(),
  /** A dowel drilled into standing concrete and glued: it wants a special inspection. */
  drilled: z.boolean({ error: 'must be true or false' }).optional(),
});
export type Anchor = z.output<typeof anchorSchema>;

export const EMBED_KINDS = [
  'electrode',
  'waterstop',
  'keyway',
  'insertPlate',
  'weep',
  'drain',
] as const;
export const embedSchema = z.object({
  id: mark(),
  elementId: mark(),
  kind: z.enum(EMBED_KINDS, { error: `must be one of ${EMBED_KINDS.join(', ')}` }),
  atM: nonNegative().lte(RANGES.runLength.most, 'is past any run'),
  toM: positive().lte(RANGES.runLength.most, 'is past any run').optional(),
  upM: nonNegative().lte(RANGES.wallHeight.most, 'is above any wall').optional(),
  label: oneLine().max(80).optional(),
});
export type Embed = z.output<typeof embedSchema>;

const FORM_KINDS = ['panels', 'foam'] as const;
const CONSOLIDATIONS = ['vibrator', 'smallVibrator', 'rod', 'hammer'] as const;

/** A form system as its maker describes it: panels that are taken off and used again, or foam blocks that stay. */
export const formSystemSchema = z.object({
  mark: mark(),
  kind: z.enum(FORM_KINDS, { error: 'must be panels or foam' }).default('panels'),
  label: oneLine().max(80).optional(),
  ratingKPa: positive().lte(500, 'must be 500 or less'),
  /** The greatest height the maker allows to be placed in one lift; none where full height may be. */
  greatestLiftM: measure('wallHeight').optional(),
  /** Width of a panel, or length of a foam block. */
  panelWidthM: measure('panel'),
  /** The panel height that ties and walers are counted for; none counts them for any wall. */
  panelHeightM: measure('panel').optional(),
  /** Foam: height of a course, and thickness of the foam on either side. */
  courseM: measure('panel').optional(),
  foamMm: positive().lte(500, 'must be 500 or less').optional(),
  /** How the concrete is worked in them. */
  consolidation: z
    .enum(CONSOLIDATIONS, { error: `must be ${CONSOLIDATIONS.join(', ')}` })
    .default('vibrator'),
  /** The head of its vibrator: how far apart it goes in. */
  vibratorHeadMm: positive().lte(150, 'must be 150 or less').optional(),
  /** How deep it is vibrated at a time; left out, layer by layer. */
  vibratedM: measure('wallHeight').optional(),
  tiesPerJoint: wholeOrNone().lte(40, 'must be 40 or fewer'),
  walers: wholeOrNone().lte(20, 'must be 20 or fewer'),
  brace: z
    .object({
      spacingM: measure('panel'),
      attachM: measure('wallHeight'),
      angleDeg: positive().lt(90, 'must be under 90'),
      pitchMmPerTurn: positive(),
      pushOnly: z.boolean({ error: 'must be true or false' }).default(true),
    })
    .nullable()
    .default(null),
  usual: onlyUsual(),
});
export type FormSystem = z.output<typeof formSystemSchema>;

/** Ground round the site: level outside, and how deep frost goes. */
export const groundSchema = z.object({
  gradeM: measure('elevation'),
  frostDepthM: nonNegative().lte(5, 'must be 5 or less'),
  /** What it bears under a leg, kPa; not given, a usual 100 is taken and said. */
  bearingKPa: positive().lte(5000, 'must be 5000 or less').optional(),
});

/** A change of the plan: which version it made, by whom, what it said, and which elements it bears on. */
export const planChangeSchema = z.object({
  version: count(),
  at: z.iso.datetime({ offset: true }),
  by: oneLine().min(1).max(80),
  what: oneLine().min(1).max(600),
  elements: z.array(mark()),
  /** Fingerprints of those elements before and after: what is again as it was needs no new signature. */
  states: z.record(mark(), z.tuple([oneLine().max(40), oneLine().max(40)])).optional(),
});
export type PlanChange = z.output<typeof planChangeSchema>;

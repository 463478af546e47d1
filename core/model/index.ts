/** The public face of this room: what others use of it. */
export { BAR_NAMES, barNamed, barsMm } from './bars.ts';
export {
  elementIds,
  elementSpots,
  elementsText,
  labelsByElement,
  padUnder,
  type Stand,
  standsOf,
  typesByElement,
} from './elements.ts';
export {
  angleOf,
  endsOf,
  lengthOf,
  nodeOf,
  roundM,
  runOf,
  runsAt,
  type Spot,
  wallRuns,
} from './geometry.ts';
export {
  type Anchor,
  anchorSchema,
  type Embed,
  EMBED_KINDS,
  embedSchema,
  type FormSystem,
  formSystemSchema,
  groundSchema,
  mark,
  type PlanChange,
  type Plate,
  plateSchema,
} from './objects.ts';
export { type Mixer, MIXER_BY, mixerSchema } from './mixers.ts';
export {
  CURED_BY,
  type Hold,
  HOLD_NAME,
  HOLDS,
  type Plant,
  plantSchema,
  type PourDoc,
  pourDocSchema,
  type PourSettings,
  pourSettingsSchema,
} from './pour.ts';
export { CEMENTS, type Mix, type MixRecord, mixSchema, ruledMix } from './mix.ts';
export { atMostOf, measure, meet, type Met, MOST, type RangeName, RANGES } from './ranges.ts';
export {
  type Conveyance,
  conveyanceSchema,
  type CrewMember,
  crewMemberSchema,
  type Job,
  JOBS,
  type Prices,
  missingPrices,
  PRICES,
  pricesOf,
  pricesSchema,
  resourcesShape,
  USUAL_PRICES,
  type Wire,
  wireSchema,
} from './resources.ts';
export { type Role, ROLES } from './roles.ts';
export { closedToLog } from './standing.ts';
export { checkSitePlan, sitePlanSchema } from './site-check.ts';
export {
  isPlain,
  benchmarkSchema,
  type FootingType,
  footingTypeSchema,
  type Hooks,
  nodeSchema,
  type Opening,
  type Pad,
  padSchema,
  type Pier,
  pierHeightM,
  pierSchema,
  pierWidthM,
  pointSchema,
  type RuleProfile,
  type Run,
  runSchema,
  type SitePlan,
  sitePlanShape,
  wallHeightM,
  type WallType,
  wallTypeSchema,
} from './site.ts';
export { cubeMPa, STRENGTH_CLASSES } from './strength-class.ts';

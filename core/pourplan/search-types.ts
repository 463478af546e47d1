import type { Conveyance, Mix, Plant, PourDoc, PourSettings, SitePlan } from '#core/model';

/** What may be chosen: each list holds the values to try. An empty list keeps the pour's own. */
export interface Choices {
  startAt: number[];
  reverse: boolean[];
  lifts: number[];
  truckM3: number[];
  spacingMin: (number | null)[];
  firstLoadMin: number[];
  /** Rates of placing, m³/h, within what pump and crew give. */
  placingRateM3PerH: number[];
  /** Waits between a lift and the next one on it, minutes. */
  liftWaitMin: number[];
  /** Conveyances of the site, by id; each brings its rate, what stays in it and its hire. */
  conveyance: (string | null)[];
  /** Other ways round, as settings: on two fronts. An empty one is the way by `startAt` and `reverse`. */
  way?: Partial<PourSettings>[];
}
/** What things cost, in the site's money. */
interface Prices {
  crewPerMin: number;
  oldLoad: number;
  afterDusk: number;
}
/** Hours that must stay free of placing, and why: rain, frost, a storm. */
export interface NoGo {
  fromMin: number;
  toMin: number;
  reason: string;
}

export interface SearchInput {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  plant: Plant;
  duskMin: number;
  choices: Choices;
  conveyances?: readonly Conveyance[];
  prices: Prices;
  noGo: NoGo[];
  coldSeamShare: number;
  trials: number;
  seed: number;
  maxPlans: number;
  runnersUp: number;
  /**
   * How the pressure on the forms is judged: by the rise at each place, as everywhere in a pour, or
   * by the head of what has not stiffened, as `pour-simulation` has it.
   */
  pressureBy: 'rise' | 'head';
}

/** What one plan chooses. */
export type Chosen = Pick<
  PourSettings,
  | 'startAt'
  | 'reverse'
  | 'lifts'
  | 'truckM3'
  | 'spacingMin'
  | 'firstLoadMin'
  | 'placingRateM3PerH'
  | 'liftWaitMin'
  | 'conveyance'
  | 'leftBehindM3'
> &
  Partial<Pick<PourSettings, 'sequence' | 'turned'>>;
/** The limits a plan is held to. */
export const LIMITS = ['rating', 'seam', 'hours'] as const;
export type Limit = (typeof LIMITS)[number];
/** A plan that was looked at: what was chosen, what it is likely to cost, and why it is not the one. */
export interface Candidate {
  chosen: Chosen;
  cost: number;
  coldSeam: number;
  overRating: number;
  overAge: number;
  short: number;
  afterDusk: number;
  finishP50Min: number;
  finishP90Min: number;
  crewWaitMin: number;
  /** Which limit it fails first, and in words; null when it keeps them all. */
  fails: Limit | null;
  rejected: string | null;
}
export interface SearchResult {
  best: Candidate | null;
  /** When no plan keeps to the limits: which failed, and what would lift it. */
  advice: string | null;
  runnersUp: Candidate[];
  examined: number;
  possible: number;
  enumerated: boolean;
}
export interface SearchProgress {
  done: number;
  of: number;
  best: Candidate | null;
}

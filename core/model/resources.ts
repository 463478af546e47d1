import { z } from 'zod';
import { nonNegative, oneLine, positive, wholeOrNone } from '#core/kit';
import { mixerSchema } from './mixers.ts';
import { atMostOf, measure, MOST } from './ranges.ts';

/**
 * What there is to plan with beside mixes and plants: how concrete gets from the truck into the
 * form, who is there, what things cost.
 */
const name = () => oneLine().min(1, 'is empty').max(80, 'is longer than 80 characters');
const clock = () => nonNegative().lte(1440, 'must be within the day');

const CONVEYANCES = ['chute', 'line', 'boom', 'skip', 'loader', 'barrow'] as const;

export const conveyanceSchema = z
  .object({
    id: name(),
    label: name(),
    kind: z.enum(CONVEYANCES, { error: `must be ${CONVEYANCES.join(', ')}` }),
    /** How far it places from where it stands, m: along a boom, along a line, or on the ground. */
    reachM: positive().lte(300, 'must be 300 or less'),
    /** Nearer than this it cannot place, m. */
    leastReachM: nonNegative().lte(300, 'must be 300 or less').default(0),
    rateM3PerH: positive().lte(400, 'must be 400 or less'),
    largestAggregateMm: positive().lte(150, 'must be 150 or less').optional(),
    /** Slump that it needs at the truck, and what it takes off on the way, mm. */
    leastSlumpMm: nonNegative().lte(300, 'must be 300 or less').optional(),
    slumpLossMm: nonNegative().lte(300, 'must be 300 or less').default(0),
    /** What stays in it at the end, m³. */
    staysInM3: nonNegative().lte(20, 'must be 20 or less').default(0),
    lineDiameterMm: positive().lte(300, 'must be 300 or less').optional(),
    /** How far its legs spread across, and what the worst presses on the ground. */
    outriggers: z
      .object({
        spreadM: positive().lte(30, 'must be 30 or less'),
        reactionKN: positive().lte(2000, 'must be 2000 or less'),
      })
      .optional(),
    windNoKmH: positive().lte(200, 'must be 200 or less').optional(),
    /** What a day of it costs, and a minute it stands. */
    hire: nonNegative().optional(),
    idlePerMin: nonNegative().optional(),
    /** Hands it takes beside those that place. */
    hands: wholeOrNone().lte(20, 'must be 20 or fewer').default(1),
  })
  .refine((c) => c.leastReachM < c.reachM, {
    path: ['leastReachM'],
    message: 'is not less than its reach',
  });
export type Conveyance = z.output<typeof conveyanceSchema>;

/** What somebody on a pour may do. */
export const JOBS = [
  'foreman',
  'hose',
  'vibrator',
  'strike-off',
  'finisher',
  'pump',
  'barrow',
  'truck',
  'tester',
  'watch',
] as const;
export type Job = (typeof JOBS)[number];
export const jobSchema = z.enum(JOBS, { error: `must be one of ${JOBS.join(', ')}` });

export const crewMemberSchema = z.object({
  name: name(),
  /** What they are, in the site's own words. */
  role: oneLine().max(80).default(''),
  jobs: atMostOf(jobSchema, JOBS.length).default([]),
  /** When they are there, minutes after midnight; all day where it is not given. */
  fromMin: clock().optional(),
  toMin: clock().optional(),
  costPerH: nonNegative().optional(),
});
export type CrewMember = z.output<typeof crewMemberSchema>;

/** What things cost on this site, in its money. What is not given is asked for, with what it usually is. */
export const pricesSchema = z.object({
  /** The whole crew standing, a minute. */
  crewPerMin: nonNegative().optional(),
  /** The pump standing, a minute. */
  pumpPerMin: nonNegative().optional(),
  /** A load that gets too old. */
  oldLoad: nonNegative().optional(),
  /** Going on after dusk. */
  afterDusk: nonNegative().optional(),
  /** What a seam that went cold takes to mend. */
  coldSeam: nonNegative().optional(),
});
export type Prices = z.output<typeof pricesSchema>;

/** What these usually are, for who has not said: offered beside the field, never written in by itself. */
export const USUAL_PRICES: Required<Prices> = {
  crewPerMin: 5,
  pumpPerMin: 3,
  oldLoad: 400,
  afterDusk: 300,
  coldSeam: 1500,
};
/** Every price, in the order in which they are told. */
export const PRICES = Object.keys(USUAL_PRICES) as (keyof Prices)[];
/** The prices of a site, and what is usual where it gives none. */
export const pricesOf = (site: {
  prices?: Prices | undefined;
  crew?: readonly CrewMember[] | undefined;
}): Required<Prices> => ({
  ...USUAL_PRICES,
  ...crewPriceOf(site.crew ?? []),
  ...site.prices,
});
/** The prices nobody has given: they are asked for once, where they are weighed. */
export const missingPrices = (site: Parameters<typeof pricesOf>[0]): (keyof Prices)[] => {
  const given = { ...crewPriceOf(site.crew ?? []), ...site.prices };
  return PRICES.filter((k) => given[k] === undefined);
};
/** The whole crew standing for a minute, where everybody's hour has its price. */
function crewPriceOf(crew: readonly CrewMember[]): Pick<Prices, 'crewPerMin'> {
  const perH = crew.map((c) => c.costPerH);
  return perH.length > 0 && perH.every((p) => p !== undefined)
    ? { crewPerMin: perH.reduce((s, p) => s + p, 0) / 60 }
    : {};
}

const place = () => z.object({ xM: measure('coordinate'), yM: measure('coordinate') });
/** Overhead wires as a straight line over the plan, and how far a boom stays off them. */
export const wireSchema = z.object({
  id: name(),
  from: place(),
  to: place(),
  /** Left out, the rule `wires` says how far. */
  clearM: positive().lte(100, 'must be 100 or less').optional(),
});
export type Wire = z.output<typeof wireSchema>;

/** The lists of a site file that this adds; all may be left out. */
export const resourcesShape = {
  conveyances: atMostOf(conveyanceSchema, MOST.types).default([]),
  mixers: atMostOf(mixerSchema, MOST.types).default([]),
  crew: atMostOf(crewMemberSchema, MOST.types).default([]),
  prices: pricesSchema.optional(),
  wires: atMostOf(wireSchema, 50).default([]),
};
/** Where something stands on the plan. */
export const placeSchema = place;

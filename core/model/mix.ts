import { z } from 'zod';
import type { Rules } from '#core/rules';
import { nonNegative, oneLine, onlyUsual, positive, share } from '#core/kit';

/**
 * Cement by what is ground or mixed into it (ACI 347R-14 §4.2.2; CIRIA Report 108): plain; with slag
 * under 70 in 100 or fly ash under 40; with more than that.
 */
export const CEMENTS = ['plain', 'blend', 'highBlend'] as const;

/** A strength class to EN 206: of cylinders, and of cubes. */
const CLASS = /C(\d+)\/(\d+)/;

export const mixSchema = z.object({
  mark: oneLine().min(1, 'is empty').max(80, 'is longer than 80 characters'),
  label: oneLine().min(1, 'is empty').max(80, 'is longer than 80 characters'),
  fcMPa: positive(),
  /** Strength class to EN 206 as C30/37: cylinder and cube, MPa. */
  strengthClass: z
    .string({ error: 'must be text' })
    .regex(/^C\d{1,2}\/\d{2,3}$/, 'must be a class as C30/37')
    .optional(),
  slumpMm: positive(),
  slumpKind: z
    .enum(['nominal', 'maximum'], { error: 'must be nominal or maximum' })
    .default('nominal'),
  slumpClass: oneLine().max(10).optional(),
  cementType: z.enum(['I', 'III'], { error: 'must be I or III' }).default('I'),
  /** Slag or ash in it; left out, there is none. */
  cement: z.enum(CEMENTS, { error: `must be ${CEMENTS.join(', ')}` }).optional(),
  retarderFactor: positive().default(1),
  maxAgeMin: positive().optional(),
  largestAggregateMm: positive().lte(150, 'must be 150 or less').optional(),
  /** Cement and what counts as cement, and water, kg/m³. */
  cementKgM3: positive().lte(900, 'must be 900 or less').optional(),
  waterKgM3: positive().lte(400, 'must be 400 or less').optional(),
  maxWcRatio: positive().lte(2, 'must be 2 or less').optional(),
  airRatio: share().optional(),
  /** Its producer answers for water that is added on the site; under EN none is added else. */
  siteWater: z.boolean({ error: 'must be true or false' }).optional(),
  fibreKgM3: nonNegative().lte(200, 'must be 200 or less').optional(),
  pricePerM3: nonNegative().optional(),
  usual: onlyUsual(),
});
/** A mix as a site file gives it; without an age limit of its own the site's rule counts. */
export type MixRecord = z.output<typeof mixSchema>;
/** A cylinder is so much of a cube of the same concrete, where no class says it (EN 206 table 12, about). */
const CYLINDER_OF_CUBE = 0.8;

/** Strength of cylinders and of cubes: by the class under EN, whose figure is of cubes; of cylinders else. */
function strengthsOf(
  { strengthClass, label, fcMPa }: MixRecord,
  profile: Rules['profile'],
): { cylinderMPa: number; cubeMPa: number } {
  if (profile === 'us-aci') return { cylinderMPa: fcMPa, cubeMPa: fcMPa / CYLINDER_OF_CUBE };
  const ofClass = CLASS.exec(strengthClass ?? label);
  return ofClass
    ? { cylinderMPa: Number(ofClass[1]), cubeMPa: Number(ofClass[2]) }
    : { cylinderMPa: CYLINDER_OF_CUBE * fcMPa, cubeMPa: fcMPa };
}

/**
 * A mix with everything that rules it on a site: its age limit, how hot or cold it may come, the
 * windows of its seams at 20 °C, what a pump takes off its slump, and Q of its strength.
 */
export type Mix = MixRecord & {
  cement: (typeof CEMENTS)[number];
  maxAgeMin: number;
  hottestC: number;
  coldestC: number;
  stiffenMinAt20C: number;
  knitMinAt20C: number;
  pumpLossMm: number;
  strengthK: number;
  /** Slump that water gives, mm a litre a cubic metre; and how much may be out before none goes in, m³. */
  waterEffect: number;
  waterUntilM3: number;
  /** Water may go in on the site. */
  mayWater: boolean;
  /** Air may be under and over what was ordered by so much, as shares of the volume. */
  airLess: number;
  airMore: number;
  /** Its strength comes at this pace of plain cement's: 1 for plain. */
  strengthPace: number;
  /** Characteristic strength of its cylinders, MPa: what laps are worked out of. */
  cylinderMPa: number;
  /** Characteristic strength of its cubes, MPa: what tests of cubes are held against. */
  cubeMPa: number;
};
/** The rule for the pace of a cement; plain goes at its own. */
const PACE_RULE = { blend: 'paceBlend', highBlend: 'paceHighBlend' } as const;

/** Fills in what the mix leaves to the site's rules. */
export const ruledMix = ({ cement = 'plain', ...mix }: MixRecord, rules: Rules): Mix => ({
  ...mix,
  cement,
  strengthPace: cement === 'plain' ? 1 : rules.value(PACE_RULE[cement]),
  maxAgeMin: mix.maxAgeMin ?? rules.value('loadAge'),
  hottestC: rules.value('hottestConcrete'),
  coldestC: rules.value('coldestConcrete'),
  stiffenMinAt20C: rules.value('stiffen'),
  knitMinAt20C: rules.value('knit'),
  pumpLossMm: rules.value('pumpLoss'),
  strengthK: rules.value('strengthEnergy'),
  waterEffect: rules.value('waterEffect'),
  waterUntilM3: rules.value('waterUntil'),
  mayWater: rules.profile === 'us-aci' || mix.siteWater === true,
  airLess: rules.value('airLess'),
  airMore: rules.value('airMore'),
  ...strengthsOf(mix, rules.profile),
});

import { z } from 'zod';
import { oneLine, positive, share } from '#core/kit';

/** What mixes on the site itself, for pours too small for a truck. */
const name = () => oneLine().min(1, 'is empty').max(80, 'is longer than 80 characters');
const parts = () => positive().lte(20, 'must be 20 or less');

export const MIXER_BY = ['parts', 'bags'] as const;

export const mixerSchema = z.object({
  id: name(),
  label: name(),
  /** What one batch gives, m³, and how long it takes from one to the next: filling, mixing, emptying. */
  batchM3: positive().gte(0.01, 'must be from 0.01 to 3').lte(3, 'must be from 0.01 to 3'),
  batchMin: positive().gte(1, 'must be from 1 to 120').lte(120, 'must be from 1 to 120'),
  /** By volume parts of cement, sand and stone, or bags of dry mix that only want water. */
  by: z.enum(MIXER_BY, { error: `must be ${MIXER_BY.join(' or ')}` }).default('parts'),
  cement: parts().default(1),
  sand: parts().default(2),
  stone: parts().default(3),
  wcRatio: share().gt(0, 'must be above 0').default(0.5),
  /** A bag of dry mix, lb. */
  bagLb: z
    .union([z.literal(80), z.literal(60), z.literal(50), z.literal(40)], {
      error: 'must be 80, 60, 50 or 40',
    })
    .default(80),
  /** What the trailer may carry, kg. */
  trailerKg: positive()
    .gte(50, 'must be from 50 to 50000')
    .lte(50_000, 'must be from 50 to 50000')
    .default(750),
});
export type Mixer = z.output<typeof mixerSchema>;

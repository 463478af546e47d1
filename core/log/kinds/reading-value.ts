import { z } from 'zod';
import { anyNumber, nonNegative, positive, wholeOrNone } from '#core/kit';
import { BAR_NAMES } from '#core/model';
import { barText, lengthText, type UnitSystem } from '#core/units';

/** What was read: a length, a count, spaces over a length, a bolt in its round, or a bar. */
export const readingValue = z.discriminatedUnion(
  'type',
  [
    z.object({ type: z.literal('length'), mm: anyNumber().gte(-100_000).lte(1_000_000) }),
    z.object({ type: z.literal('count'), count: wholeOrNone().lte(10_000) }),
    z.object({
      type: z.literal('spacing'),
      overMm: positive().lte(1_000_000),
      spaces: wholeOrNone().gt(0, 'must be above 0').lte(500),
    }),
    /**
     * A bolt in its round: there or not, where it stands along the run when that is not at its
     * mark, and how deep it goes and how far it stands out where that was measured.
     */
    z.object({
      type: z.literal('bolt'),
      there: z.boolean({ error: 'must be true or false' }),
      atMm: nonNegative().lte(1_000_000).nullable().default(null),
      embedmentMm: nonNegative().lte(5000).optional(),
      projectionMm: nonNegative().lte(5000).optional(),
    }),
    z.object({
      type: z.literal('bar'),
      bar: z.enum(BAR_NAMES, { error: 'is not a bar the table knows' }),
    }),
  ],
  { error: 'must have a type: length, count, spacing, bolt or bar' },
);
export type ReadingValue = z.output<typeof readingValue>;

const boltText = (v: Extract<ReadingValue, { type: 'bolt' }>, units: UnitSystem): string =>
  [
    v.atMm === null ? 'there' : `at ${lengthText(v.atMm, units)}`,
    ...(v.embedmentMm === undefined ? [] : [`${lengthText(v.embedmentMm, units)} deep`]),
    ...(v.projectionMm === undefined ? [] : [`${lengthText(v.projectionMm, units)} out`]),
  ].join(', ');

/** A reading as it was read. */
export function readingText(v: ReadingValue, units: UnitSystem): string {
  switch (v.type) {
    case 'length':
      return lengthText(v.mm, units);
    case 'count':
      return String(v.count);
    case 'spacing':
      return `${lengthText(v.overMm / v.spaces, units)} over ${v.spaces} spaces`;
    case 'bar':
      return barText(v.bar);
    case 'bolt':
      return v.there ? boltText(v, units) : 'missing';
  }
}

import { z } from 'zod';
import { anyNumber, nonNegative } from '#core/kit';
import { entryKind, id } from '../entry-kind.ts';

/** Offsets of a form from its string line. */
export const line = entryKind({
  body: z.object({
    elementId: id(),
    offsets: z
      .array(
        z.object({
          atM: nonNegative().lte(10_000),
          offsetMm: anyNumber().gte(-10_000).lte(10_000),
        }),
      )
      .min(2, 'must hold at least two')
      .max(200),
  }),
  writers: ['crew'],
  inReport: 'line',
  text: ({ elementId, offsets }) => `String line of ${elementId}: ${offsets.length} offsets`,
});

import { z } from 'zod';
import { anyNumber, nonNegative, wholeOrNone } from '#core/kit';
import { entryKind, id, text } from '../entry-kind.ts';

/** Something to check that the plan does not ask for, added by hand. */
export const item = entryKind({
  body: z.object({
    elementId: id(),
    title: text(80),
    trade: z.enum(['ground', 'forms', 'steel', 'anchors', 'access'], {
      error: 'must be ground, forms, steel, anchors or access',
    }),
    places: wholeOrNone().gt(0, 'must be above 0').lte(50).default(1),
    atM: nonNegative().lte(10_000).optional(),
    advice: text().optional(),
    wanted: z.discriminatedUnion(
      'type',
      [
        z.object({ type: z.literal('eye') }),
        z.object({ type: z.literal('count'), wanted: wholeOrNone().lte(10_000) }),
        z.object({
          type: z.literal('size'),
          wantedMm: anyNumber().gte(-100_000).lte(1_000_000),
          minusMm: nonNegative().lte(100_000),
          plusMm: nonNegative().lte(100_000).nullable(),
        }),
      ],
      { error: 'must have a type: eye, count or size' },
    ),
  }),
  writers: ['crew'],
  inReport: 'item',
  text: ({ elementId, title }) => `Added to the list, ${elementId}: ${title}`,
});

import { z } from 'zod';
import { nonNegative, wholeOrNone } from '#core/kit';
import { quantityText } from '#core/units';
import { after, entryKind, id } from '../entry-kind.ts';

/** Water that went into a load on the site, and how often the drum turned after it. */
export const water = entryKind({
  body: z.object({
    loadId: id(),
    addedL: nonNegative().gt(0, 'must be above 0').lte(2000, 'must be 2000 or less'),
    turns: wholeOrNone().lte(500, 'must be 500 or fewer').optional(),
  }),
  writers: ['crew'],
  inReport: 'water',
  text: ({ loadId, addedL, turns }, { units }) =>
    `${loadId}: ${quantityText(addedL, 'L', units)} of water added${after(', ', turns === undefined ? undefined : `${turns} turns`)}`,
});

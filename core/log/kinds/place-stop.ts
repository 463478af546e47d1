import { z } from 'zod';
import { share, wholeOrNone } from '#core/kit';
import { entryKind, id, ofHundred } from '../entry-kind.ts';

/** Placing stops; how much of that run and lift now stands filled. */
export const placeStop = entryKind({
  body: z.object({ elementId: id(), lift: wholeOrNone().lte(12), filledRatio: share() }),
  writers: ['crew'],
  inReport: 'placing',
  text: ({ elementId, lift, filledRatio }) =>
    `${elementId}, lift ${lift + 1}: ${ofHundred(filledRatio)} filled`,
});

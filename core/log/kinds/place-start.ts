import { z } from 'zod';
import { wholeOrNone } from '#core/kit';
import { after, entryKind, id } from '../entry-kind.ts';

export const placeStart = entryKind({
  body: z.object({
    elementId: id(),
    lift: wholeOrNone().lte(12),
    loadId: id().optional(),
  }),
  writers: ['crew'],
  inReport: 'placing',
  text: ({ elementId, lift, loadId }) =>
    `Placing ${elementId}, lift ${lift + 1}${after(', from ', loadId)}`,
});

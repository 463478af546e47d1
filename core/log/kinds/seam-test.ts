import { z } from 'zod';
import { wholeOrNone } from '#core/kit';
import { entryKind, id } from '../entry-kind.ts';

/** The field test of a waiting face: whether a running vibrator sinks into it of itself. It rules over the clock. */
export const seamTest = entryKind({
  body: z.object({
    elementId: id(),
    lift: wholeOrNone().lte(12),
    sinks: z.boolean({ error: 'must be true or false' }),
  }),
  writers: ['crew'],
  inReport: 'seam test',
  text: ({ elementId, lift, sinks }) =>
    `${elementId}, lift ${lift + 1}: a running vibrator ${sinks ? 'sinks in of itself, it still knits' : 'does not sink in, it no longer knits'}`,
});

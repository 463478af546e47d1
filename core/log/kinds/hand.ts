import { z } from 'zod';
import { after, entryKind, text } from '../entry-kind.ts';

/** Somebody of the crew begins or ends their hours on the pour. */
export const hand = entryKind({
  body: z.object({
    name: text(80),
    to: z.enum(['on', 'off'], { error: 'must be on or off' }),
    job: text(80).optional(),
  }),
  writers: ['crew'],
  inReport: 'hours',
  text: ({ name, to, job }) => `${name} ${to}${after(', ', job)}`,
});

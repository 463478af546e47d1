import { z } from 'zod';
import { after, entryKind, text } from '../entry-kind.ts';

/** Somebody who is not of the crew was on the pour. */
export const visitor = entryKind({
  body: z.object({ name: text(80), why: text(200).optional() }),
  writers: ['crew', 'inspector'],
  inReport: 'visitor',
  text: ({ name, why }) => `${name} was here${after(': ', why)}`,
});

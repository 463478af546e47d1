import { z } from 'zod';
import { after, entryKind, text } from '../entry-kind.ts';

/** Takes an earlier entry back; the entry stays in the log. */
export const supersede = entryKind({
  body: z.object({ reason: text().optional() }),
  writers: ['crew', 'inspector'],
  afterClosing: true,
  text: ({ reason }) => `Taken back${after(': ', reason)}`,
});

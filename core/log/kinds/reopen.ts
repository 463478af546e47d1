import { z } from 'zod';
import { entryKind, text } from '../entry-kind.ts';

export const reopen = entryKind({
  body: z.object({ reason: text() }),
  inReport: 'reopen',
  text: ({ reason }) => `Opened again: ${reason}`,
});

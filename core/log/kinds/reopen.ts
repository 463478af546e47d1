import { z } from 'zod';
import { entryKind, text } from '../entry-kind.ts';

export const reopen = entryKind({
  body: z.object({ reason: text() }),
  inReport: 'reopen',
  afterClosing: true,
  text: ({ reason }) => `Opened again: ${reason}`,
});

import { z } from 'zod';
import { after, entryKind, text } from '../entry-kind.ts';

export const close = entryKind({
  body: z.object({ reason: text().optional() }),
  inReport: 'close',
  text: ({ reason }) => `Pour closed${after(': ', reason)}`,
});

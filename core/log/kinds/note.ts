import { z } from 'zod';
import { entryKind, text } from '../entry-kind.ts';

export const note = entryKind({
  body: z.object({ text: text(2000) }),
  writers: ['crew', 'inspector'],
  inReport: 'note',
  text: (n) => n.text,
});

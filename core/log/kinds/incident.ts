import { z } from 'zod';
import { entryKind, id, text } from '../entry-kind.ts';

export const incident = entryKind({
  body: z.object({ text: text(2000), elementId: id().optional() }),
  writers: ['crew'],
  inReport: 'incident',
  text: (i) => i.text,
});

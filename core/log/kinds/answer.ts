import { z } from 'zod';
import { entryKind, id, text } from '../entry-kind.ts';

export const answer = entryKind({
  body: z.object({ questionId: id(), text: text(2000), role: text(80) }),
  inReport: 'answer',
  text: (a) => `${a.role} answers: ${a.text}`,
});

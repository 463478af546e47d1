import { z } from 'zod';
import { wholeOrNone } from '#core/kit';
import { entryKind, id, text } from '../entry-kind.ts';

export const question = entryKind({
  body: z.object({
    number: wholeOrNone(),
    elementIds: z.array(id()).min(1, 'must name at least one run'),
    text: text(2000),
    to: text(80),
  }),
  writers: ['crew'],
  inReport: 'question',
  text: (q) => `Question ${q.number} to ${q.to} on ${q.elementIds.join(', ')}: ${q.text}`,
});

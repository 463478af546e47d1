import { z } from 'zod';
import { after, entryKind, id, text } from '../entry-kind.ts';

/** Forms taken off; the reason when the strength, the clock or the readings spoke against it. */
export const strip = entryKind({
  body: z.object({
    elementIds: z.array(id()).min(1, 'must name at least one run'),
    reason: text().optional(),
  }),
  inReport: 'strip',
  text: ({ elementIds, reason }) => `Forms off: ${elementIds.join(', ')}${after('. ', reason)}`,
});

import { z } from 'zod';
import { after, entryKind, id, text } from '../entry-kind.ts';

/** The foreman's own decision on a load; what the core says of it is computed. */
export const loadVerdict = entryKind({
  body: z.object({
    loadId: id(),
    decision: z.enum(['accept', 'reject'], { error: 'must be accept or reject' }),
    reason: text().optional(),
  }),
  text: ({ loadId, decision, reason }) =>
    `${loadId} ${decision === 'accept' ? 'accepted' : 'sent back'}${after(': ', reason)}`,
});

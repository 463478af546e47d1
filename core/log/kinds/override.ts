import { z } from 'zod';
import { entryKind, text } from '../entry-kind.ts';

export const override = entryKind({
  body: z.object({ reason: text() }),
  takenBackBy: 'nobody',
  inReport: 'override',
  text: ({ reason }) => `Poured against the gate: ${reason}`,
});

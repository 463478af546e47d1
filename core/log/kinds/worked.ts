import { z } from 'zod';
import { after, entryKind, text } from '../entry-kind.ts';

/** A calculation run by itself and kept with the pour: what was put in. What came out is worked out anew. */
export const worked = entryKind({
  body: z.object({
    calculation: z.string().min(1, 'is empty').max(60),
    input: z.record(z.string().max(60), z.unknown()),
    note: text(300).optional(),
  }),
  writers: ['crew'],
  inReport: 'worked',
  text: ({ calculation, note }, { calculationTitle }) =>
    `Worked out: ${calculationTitle(calculation)}${after(', ', note)}`,
});

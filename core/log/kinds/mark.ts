import { z } from 'zod';
import { checkName, entryKind, id, placeIndex, text } from '../entry-kind.ts';

/** What only an eye can judge: passed, failed, or does not apply (with a reason). */
export const mark = entryKind({
  body: z
    .object({
      checkId: id(),
      place: placeIndex().default(0),
      result: z.enum(['pass', 'fail', 'na'], { error: 'must be pass, fail or na' }),
      reason: text().optional(),
    })
    .refine((m) => m.result === 'pass' || m.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it fails or does not apply',
    }),
  writers: ['crew'],
  text: ({ checkId, result, reason }) =>
    `${checkName(checkId)}: ${result === 'pass' ? 'looked at, good' : (reason ?? result)}`,
});

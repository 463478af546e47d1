import { z } from 'zod';
import { count } from '#core/kit';
import { HOLD_NAME, HOLDS } from '#core/model';
import { after, entryKind, text } from '../entry-kind.ts';

export const sign = entryKind({
  body: z
    .object({
      hold: z.enum(HOLDS, { error: `must be one of ${HOLDS.join(', ')}` }),
      result: z.enum(['pass', 'reject'], { error: 'must be pass or reject' }),
      /** The version of the plan it is for; the first is 1. */
      planVersion: count(),
      reason: text().optional(),
    })
    .refine((s) => s.result === 'pass' || s.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it is rejected',
    }),
  writers: ['inspector'],
  takenBackBy: 'signer',
  inReport: 'sign',
  text: ({ hold, result, reason, planVersion }) =>
    `${HOLD_NAME[hold]} ${result === 'pass' ? 'passed' : 'rejected'}${after(': ', reason)} (plan ${planVersion})`,
});

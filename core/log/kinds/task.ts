import { z } from 'zod';
import { entryKind, id, partsOfId, text } from '../entry-kind.ts';

/** A task of the pour day, such as bolts pushed into the fresh top: done, or not and why. */
export const task = entryKind({
  body: z
    .object({
      taskId: id(),
      result: z.enum(['done', 'notDone'], { error: 'must be done or notDone' }),
      reason: text().optional(),
    })
    .refine((t) => t.result === 'done' || t.reason !== undefined, {
      path: ['reason'],
      message: 'is missing: say why it was not done',
    }),
  writers: ['crew'],
  text: ({ taskId, result, reason }) =>
    `${partsOfId(taskId).owner}, ${partsOfId(taskId).name}: ${result === 'done' ? 'done' : `not done, ${reason ?? ''}`}`,
});

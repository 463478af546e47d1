import { z } from 'zod';
import { entryKind, id, text } from '../entry-kind.ts';

/** Who answered: by name where it was typed, and as what they were asked. */
export const answeredBy = ({ by, role }: { by?: string | undefined; role: string }): string =>
  by === undefined ? role : `${by}, ${role}`;

export const answer = entryKind({
  body: z.object({
    questionId: id(),
    text: text(2000),
    /** As what they were asked. */
    role: text(80),
    by: text(80).optional(),
  }),
  inReport: 'answer',
  text: (a) => `${answeredBy(a)} answers: ${a.text}`,
});

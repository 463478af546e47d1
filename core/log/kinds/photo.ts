import { z } from 'zod';
import { after, checkName, entryKind, id, placeIndex, text } from '../entry-kind.ts';

const about = z.discriminatedUnion(
  'type',
  [
    z.object({
      type: z.literal('place'),
      checkId: id(),
      place: placeIndex(),
      moment: z.enum(['before', 'after'], { error: 'must be before or after' }).optional(),
    }),
    z.object({ type: z.literal('question'), questionId: id() }),
    z.object({ type: z.literal('element'), elementId: id() }),
  ],
  { error: 'must have a type: place, question or element' },
);
type About = z.output<typeof about>;

function ofWhat(a: About): string {
  if (a.type === 'element') return ` of ${a.elementId}`;
  if (a.type === 'question') return ' for a question';
  return ` of ${checkName(a.checkId)}${after(', ', a.moment)}`;
}

/** A photo, tied to what it shows. The picture itself is sent beside the log, under its own id. */
export const photo = entryKind({
  body: z.object({
    photoId: z.uuid({ error: 'must be a UUID' }),
    caption: text(300).optional(),
    about: about,
  }),
  writers: ['crew', 'inspector'],
  afterClosing: true,
  text: ({ about, caption }) => `Photo${ofWhat(about)}${after(': ', caption)}`,
});

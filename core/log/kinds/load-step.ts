import { z } from 'zod';
import { entryKind, id } from '../entry-kind.ts';

const WORDS = { chute: 'at the chute', washed: 'washed out' } as const;

/** A truck comes to the chute, or has washed out: what no other entry of a load says. */
export const loadStep = entryKind({
  body: z.object({
    loadId: id(),
    step: z.enum(['chute', 'washed'], { error: 'must be chute or washed' }),
  }),
  writers: ['crew'],
  text: ({ loadId, step }) => `${loadId} ${WORDS[step]}`,
});

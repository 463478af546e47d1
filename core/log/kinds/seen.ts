import { z } from 'zod';
import { entryKind, id } from '../entry-kind.ts';

/** A change of type along the way was seen: somebody stood there and read what takes over. */
export const seen = entryKind({
  body: z.object({ change: id() }),
  writers: ['crew'],
  inReport: 'seen',
  text: ({ change }) => `Change of type seen at ${change.replace(':', ', ').replace('>', ' to ')}`,
});

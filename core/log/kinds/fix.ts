import { z } from 'zod';
import { checkName, entryKind, id, placeIndex, text } from '../entry-kind.ts';

/** What was done about a failed point; a new reading has to follow. */
export const fix = entryKind({
  body: z.object({ checkId: id(), place: placeIndex(), what: text() }),
  writers: ['crew'],
  inReport: 'fix',
  text: ({ checkId, what }) => `${checkName(checkId)} fixed: ${what}`,
});

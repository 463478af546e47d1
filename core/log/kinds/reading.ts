import { z } from 'zod';
import { checkName, entryKind, id, placeIndex } from '../entry-kind.ts';
import { readingText, readingValue } from './reading-value.ts';

/** A tape, count or bar-size reading at one place of a check point. */
export const reading = entryKind({
  body: z.object({
    checkId: id(),
    place: placeIndex(),
    value: readingValue,
  }),
  writers: ['crew'],
  text: ({ checkId, value }, { units }) => `${checkName(checkId)}: ${readingText(value, units)}`,
});

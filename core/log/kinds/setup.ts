import { z } from 'zod';
import { nonNegative } from '#core/kit';
import { lengthText } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

/** The level is set up: rod on a known point, read from the instrument. */
export const setup = entryKind({
  body: z.object({ onId: id(), backSightM: nonNegative().lte(10) }),
  writers: ['crew'],
  inReport: 'setup',
  text: ({ onId, backSightM }, { units }) =>
    `Level set up on ${onId}, back-sight ${lengthText(backSightM * 1000, units)}`,
});

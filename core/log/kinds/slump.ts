import { z } from 'zod';
import { nonNegative } from '#core/kit';
import { lengthText } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

/** The height of the slump cone, mm: nothing slumps further. */
export const MOST_SLUMP_MM = 300;

export const slump = entryKind({
  body: z.object({
    loadId: id(),
    measuredMm: nonNegative().lte(MOST_SLUMP_MM),
    where: z.enum(['truck', 'hose'], { error: 'must be truck or hose' }),
  }),
  writers: ['crew'],
  text: ({ loadId, measuredMm, where }, { units }) =>
    `${loadId} slump ${lengthText(measuredMm, units)} at the ${where}`,
});

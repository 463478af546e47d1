import { z } from 'zod';
import { positive } from '#core/kit';
import { lengthText } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

/** Four corners measured round and across. */
export const square = entryKind({
  body: z.object({
    corners: z.array(id()).length(4, 'must name four corners'),
    sidesM: z.array(positive().lte(10_000)).length(4, 'must hold four sides'),
    diagonalsM: z.array(positive().lte(10_000)).length(2, 'must hold two diagonals'),
  }),
  writers: ['crew'],
  inReport: 'square',
  text: ({ corners, diagonalsM }, { units }) =>
    `Square of ${corners.join(', ')}: diagonals ${diagonalsM.map((m) => lengthText(m * 1000, units)).join(' and ')}`,
});

import { z } from 'zod';
import { nonNegative } from '#core/kit';
import { lengthText } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

/** A level read from the set-up: of a point to be set out, of a turning point, or back on the benchmark. */
export const level = entryKind({
  body: z.object({ setupId: id(), pointId: id(), rodM: nonNegative().lte(10) }),
  writers: ['crew'],
  inReport: 'level',
  text: ({ pointId, rodM }, { units }) => `Rod on ${pointId}: ${lengthText(rodM * 1000, units)}`,
});

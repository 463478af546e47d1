import { z } from 'zod';
import { anyNumber } from '#core/kit';
import { counted } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

const offsetMm = () => anyNumber().gte(-1000).lte(1000);

/** The bolts of a base read again while it is cast: how far each stands off its place, east, north and up, mm. */
export const template = entryKind({
  body: z.object({
    elementId: id(),
    bolts: z
      .array(z.object({ id: id(), eastMm: offsetMm(), northMm: offsetMm(), upMm: offsetMm() }))
      .min(2, 'needs two bolts or more')
      .max(200),
  }),
  writers: ['crew'],
  inReport: 'bolts of a base',
  text: ({ elementId, bolts }) => `${elementId}: ${counted(bolts.length, 'bolt')} read again`,
});

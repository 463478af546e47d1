import { z } from 'zod';
import { positive } from '#core/kit';
import { quantityText } from '#core/units';
import { after, entryKind, id, text } from '../entry-kind.ts';

const WORDS = { fibre: 'fibre', admixture: 'admixture' } as const;

/** Fibre or admixture that went into a load on the site; water has an entry of its own. */
export const added = entryKind({
  body: z.object({
    loadId: id(),
    what: z.enum(['fibre', 'admixture'], { error: 'must be fibre or admixture' }),
    massKg: positive().lte(2000, 'must be 2000 or less'),
    name: text(80).optional(),
  }),
  writers: ['crew'],
  inReport: 'added',
  text: ({ loadId, what, massKg, name }, { units }) =>
    `${loadId}: ${quantityText(massKg, 'Kg', units)} of ${WORDS[what]} added${after(', ', name)}`,
});

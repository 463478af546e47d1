import { z } from 'zod';
import { count, wholeOrNone } from '#core/kit';
import { counted } from '#core/units';
import { after, entryKind, id, text } from '../entry-kind.ts';

/** A set of cylinders made from a load: how many go to the laboratory, and how many lie beside what they stand for. */
export const cylinders = entryKind({
  body: z
    .object({
      loadId: id(),
      /** Which strength test of the pour it is for, from 1. */
      set: count().lte(200, 'must be 200 or less'),
      lab: wholeOrNone().lte(40, 'must be 40 or fewer'),
      field: wholeOrNone().lte(40, 'must be 40 or fewer'),
      mark: text(40).optional(),
    })
    .refine((c) => c.lab + c.field > 0, { path: ['lab'], message: 'is none, and so is the field' }),
  writers: ['crew'],
  inReport: 'cylinders',
  text: ({ loadId, set, lab, field, mark }) =>
    `Set ${set} of ${loadId}${after(', marked ', mark)}: ${[
      lab > 0 ? `${counted(lab, 'cylinder')} for the laboratory` : '',
      field > 0 ? `${field} cured in the field` : '',
    ]
      .filter(Boolean)
      .join(', ')}`,
});

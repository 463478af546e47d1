import { z } from 'zod';
import { positive } from '#core/kit';
import { strength, textOf } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

export const breakTest = entryKind({
  body: z.object({
    ageDays: positive().lte(400),
    strengthMPa: positive().lte(200),
    loadId: id().optional(),
  }),
  inReport: 'cylinders',
  afterClosing: true,
  text: ({ ageDays, strengthMPa }, { units }) =>
    `Cylinders at ${ageDays} days: ${textOf(strength(strengthMPa, units))}`,
});

import { z } from 'zod';
import { positive } from '#core/kit';
import { strength, textOf } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

export const breakTest = entryKind({
  body: z.object({
    ageDays: positive().lte(400),
    strengthMPa: positive().lte(200),
    loadId: id().optional(),
    /** Cylinders where ACI rules and cubes where EN does, unless it says otherwise. */
    specimen: z.enum(['cylinder', 'cube'], { error: 'must be cylinder or cube' }).optional(),
    /** Kept at 20 °C in water until it was broken, or with the concrete itself; the laboratory unless it says otherwise. */
    cured: z.enum(['laboratory', 'site'], { error: 'must be laboratory or site' }).optional(),
  }),
  inReport: 'cylinders',
  afterClosing: true,
  text: ({ ageDays, strengthMPa, specimen, cured }, { units }) =>
    `${specimen === 'cube' ? 'Cubes' : 'Cylinders'}${cured === 'site' ? ' kept on the site' : ''} at ${ageDays} days: ${textOf(strength(strengthMPa, units))}`,
});

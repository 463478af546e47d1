import { z } from 'zod';
import { freshTemperature, share } from '#core/kit';
import { quantityText, temperatureFigure, textOf } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

/** Air and temperature of a load, read beside its slump. */
export const freshTest = entryKind({
  body: z
    .object({
      loadId: id(),
      airRatio: share().lte(0.3, 'must be 0.3 or less').optional(),
      concreteTempC: freshTemperature().optional(),
      where: z.enum(['truck', 'hose'], { error: 'must be truck or hose' }),
    })
    .refine((t) => t.airRatio !== undefined || t.concreteTempC !== undefined, {
      path: ['airRatio'],
      message: 'is missing, and so is the temperature: one of them was read',
    }),
  writers: ['crew'],
  inReport: 'test',
  text: ({ loadId, airRatio, concreteTempC, where }, { units }) =>
    `${loadId} at the ${where}: ${[
      airRatio === undefined ? '' : `air ${quantityText(airRatio, 'Ratio', units)}`,
      concreteTempC === undefined ? '' : textOf(temperatureFigure(concreteTempC, units)),
    ]
      .filter(Boolean)
      .join(', ')}`,
});

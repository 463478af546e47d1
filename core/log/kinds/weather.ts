import { z } from 'zod';
import { airTemperature, nonNegative, share } from '#core/kit';
import { temperatureFigure, textOf, wind } from '#core/units';
import { entryKind, ofHundred } from '../entry-kind.ts';

export const SKIES = ['clear', 'cloud', 'rain', 'snow', 'fog'] as const;

export const weather = entryKind({
  body: z.object({
    airTempC: airTemperature(),
    humidity: share().optional(),
    windKmH: nonNegative().lte(300).optional(),
    sky: z.enum(SKIES, {
      error: 'must be clear, cloud, rain, snow or fog',
    }),
    rainMmH: nonNegative().lte(300).optional(),
  }),
  writers: ['crew'],
  inReport: 'weather',
  text: (w, { units }) =>
    [
      `Air ${textOf(temperatureFigure(w.airTempC, units))}`,
      w.sky,
      w.humidity === undefined ? '' : `humidity ${ofHundred(w.humidity)}`,
      w.windKmH === undefined ? '' : `wind ${textOf(wind(w.windKmH, units))}`,
    ]
      .filter(Boolean)
      .join(', '),
});

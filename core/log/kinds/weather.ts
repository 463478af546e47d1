import { z } from 'zod';
import { nonNegative, share, temperature } from '../../kit/fields.ts';
import { temperatureFigure, textOf, wind } from '../../units/index.ts';
import { entryKind, ofHundred } from '../entry-kind.ts';

export const weather = entryKind({
  body: z.object({
    airTempC: temperature(),
    humidity: share().optional(),
    windKmH: nonNegative().lte(300).optional(),
    sky: z.enum(['clear', 'cloud', 'rain', 'snow', 'fog'], {
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

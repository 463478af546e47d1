import { z } from 'zod';
import { temperature } from '#core/kit';
import { temperatureFigure, textOf } from '#core/units';
import { after, entryKind, text } from '../entry-kind.ts';

/** Temperature of the concrete where a probe or a gun was put. */
export const probe = entryKind({
  body: z.object({ tempC: temperature(), where: text(80).optional() }),
  writers: ['crew'],
  inReport: 'temperature',
  text: ({ tempC, where }, { units }) =>
    `Concrete ${textOf(temperatureFigure(tempC, units))}${after(', ', where)}`,
});

import { z } from 'zod';
import { nonNegative } from '#core/kit';
import { textOf, volume } from '#core/units';
import { entryKind, id } from '../entry-kind.ts';

export const loadEnd = entryKind({
  body: z.object({ loadId: id(), returnedM3: nonNegative().lte(20) }),
  writers: ['crew'],
  text: ({ loadId, returnedM3 }, { units }) =>
    `${loadId} done${returnedM3 > 0 ? `, ${textOf(volume(returnedM3, units))} went back` : ''}`,
});

import { z } from 'zod';
import { nonNegative } from '../../kit/fields.ts';
import { textOf, volume } from '../../units/index.ts';
import { entryKind, id } from '../entry-kind.ts';

export const loadEnd = entryKind({
  body: z.object({ loadId: id(), returnedM3: nonNegative().lte(20) }),
  writers: ['crew'],
  text: ({ loadId, returnedM3 }, { units }) =>
    `${loadId} done${returnedM3 > 0 ? `, ${textOf(volume(returnedM3, units))} went back` : ''}`,
});

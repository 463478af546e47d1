import { z } from 'zod';
import { count, nonNegative, positive } from '#core/kit';
import { counted, textOf, volume } from '#core/units';
import { entryKind, id, text } from '../entry-kind.ts';

const ACT = {
  order: 'Ordered',
  'put-off': 'Put off',
  cancel: 'Called off',
  more: 'Called for more',
} as const;

/** What the plant was told, and what it said to that. */
export const order = entryKind({
  body: z.object({
    /** `more` calls loads beside those that are ordered: it lists these with the new ones, under the same telling. */
    act: z.enum(['order', 'put-off', 'cancel', 'more'], {
      error: 'must be order, put-off, cancel or more',
    }),
    volumeM3: nonNegative().lte(5000),
    /** What was to be batched when, load by load. */
    loads: z
      .array(
        z.object({
          id: id(),
          volumeM3: positive().lte(20),
          batchAt: z.iso.datetime({ error: 'must be a time with its zone' }),
        }),
      )
      .max(500),
    mix: id(),
    plant: id(),
    /** The plant's own number for it; null where it was told by telephone. */
    number: id().nullable(),
    /** Which telling this is, from 1. */
    turn: count().lte(10_000),
    said: text(),
    /** The day it was put off to; null where that was not known. */
    until: z.iso.date('must be a date as 2026-09-23').nullable().optional(),
  }),
  inReport: 'order',
  text: ({ act, volumeM3, loads, number, said, until }, { units }) =>
    `${ACT[act]}${act === 'put-off' && until ? ` to ${until}` : ''}${act === 'more' ? `: ${textOf(volume(volumeM3, units))}` : ''}${act === 'order' ? `: ${textOf(volume(volumeM3, units))} in ${counted(loads.length, 'load')}` : ''}${number === null ? '' : `, ${number}`}. ${said}`,
});

import { z } from 'zod';
import { freshTemperature, positive } from '#core/kit';
import { loadVolume, textOf } from '#core/units';
import { after, entryKind, id, text } from '../entry-kind.ts';

export const loadArrived = entryKind({
  body: z.object({
    loadId: id(),
    /** None of what is mixed on the site. */
    ticket: text(40).optional(),
    volumeM3: positive().lte(20),
    batchedAt: z.iso.datetime({ error: 'must be a time with its zone' }),
    concreteTempC: freshTemperature().optional(),
    /** The mix as the ticket has it; the one ordered where it was not looked at. */
    mix: id().optional(),
  }),
  writers: ['crew'],
  text: ({ loadId, ticket, volumeM3 }, { units }) =>
    `${loadId} here${after(', ticket ', ticket)}, ${textOf(loadVolume(volumeM3, units))}`,
});

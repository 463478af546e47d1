import { z } from 'zod';
import { entryKind, id, text } from '../entry-kind.ts';

export const defect = entryKind({
  body: z.object({ elementId: id(), what: text() }),
  writers: ['crew'],
  inReport: 'defect',
  afterClosing: true,
  text: ({ elementId, what }) => `Defect on ${elementId}: ${what}`,
});

import { z } from 'zod';
import { wholeOrNone } from '#core/kit';
import { after, entryKind, id, text } from '../entry-kind.ts';

/** What goes wrong on pour day, in the order in which it is looked for. */
export const TROUBLES = [
  'form-open',
  'pump-down',
  'load-late',
  'hose-blocked',
  'rain',
  'vibrator',
  'load-lost',
] as const;
export type TroubleKind = (typeof TROUBLES)[number];

export const TROUBLE_NAME: Record<TroubleKind, string> = {
  'form-open': 'Form open',
  'pump-down': 'Pump down',
  'load-late': 'Load late',
  'load-lost': 'Load lost',
  'hose-blocked': 'Hose blocked',
  rain: 'Rain',
  vibrator: 'Vibrator out',
};

export const trouble = entryKind({
  body: z.object({
    what: z.enum(TROUBLES, { error: `must be one of ${TROUBLES.join(', ')}` }),
    elementId: id().optional(),
    lift: wholeOrNone().lte(12).optional(),
    note: text().optional(),
  }),
  writers: ['crew'],
  inReport: 'trouble',
  text: ({ what, elementId, lift, note }) =>
    `${TROUBLE_NAME[what]}${after(' at ', elementId)}${lift === undefined ? '' : `, lift ${lift + 1}`}${after(': ', note)}`,
});

/** What was chosen to do about it. */
export const wayOn = entryKind({
  body: z.object({ troubleId: id(), way: text(40), words: text(200) }),
  writers: ['crew'],
  inReport: 'way on',
  text: ({ words }) => words,
});

/** It is put right. */
export const troubleOver = entryKind({
  body: z.object({ troubleId: id(), what: text().optional() }),
  writers: ['crew'],
  inReport: 'put right',
  text: ({ what }) => `Put right${after(': ', what)}`,
});

import { z } from 'zod';
import { oneLine } from '#core/kit';
import { type Hold, HOLDS, type Role, ROLES } from '#core/model';

/** Who may sign in, and how they do. */
export const signInBody = z.object({
  name: z.string().trim().min(1, 'is empty').max(80),
  pin: z.string().min(4, 'has at least 4 digits').max(64),
});
const personName = () => oneLine().trim().min(1, 'is empty').max(80);
/** Whoever signs for something has a PIN of six digits or more; four do for the rest. */
const leastDigits = (role: Role): number => (role === 'foreman' || role === 'inspector' ? 6 : 4);
const pinFor = (role: Role) => {
  const least = leastDigits(role);
  return z.string().regex(new RegExp(`^\\d{${least},12}$`), `has ${least} to 12 digits`);
};
/** For what somebody was asked here alone: one site, one hold point, until a moment; null is no limit. */
const invitationSchema = z.object({
  site: z.string().min(1).max(80).nullable(),
  hold: z.enum(HOLDS, { error: `must be one of ${HOLDS.join(', ')}` }).nullable(),
  until: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }).nullable(),
});
export interface Invitation {
  site: string | null;
  hold: Hold | null;
  until: string | null;
}
const roleField = () => z.enum(ROLES, { error: 'must be foreman, crew, inspector or viewer' });
export const accountBody = z
  .object({
    name: personName(),
    pin: z.string(),
    role: roleField(),
    invited: invitationSchema.optional(),
  })
  .superRefine(({ pin, role }, ctx) => {
    const bad = pinFor(role).safeParse(pin).error?.issues[0];
    if (bad) ctx.addIssue({ code: 'custom', path: ['pin'], message: bad.message });
  });
export const firstAccountBody = z.object({
  name: personName(),
  pin: pinFor('foreman'),
  /** What the console shows, when it is made from another device. */
  code: z.string().max(40).optional(),
});
/** What a foreman changes of a person. @param role theirs now */
export const changePersonBody = (role: Role) =>
  z
    .object({
      role: roleField().optional(),
      pin: z.string().optional(),
      locked: z.boolean({ error: 'must be true or false' }).optional(),
      removed: z.boolean({ error: 'must be true or false' }).optional(),
      invited: invitationSchema.nullable().optional(),
    })
    .superRefine((b, ctx) => {
      const will = b.role ?? role;
      const bad = b.pin === undefined ? undefined : pinFor(will).safeParse(b.pin).error?.issues[0];
      if (bad) ctx.addIssue({ code: 'custom', path: ['pin'], message: bad.message });
      if (b.pin === undefined && leastDigits(will) > leastDigits(role))
        ctx.addIssue({
          code: 'custom',
          path: ['pin'],
          message: `is missing: a ${will} has ${leastDigits(will)} digits or more`,
        });
    });
export const ownPinBody = (role: Role) => z.object({ old: z.string().max(64), pin: pinFor(role) });
/** Somebody who may sign in, or could once. */
export interface Person extends Account {
  id: string;
  locked: boolean;
  removed: boolean;
  /** Wrong PINs since the PIN was set, when the last was, and until when none is looked at. */
  guesses: number;
  wrongAt: string | null;
  waitUntil: string | null;
  seenAt: string | null;
}
export interface PersonRow extends Person {
  /** On how many devices they are signed in. */
  devices: number;
}
export interface Account {
  name: string;
  role: Role;
  /** What they were asked here for alone; left out, they are here for everything their role may do. */
  invited?: Invitation;
}
/** Demo answers who may be picked, so that signing in takes one press. */
export interface SessionAnswer {
  account: Account | null;
  demo: { accounts: (Account & { pin: string })[] } | null;
  setUpNeeded: boolean;
  /** The first account is made from another device: the console's code is asked for. */
  codeNeeded: boolean;
}

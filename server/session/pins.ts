import { hash, verify } from '@node-rs/argon2';
import pLimit from 'p-limit';
import { ProblemError } from '../problems.ts';

/** Hashing takes a core for a moment: one at a time, and so many may wait for it; the rest come again. */
const one = pLimit(1);
const MOST_WAITING = 40;
const BUSY_S = 3;

function inTurn<Done>(work: () => Promise<Done>): Promise<Done> {
  if (one.pendingCount >= MOST_WAITING)
    throw new ProblemError(
      503,
      'Busy',
      'Too many are signing in at once. Try again in a moment.',
      undefined,
      { retryAfterS: BUSY_S },
    );
  return one(work);
}

export const hashPin = (pin: string): Promise<string> => inTurn(() => hash(pin));

/** What nobody's PIN is held against, so that an unknown name takes as long as a wrong PIN. */
const NOBODY = hash('000000');

/** Whether a PIN is the one of a hash; null for nobody's. */
export const isPin = (pinHash: string | null, pin: string): Promise<boolean> =>
  inTurn(async () => (await verify(pinHash ?? (await NOBODY), pin)) && pinHash !== null);

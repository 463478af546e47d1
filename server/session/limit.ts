import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { nameKey } from '#core/kit';
import { ProblemError } from '../problems.ts';
import type { Checked } from '../store/accounts.ts';
import type { TriedFrom } from '../store/pin-tries.ts';
import type { SessionStore } from '../store/sessions.ts';
import { whoIs } from './session.ts';

const nameOf = (req: Request): string => {
  const name = (req.body as { name?: unknown } | undefined)?.name;
  return typeof name === 'string' ? name.trim().slice(0, 80) : '';
};

const limitBy = (limit: number, keyGenerator: (req: Request) => string): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit,
    keyGenerator,
    standardHeaders: true,
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new ProblemError(429, 'Wait a little', 'Too many tries. Wait a minute and try again.');
    },
  });

/** So many names may be tried wrongly from one address for each try at one of them. */
const NAMES = 3;

/**
 * Tries at a PIN, a minute: at one name from one address, and at any names from it. Right ones do
 * not count, and other names are not held up by the first.
 */
export const signInLimit = (tries: number): RequestHandler[] => [
  limitBy(tries * NAMES, (req) => ipKeyGenerator(req.ip ?? '')),
  limitBy(tries, (req) => `${ipKeyGenerator(req.ip ?? '')} ${nameKey(nameOf(req))}`),
];

/** From where a PIN is tried: the device that somebody is signed in on, else the address. */
export async function triedFrom(sessions: SessionStore, req: Request): Promise<TriedFrom> {
  const person = await whoIs(sessions, req);
  return { address: ipKeyGenerator(req.ip ?? ''), device: person?.device ?? null };
}

const waitText = (s: number): string => (s < 90 ? `${s} seconds` : `${Math.ceil(s / 60)} minutes`);

/** Why a name and a PIN were not taken, as it is answered. @param wrong what a wrong PIN is called here */
export function notTaken(
  checked: Exclude<Checked, { ok: true }>,
  wrong: ProblemError,
): ProblemError {
  if (checked.why === 'over')
    return new ProblemError(
      403,
      'Time is up',
      'What this account was asked here for is over. The foreman can ask again.',
    );
  if (checked.why !== 'wait')
    return checked.why === 'wrong'
      ? wrong
      : new ProblemError(403, 'Shut out', 'This account is locked. The foreman can open it.');
  return new ProblemError(
    429,
    'Wait a little',
    `Too many wrong PINs for this name. Wait ${waitText(checked.waitS)}, or have the foreman set a new PIN.`,
    undefined,
    { retryAfterS: checked.waitS },
  );
}

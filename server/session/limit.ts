import type { Request, RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { ProblemError } from '../problems.ts';
import type { Checked } from '../store/accounts.ts';

const nameOf = (req: Request): string => {
  const name = (req.body as { name?: unknown } | undefined)?.name;
  return typeof name === 'string' ? name.trim().slice(0, 80) : '';
};

/** Tries at one name's PIN, a minute and address; right ones do not count, and other names are not held up by them. */
export const signInLimit = (tries: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: tries,
    keyGenerator: (req) => `${ipKeyGenerator(req.ip ?? '')} ${nameOf(req)}`,
    standardHeaders: true,
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new ProblemError(429, 'Wait a little', 'Too many tries. Wait a minute and try again.');
    },
  });

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

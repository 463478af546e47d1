import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { ProblemError } from '../problems.ts';

/** Tries at a PIN, a minute and address; right ones do not count. */
export const signInLimit = (tries: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: tries,
    standardHeaders: true,
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: () => {
      throw new ProblemError(429, 'Wait a little', 'Too many tries. Wait a minute and try again.');
    },
  });

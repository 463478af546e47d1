import type { RequestHandler } from 'express';

/** So many sign-ins are under way at once; who comes beyond that comes again in a moment. */
const MOST = 24;
const AGAIN_S = 3;
const BUSY = JSON.stringify({
  type: 'about:blank',
  title: 'Busy',
  status: 503,
  detail: 'Too many are signing in at once. Try again in a moment.',
  retryAfterS: AGAIN_S,
});

/**
 * Stands before everything else that is done for a sign-in: of hundreds at once most are turned away
 * before anything is read, so that whoever is signed in waits behind none of them.
 */
export function turnstile(): RequestHandler {
  let inside = 0;
  return (req, res, next) => {
    if (req.method !== 'POST' || !/^\/api\/session\/*$/i.test(req.path)) {
      next();
      return;
    }
    if (inside >= MOST) {
      res
        .writeHead(503, {
          'Content-Type': 'application/problem+json',
          'Retry-After': String(AGAIN_S),
          Connection: 'close',
        })
        .end(BUSY);
      return;
    }
    inside += 1;
    res.once('close', () => {
      inside -= 1;
    });
    next();
  };
}

/** Waits between tries to send, ms: soon at first, then once in half a minute. */
const BACKOFF_MS = [500, 1000, 2000, 5000, 10_000, 30_000];

/** How long is waited after so many tries, ms. */
export const waitAfter = (tries: number): number =>
  BACKOFF_MS[Math.min(tries, BACKOFF_MS.length - 1)] as number;

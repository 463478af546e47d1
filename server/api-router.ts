import { Router } from 'express';

/**
 * A router of the API. Addresses mind capitals: `/Pours/…` is no other way to `/pours/…`, so what
 * is asked of an address holds for every spelling that is answered.
 */
export const apiRouter = (): Router => Router({ caseSensitive: true });

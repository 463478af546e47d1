import type { Router } from 'express';
import { ROLES, type ConnectAnswer } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { reachOf } from '../listen.ts';
import { rightsOf } from '../session/rights.ts';

/** How another device gets here. */
export function connectRoutes({ sessions, config }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  router.get('/connect', may.self(...ROLES), (_req, res) => {
    const answer: ConnectAnswer = reachOf(config);
    res.json(answer);
  });
  return router;
}

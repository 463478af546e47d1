import type { Router } from 'express';
import { ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { OutlineKeeper } from '../services/lanes.ts';
import { rightsOf } from '../session/rights.ts';

/** What the list of a site's pours is drawn from. */
export function listRoutes(deps: AppDeps): Router {
  const { sessions, sites, lanes, upkeep } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  const outlines = new OutlineKeeper(deps);
  router.get('/sites/:id/lanes', may.site(...ROLES), async (req, res) => {
    const id = String(req.params.id);
    await sites.versionOf(id);
    res.json(await lanes.of(id));
  });
  router.get('/sites/:id/outline', may.site(...ROLES), async (req, res) => {
    res.json(await outlines.of(String(req.params.id)));
  });
  // What of the server itself its foreman has to know.
  router.get('/upkeep', may.house('foreman'), (_req, res) => {
    res.json(upkeep.state());
  });
  return router;
}

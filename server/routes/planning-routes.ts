import type { Router } from 'express';
import { putForecastBody, putResourcesBody, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notFound, parse } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** To learn from closed pours takes no longer than this: what does is stopped, ms. */
const LEARN_LIMIT_MS = 20_000;

/** What there is to plan with: lists, a forecast of one's own, and what closed pours say. */
export function planningRoutes(deps: AppDeps): Router {
  const { sessions, sites, changes, clock, heavy } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);

  router.put('/sites/:id/resources', may.site('foreman'), async (req, res) => {
    const { version, ...lists } = parse(putResourcesBody, req.body, 'What there is to plan with');
    res.json(
      await changes.resources(String(req.params.id), version, lists, {
        by: personOf(req).name,
        at: clock.now().toISOString(),
      }),
    );
  });
  router.put('/sites/:id/forecast', may.site('foreman'), async (req, res) => {
    const id = String(req.params.id);
    const { hours } = parse(putForecastBody, req.body, 'The forecast');
    if (!(await sites.list()).some((s) => s.id === id)) throw notFound(`site ${id}`);
    await deps.forecasts.put(id, hours);
    res.json({ hours: hours.length });
  });
  router.get('/sites/:id/learned', may.site(...ROLES), async (req, res) => {
    const nowMs = clock.now().getTime();
    res.json(await heavy.run('learned', String(req.params.id), LEARN_LIMIT_MS, nowMs));
  });
  return router;
}

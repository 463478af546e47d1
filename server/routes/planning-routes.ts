import type { Router } from 'express';
import { putForecastBody, putResourcesBody, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { replay } from '#core/log';
import { learnedFrom } from '#core/view';
import { calendarOf } from '../exchange/calendar.ts';
import { notFound, parse } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** What there is to plan with: lists, a forecast of one's own, what closed pours say; and the calendar. */
export function planningRoutes(deps: AppDeps): Router {
  const { sessions, sites, changes, clock, events } = deps;
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
    const own = (await sites.pours()).filter((p) => p.siteId === String(req.params.id));
    const logged = await Promise.all(
      own.map(async (p) => ({
        record: await sites.pour(p.id),
        state: replay(await events.after(p.id, 0)),
      })),
    );
    res.json(learnedFrom(logged, clock.now().getTime()));
  });
  router.get('/sites/:id/calendar.ics', may.site(...ROLES), async (req, res) => {
    const id = String(req.params.id);
    const own = (await sites.pours()).filter((p) => p.siteId === id);
    if (!own.length && !(await sites.list()).some((s) => s.id === id)) throw notFound(`site ${id}`);
    const records = await Promise.all(own.map((p) => sites.pour(p.id)));
    res
      .attachment(`${records[0]?.site.name.replace(/[^\w-]+/g, '-') ?? 'site'}.ics`)
      .type('text/calendar')
      .send(calendarOf(records, clock.now().getTime()));
  });
  return router;
}

import type { Router } from 'express';
import { z } from 'zod';
import { clockBody, ROLES, type ClockAnswer } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notFound, parse, ProblemError } from '../problems.ts';
import { weatherAnswer } from '../services/weather.ts';
import { rightsOf } from '../session/rights.ts';

const time = () => z.iso.datetime({ offset: true, error: 'must be a time with its zone' });
const weatherQuery = z
  .object({ from: time(), to: time() })
  .refine((q) => Date.parse(q.to) > Date.parse(q.from), {
    path: ['to'],
    message: 'is not after from',
  })
  .refine((q) => Date.parse(q.to) - Date.parse(q.from) <= 45 * 86_400_000, {
    path: ['to'],
    message: 'is more than 45 days after from',
  });

/** The site clock, and the weather at a site. */
export function clockRoutes(deps: AppDeps): Router {
  const { sessions, sites, clock } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);

  router.get('/sites/:id/weather', may.site(...ROLES), async (req, res) => {
    const q = parse(weatherQuery, req.query, 'The question');
    const site = (await sites.list()).find((s) => s.id === req.params.id);
    if (!site) throw notFound(`site ${String(req.params.id)}`);
    res.json(
      await weatherAnswer(
        deps,
        site,
        Date.parse(q.from),
        Date.parse(q.to),
        deps.clock.now().getTime(),
      ),
    );
  });

  const clockNow = (): ClockAnswer => ({
    now: clock.now().toISOString(),
    settable: clock.settable,
  });
  router.get('/clock', may.self(...ROLES), (_req, res) => {
    res.json(clockNow());
  });
  router.post('/clock', may.house('foreman'), async (req, res) => {
    if (!clock.settable)
      throw new ProblemError(
        403,
        'Not yours to do',
        'The clock can only be put forward in the demo.',
      );
    await clock.advance(parse(clockBody, req.body, 'The clock').advanceMin);
    res.json(clockNow());
  });
  return router;
}

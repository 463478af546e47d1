import type { Request, Router } from 'express';
import { ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { rightsOf } from '../session/rights.ts';
import type { CsvOf } from '../jobs/lists.ts';

/** No list takes so long: what does is stopped, ms. */
const LIST_LIMIT_MS = 20_000;
/** Lists of a pour, by their address, and what their file is called after the pour's code. */
const LISTS: [CsvOf, string][] = [
  ['takeoff', 'take-off'],
  ['rebar', 'bars'],
  ['log', 'log'],
  ['loads', 'loads'],
];
/** A name that every file system takes. */
const fileName = (name: string): string => name.replace(/[^\w-]+/g, '-');

/** Lists, drawings and the calendar, as they leave in open formats. */
export function exchangeRoutes({ sessions, clock, heavy, lanes }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  const nowMs = () => clock.now().getTime();
  const idOf = (req: Request) => String(req.params.id);
  for (const [of, called] of LISTS)
    router.get(`/pours/:id/${of}.csv`, may.pour(...ROLES), async (req, res) => {
      const asked = { pourId: idOf(req), of };
      const { code, text } = await heavy.run('csv', asked, LIST_LIMIT_MS, nowMs());
      res.attachment(`${code}-${called}.csv`).type('text/csv').send(text);
    });
  router.get('/sites/:id/plan.dxf', may.site(...ROLES), async (req, res) => {
    const { name, text } = await heavy.run('dxf', idOf(req), LIST_LIMIT_MS);
    res
      .attachment(`${fileName(name)}.dxf`)
      .type('application/dxf')
      .send(text);
  });
  router.get('/sites/:id/calendar.ics', may.site(...ROLES), async (req, res) => {
    const siteId = idOf(req);
    const plans = (await lanes.whole(siteId)).map(([id, { plan }]): [string, typeof plan] => [
      id,
      plan,
    ]);
    const asked = { siteId, plans };
    const { name, text } = await heavy.run('calendar', asked, LIST_LIMIT_MS, nowMs());
    res
      .attachment(`${fileName(name)}.ics`)
      .type('text/calendar')
      .send(text);
  });
  return router;
}

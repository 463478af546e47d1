import { Router } from 'express';
import { orderBody, putResourcesBody, ROLES } from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { replay } from '#core/log';
import { learnedFrom } from '#core/view';
import { calendarOf } from '../exchange/calendar.ts';
import { notFound, parse } from '../problems.ts';
import { Orders } from '../services/orders.ts';
import { only, personOf } from '../session/session.ts';

/** No card takes so long: what does is stopped, ms. */
const CARD_LIMIT_MS = 30_000;

/** What there is to plan with, the order to the plant, the card and the calendar. */
export function planningRoutes(deps: AppDeps): Router {
  const { sessions, sites, changes, clock, events, heavy } = deps;
  const router = Router();
  const anybody = only(sessions, ROLES);
  const foreman = only(sessions, ['foreman']);
  const orders = new Orders(deps);

  router.put('/sites/:id/resources', foreman, async (req, res) => {
    const { version, ...lists } = parse(putResourcesBody, req.body, 'What there is to plan with');
    res.json(await changes.resources(String(req.params.id), version, lists));
  });
  router.post('/pours/:id/order', foreman, async (req, res) => {
    const asked = parse(orderBody, req.body, 'The order');
    res.json(await orders.tell(String(req.params.id), asked, personOf(req)));
  });
  router.get('/pours/:id/deliveries', anybody, async (req, res) => {
    res.json(await orders.deliveries(String(req.params.id)));
  });
  router.get('/pours/:id/card.pdf', anybody, async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const input = {
      record,
      events: await events.after(record.id, 0),
      nowMs: clock.now().getTime(),
      air: [],
      photos: {},
    };
    const pdf = await heavy.run('card', input, CARD_LIMIT_MS);
    res.attachment(`${record.pour.code}-card.pdf`);
    const disposition = res.get('Content-Disposition') ?? '';
    res
      .set('Content-Disposition', disposition.replace(/^attachment/, 'inline'))
      .type('application/pdf')
      .send(Buffer.from(pdf));
  });
  router.get('/sites/:id/learned', anybody, async (req, res) => {
    const own = (await sites.pours()).filter((p) => p.siteId === String(req.params.id));
    const logged = await Promise.all(
      own.map(async (p) => ({
        record: await sites.pour(p.id),
        state: replay(await events.after(p.id, 0)),
      })),
    );
    res.json(learnedFrom(logged, clock.now().getTime()));
  });
  router.get('/sites/:id/calendar.ics', anybody, async (req, res) => {
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

import type { Router } from 'express';
import { orderBody, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse } from '../problems.ts';
import { Orders } from '../services/orders.ts';
import { sendPdf } from './pdf.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** No card takes so long: what does is stopped, ms. */
const CARD_LIMIT_MS = 30_000;

/** The order to the plant, where its loads are, and the card of the pour. */
export function orderRoutes(deps: AppDeps): Router {
  const { sessions, sites, clock, events, heavy } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  const orders = new Orders(deps);

  router.post('/pours/:id/order', may.pour('foreman'), async (req, res) => {
    const asked = parse(orderBody, req.body, 'The order');
    res.json(await orders.tell(String(req.params.id), asked, personOf(req)));
  });
  router.get('/pours/:id/deliveries', may.pour(...ROLES), async (req, res) => {
    res.json(await orders.deliveries(String(req.params.id)));
  });
  router.get('/pours/:id/card.pdf', may.pour(...ROLES), async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const input = {
      record,
      events: await events.after(record.id, 0),
      nowMs: clock.now().getTime(),
      air: [],
      photos: {},
    };
    const pdf = await heavy.run('card', input, CARD_LIMIT_MS);
    sendPdf(res, `${record.pour.code}-card.pdf`, pdf);
  });
  return router;
}

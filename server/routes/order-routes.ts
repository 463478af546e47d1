import type { Router } from 'express';
import { orderBody, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse } from '../problems.ts';
import { Orders } from '../services/orders.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** The order to the plant, and where its loads are. */
export function orderRoutes(deps: AppDeps): Router {
  const { sessions } = deps;
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
  return router;
}

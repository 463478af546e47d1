import type { Router } from 'express';
import { ROLES } from '../../contract/index.ts';
import { rebarTable, takeoffTable } from '#core/exchange';
import { replay } from '#core/log';
import { loadTable, logTable, mixNamed, viewOf } from '#core/view';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { csvOf } from '../exchange/csv.ts';
import { planDxf } from '../exchange/dxf.ts';
import { notFound } from '../problems.ts';
import { rightsOf } from '../session/rights.ts';

/** Lists and drawings that leave in open formats. */
export function exchangeRoutes({ sessions, sites, events, clock }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  router.get('/pours/:id/takeoff.csv', may.pour(...ROLES), async (req, res) => {
    const { site, pour } = await sites.pour(String(req.params.id));
    res
      .attachment(`${pour.code}-take-off.csv`)
      .type('text/csv')
      .send(csvOf(takeoffTable({ site, pour })));
  });
  router.get('/pours/:id/rebar.csv', may.pour(...ROLES), async (req, res) => {
    const { site, pour } = await sites.pour(String(req.params.id));
    res
      .attachment(`${pour.code}-bars.csv`)
      .type('text/csv')
      .send(csvOf(rebarTable({ site, pour }, mixNamed(site, pour.mix)?.cylinderMPa ?? 25)));
  });
  router.get('/pours/:id/log.csv', may.pour(...ROLES), async (req, res) => {
    const { id, site, pour } = await sites.pour(String(req.params.id));
    const state = replay(await events.after(id, 0));
    res
      .attachment(`${pour.code}-log.csv`)
      .type('text/csv')
      .send(csvOf(logTable(state, site)));
  });
  router.get('/pours/:id/loads.csv', may.pour(...ROLES), async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const state = replay(await events.after(record.id, 0));
    const view = viewOf(record, state, clock.now().getTime());
    if (!view) throw notFound(`mix or plant of pour ${record.id}`);
    res
      .attachment(`${record.pour.code}-loads.csv`)
      .type('text/csv')
      .send(csvOf(loadTable(view, record.site)));
  });
  router.get('/sites/:id/plan.dxf', may.site(...ROLES), async (req, res) => {
    const site = await sites.export(String(req.params.id));
    res
      .attachment(`${site.name.replace(/[^\w-]+/g, '-')}.dxf`)
      .type('application/dxf')
      .send(planDxf(site));
  });
  return router;
}

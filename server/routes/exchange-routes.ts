import { Router } from 'express';
import { z } from 'zod';
import { ROLES, type LaserAnswer, type ProbeAnswer } from '../../contract/index.ts';
import { rebarTable, takeoffTable } from '#core/exchange';
import { replay } from '#core/log';
import { loadTable, logTable, mixNamed, viewOf } from '#core/view';
import type { AppDeps } from '../deps.ts';
import { csvOf } from '../exchange/csv.ts';
import { planDxf } from '../exchange/dxf.ts';
import { notFound, parse } from '../problems.ts';
import { only } from '../session/session.ts';
import { probeC } from '../standins/probe.ts';
import { laserRod } from '../standins/laser.ts';

const laserQuery = z.object({
  setup: z.coerce
    .number({ error: 'must be a number' })
    .int('must be a whole number')
    .gte(1, 'must be 1 or more')
    .lte(1000),
  point: z.string().min(1, 'is missing').max(120),
  sight: z.coerce
    .number({ error: 'must be a number' })
    .gte(-10_000, 'is out of reach')
    .lte(10_000, 'is out of reach')
    .optional(),
});

const HOUR_MS = 3_600_000;

/** Lists and drawings that leave in open formats, and what the demo's laser and probe read. */
export function exchangeRoutes({
  sessions,
  sites,
  events,
  clock,
  weather,
  config,
}: AppDeps): Router {
  const router = Router();
  const anybody = only(sessions, ROLES);
  router.get('/pours/:id/takeoff.csv', anybody, async (req, res) => {
    const { site, pour } = await sites.pour(String(req.params.id));
    res
      .attachment(`${pour.code}-take-off.csv`)
      .type('text/csv')
      .send(csvOf(takeoffTable({ site, pour })));
  });
  router.get('/pours/:id/rebar.csv', anybody, async (req, res) => {
    const { site, pour } = await sites.pour(String(req.params.id));
    res
      .attachment(`${pour.code}-bars.csv`)
      .type('text/csv')
      .send(csvOf(rebarTable({ site, pour }, mixNamed(site, pour.mix)?.fcMPa ?? 25)));
  });
  router.get('/pours/:id/log.csv', anybody, async (req, res) => {
    const { id, site, pour } = await sites.pour(String(req.params.id));
    const state = replay(await events.after(id, 0));
    res
      .attachment(`${pour.code}-log.csv`)
      .type('text/csv')
      .send(csvOf(logTable(state, site.units)));
  });
  router.get('/pours/:id/loads.csv', anybody, async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const state = replay(await events.after(record.id, 0));
    const view = viewOf(record, state, clock.now().getTime());
    if (!view) throw notFound(`mix or plant of pour ${record.id}`);
    res
      .attachment(`${record.pour.code}-loads.csv`)
      .type('text/csv')
      .send(csvOf(loadTable(view, record.site.units)));
  });
  router.get('/sites/:id/plan.dxf', anybody, async (req, res) => {
    const site = await sites.export(String(req.params.id));
    res
      .attachment(`${site.name.replace(/[^\w-]+/g, '-')}.dxf`)
      .type('application/dxf')
      .send(planDxf(site));
  });
  router.get('/pours/:id/laser', anybody, async (req, res) => {
    if (!config.demo) throw notFound('laser here: it is a stand-in of the demo');
    const { setup, point, sight } = parse(laserQuery, req.query, 'The question');
    const { site, pour } = await sites.pour(String(req.params.id));
    const rodM = laserRod(site, pour, setup, point, sight);
    if (rodM === null) throw notFound(`point ${point} to hold the rod on`);
    const answer: LaserAnswer = { rodM };
    res.json(answer);
  });
  router.get('/pours/:id/probe', anybody, async (req, res) => {
    if (!config.demo) throw notFound('probe here: it is a stand-in of the demo');
    const record = await sites.pour(String(req.params.id));
    const now = clock.now().getTime();
    const view = viewOf(record, replay(await events.after(record.id, 0)), now);
    if (!view) throw notFound(`mix or plant of pour ${record.id}`);
    const { startedMs, concreteTempC } = view.progress;
    const hour = weather.hours(record.site, now, now + HOUR_MS, now)?.[0];
    const answer: ProbeAnswer = {
      where: 'the probe in the middle',
      tempC:
        Math.round(
          10 *
            probeC(
              {
                placedC: concreteTempC,
                airC: hour?.airTempC ?? record.pour.stripping.expectedTempC,
                hours: startedMs === null ? -1 : (now - startedMs) / HOUR_MS,
              },
              view.mix,
            ),
        ) / 10,
    };
    res.json(answer);
  });
  return router;
}

import type { Router } from 'express';
import { z } from 'zod';
import { ROLES, type LaserAnswer, type ProbeAnswer } from '../../contract/index.ts';
import { replay } from '#core/log';
import { viewOf } from '#core/view';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notFound, parse } from '../problems.ts';
import { rightsOf } from '../session/rights.ts';
import { laserRod } from '../standins/laser.ts';
import { probeC } from '../standins/probe.ts';

const HOUR_MS = 3_600_000;
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

/** What the demo's laser and probe read. */
export function standInRoutes({
  sessions,
  sites,
  events,
  clock,
  weather,
  config,
}: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  router.get('/pours/:id/laser', may.pour(...ROLES), async (req, res) => {
    if (!config.demo) throw notFound('laser here: it is a stand-in of the demo');
    const { setup, point, sight } = parse(laserQuery, req.query, 'The question');
    const { site, pour } = await sites.pour(String(req.params.id));
    const rodM = laserRod(site, pour, setup, point, sight);
    if (rodM === null) throw notFound(`point ${point} to hold the rod on`);
    const answer: LaserAnswer = { rodM };
    res.json(answer);
  });
  router.get('/pours/:id/probe', may.pour(...ROLES), async (req, res) => {
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

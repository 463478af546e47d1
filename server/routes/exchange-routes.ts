import { Router } from 'express';
import Papa from 'papaparse';
import { z } from 'zod';
import { ROLES, type LaserAnswer } from '../../contract/index.ts';
import { rebarTable, type Table, takeoffTable } from '#core/exchange';
import { mixNamed } from '#core/view';
import type { AppDeps } from '../deps.ts';
import { planDxf } from '../exchange/dxf.ts';
import { notFound, parse } from '../problems.ts';
import { only } from '../session/session.ts';
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

/** Cells that a spreadsheet would take for a formula are text: names come from people. */
const csvOf = ({ head, rows }: Table): string =>
  // With a byte-order mark a spreadsheet knows that feet, fractions and accents are UTF-8.
  `\uFEFF${Papa.unparse({ fields: head, data: rows }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;

/** Lists and drawings that leave in open formats, and the demo's laser. */
export function exchangeRoutes({ sessions, sites, config }: AppDeps): Router {
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
  return router;
}

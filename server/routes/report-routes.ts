import type { Router } from 'express';
import { figuresQuery, ROLES } from '../../contract/index.ts';
import { replay, stateAt } from '#core/log';
import { figuresOf } from '#core/view';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notFound, parse } from '../problems.ts';
import type { ReportInput } from '../report/context.ts';
import { curingAir } from '../services/weather.ts';
import { sendPdf } from './pdf.ts';
import { rightsOf } from '../session/rights.ts';

/** No report takes so long: what does is stopped, ms. */
const REPORT_LIMIT_MS = 60_000;

/** The report of a pour, and its figures at a moment. */
export function reportRoutes(deps: AppDeps): Router {
  const { sessions, sites, events, photos, underlays, clock, heavy } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  router.get('/pours/:id/report.pdf', may.pour(...ROLES), async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const log = await events.after(record.id, 0);
    const nowMs = clock.now().getTime();
    const input: ReportInput = {
      record,
      events: log,
      nowMs,
      under: await underlays.onReport(record.siteId),
      air: await curingAir(deps, record, replay(log), nowMs),
      photos: await photos.smallOnes(
        record.id,
        log.flatMap((e) => (e.kind === 'photo' ? [e.body.photoId] : [])),
      ),
    };
    const pdf = await heavy.run('report', input, REPORT_LIMIT_MS);
    sendPdf(res, `${record.pour.code}-report.pdf`, pdf);
  });
  router.get('/pours/:id/figures', may.pour(...ROLES), async (req, res) => {
    const { at } = parse(figuresQuery, req.query, 'The question');
    const record = await sites.pour(String(req.params.id));
    if (record.faults?.length)
      throw notFound(`drawing of pour ${record.id} that can be worked out`);
    const nowMs = at === undefined ? clock.now().getTime() : Date.parse(at);
    const whole = replay(await events.after(record.id, 0));
    const state = at === undefined ? whole : stateAt(whole, nowMs);
    const figures = figuresOf(record, state, nowMs, await curingAir(deps, record, state, nowMs));
    if (!figures) throw notFound(`mix or plant of pour ${record.id}`);
    res.json(figures);
  });
  return router;
}

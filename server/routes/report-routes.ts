import type { Router } from 'express';
import { ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import type { ReportInput } from '../report/context.ts';
import { sendPdf } from './pdf.ts';
import { only } from '../session/session.ts';

/** A report reckons curing with the air of so long ahead, and of so long back at most, ms. */
const REPORT_AIR_MS = 14 * 86_400_000;
const REPORT_AIR_BACK_MS = 60 * 86_400_000;

/** No report takes so long: what does is stopped, ms. */
const REPORT_LIMIT_MS = 60_000;

/** The report of a pour. */
export function reportRoutes({
  sessions,
  sites,
  events,
  photos,
  underlays,
  clock,
  weather,
  heavy,
}: AppDeps): Router {
  const router = apiRouter();
  router.get('/pours/:id/report.pdf', only(sessions, ROLES), async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const log = await events.after(record.id, 0);
    const nowMs = clock.now().getTime();
    const placed = log.find((e) => e.kind === 'place-start');
    const placedMs = placed ? Math.max(Date.parse(placed.at), nowMs - REPORT_AIR_BACK_MS) : nowMs;
    const input: ReportInput = {
      record,
      events: log,
      nowMs,
      under: await underlays.onReport(record.siteId),
      air: weather.hours(record.site, placedMs, nowMs + REPORT_AIR_MS, nowMs) ?? [],
      photos: await photos.smallOnes(
        record.id,
        log.flatMap((e) => (e.kind === 'photo' ? [e.body.photoId] : [])),
      ),
    };
    const pdf = await heavy.run('report', input, REPORT_LIMIT_MS);
    sendPdf(res, `${record.pour.code}-report.pdf`, pdf);
  });
  return router;
}

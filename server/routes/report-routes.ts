import type { Router } from 'express';
import { figuresQuery, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse } from '../problems.ts';
import { sendPdf } from './pdf.ts';
import { rightsOf } from '../session/rights.ts';

/** Nothing of these takes so long: what does is stopped, ms. */
const LIMIT_MS = { report: 60_000, card: 30_000, figures: 20_000 };

/** The report of a pour, its card, and its figures at a moment. */
export function reportRoutes({ sessions, sites, clock, heavy }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  const nowMs = () => clock.now().getTime();
  for (const paper of ['report', 'card'] as const)
    router.get(`/pours/:id/${paper}.pdf`, may.pour(...ROLES), async (req, res) => {
      const id = String(req.params.id);
      const code = await sites.codeOf(id);
      const pdf = await heavy.run(paper, id, LIMIT_MS[paper], nowMs());
      sendPdf(res, `${code}-${paper}.pdf`, pdf);
    });
  router.get('/pours/:id/figures', may.pour(...ROLES), async (req, res) => {
    const { at } = parse(figuresQuery, req.query, 'The question');
    const asked = {
      pourId: String(req.params.id),
      atMs: at === undefined ? null : Date.parse(at),
    };
    res.json(await heavy.run('figures', asked, LIMIT_MS.figures, nowMs()));
  });
  return router;
}

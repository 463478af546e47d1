import express, { type Router } from 'express';
import { placementSchema, ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { PHOTO_LIMIT_BYTES } from '../photos/reencode.ts';
import { parse, ProblemError } from '../problems.ts';
import { rightsOf } from '../session/rights.ts';

/** As a picture comes: a dot a centimetre, its corner at the origin, until somebody says what it measures. */
const FIRST = { xM: 0, yM: 0, mPerPx: 0.01, turnDeg: 0, shown: true, onReport: false };

/** The picture under a site's plan. Its bytes come before the parser of JSON. */
export function underlayRoutes({ sessions, underlays }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  const raw = express.raw({ type: () => true, limit: PHOTO_LIMIT_BYTES });

  router.get('/sites/:id/underlay', may.site(...ROLES), async (req, res) => {
    res.json(await underlays.of(String(req.params.id)));
  });
  router.post('/sites/:id/underlay', may.site('foreman'), raw, async (req, res) => {
    const bytes: unknown = req.body;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0)
      throw new ProblemError(400, 'Bad input', 'The drawing was not stored: nothing was sent.', [
        { path: '', message: 'is empty' },
      ]);
    res.status(201).json(await underlays.put(String(req.params.id), bytes, FIRST));
  });
  router.put(
    '/sites/:id/underlay',
    may.site('foreman'),
    express.json({ limit: '20kb' }),
    async (req, res) => {
      const placement = parse(placementSchema, req.body, 'The place of the drawing');
      res.json(await underlays.place(String(req.params.id), placement));
    },
  );
  router.delete('/sites/:id/underlay', may.site('foreman'), async (req, res) => {
    await underlays.remove(String(req.params.id));
    res.status(204).end();
  });
  router.get('/sites/:id/underlay/:picture', may.site(...ROLES), async (req, res) => {
    const bytes = await underlays.picture(String(req.params.id), String(req.params.picture));
    // Whoever has signed out is not shown it again: the browser asks each time, and is told when it
    // has it still.
    res.set('Cache-Control', 'private, no-cache').type('image/jpeg').send(bytes);
  });
  return router;
}

import express, { type Router } from 'express';
import { z } from 'zod';
import { oneLine } from '#core/kit';
import { ROLES } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { PHOTO_LIMIT_BYTES } from '../photos/reencode.ts';
import { notFound, parse, ProblemError } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';
import { cameraShot } from '../standins/camera.ts';

const idOf = z.uuid({ error: 'must be a UUID' });
const shot = z.object({
  n: z.coerce.number().int('must be a whole number').gte(0).lte(1_000_000).default(0),
  label: oneLine().max(60, 'is longer than 60 characters').default(''),
});

/** Pictures: sent as they come off the camera, answered re-encoded. */
export function photoRoutes({ sessions, photos, config }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  router.put(
    '/pours/:id/photos/:photoId',
    may.pour('foreman', 'crew', 'inspector'),
    express.raw({ type: () => true, limit: PHOTO_LIMIT_BYTES }),
    async (req, res) => {
      const photoId = parse(idOf, req.params.photoId, 'The photo');
      const bytes: unknown = req.body;
      if (!Buffer.isBuffer(bytes) || bytes.length === 0)
        throw new ProblemError(400, 'Bad input', 'The photo was not stored: nothing was sent.', [
          { path: '', message: 'is empty' },
        ]);
      res
        .status(201)
        .json(
          await photos.put(
            String(req.params.id),
            photoId,
            bytes,
            req.query.position === 'keep',
            personOf(req).name,
          ),
        );
    },
  );
  router.get('/pours/:id/photos/:photoId', may.pour(...ROLES), async (req, res) => {
    const bytes = await photos.read(
      String(req.params.id),
      parse(idOf, req.params.photoId, 'The photo'),
      req.query.size === 'small',
    );
    // Whoever has signed out is not shown it again: the browser asks each time, and is told when it
    // has it still.
    res.set('Cache-Control', 'private, no-cache').type('image/jpeg').send(bytes);
  });
  // The demo's stand-in for a camera: a laptop in the trailer has none.
  router.get('/standins/camera', may.self('foreman', 'crew', 'inspector'), async (req, res) => {
    if (!config.demo) throw notFound('camera here: it is a stand-in of the demo');
    const { n, label } = parse(shot, req.query, 'The shot');
    res.type('image/jpeg').send(await cameraShot(n, label));
  });
  return router;
}

import type { Router } from 'express';
import { z } from 'zod';
import {
  newPourBody,
  putHeadBody,
  putPourBody,
  readSiteFile,
  ROLES,
  splitPourBody,
} from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notFound, notStored, parse } from '../problems.ts';
import { madeUpSite } from '../services/made-up.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

const idOf = z.uuid({ error: 'must be a UUID' });

/** How sites and pours begin, what they are, and how they end: the foreman's. */
export function beginRoutes(deps: AppDeps): Router {
  const { sessions, life, clock } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  const by = (req: Parameters<typeof personOf>[0]) => ({
    by: personOf(req).name,
    at: clock.now().toISOString(),
  });

  router.get('/sites/:id', may.site(...ROLES), async (req, res) => {
    res.json(await life.site(String(req.params.id)));
  });
  router.post('/sites/made-up', may.house('foreman'), async (_req, res) => {
    res.status(201).json(await madeUpSite(deps));
  });
  router.put('/sites/:id', may.house('foreman'), async (req, res) => {
    const id = parse(idOf, req.params.id, 'The site');
    const { file, issues } = readSiteFile(req.body);
    if (!file) throw notStored('The site', issues);
    const { madeUp: _never, ...site } = file;
    res.status(201).json(await life.create(id, site));
  });
  router.put('/sites/:id/head', may.site('foreman'), async (req, res) => {
    const { version, ...head } = parse(putHeadBody, req.body, 'The site');
    const given = Object.fromEntries(Object.entries(head).filter(([, v]) => v !== undefined));
    res.json(await life.head(String(req.params.id), version, given));
  });
  router.delete('/sites/:id', may.house('foreman'), async (req, res) => {
    await life.remove(String(req.params.id));
    res.status(204).end();
  });

  router.put('/pours/:id', may.self('foreman'), async (req, res) => {
    const id = parse(idOf, req.params.id, 'The pour');
    const { siteId, pour } = parse(newPourBody, req.body, 'The pour');
    const { invited } = personOf(req);
    if (invited?.site && invited.site !== siteId) throw notFound(`site ${siteId}`);
    res.status(201).json(await life.createPour(id, siteId, pour));
  });
  router.put('/pours/:id/doc', may.pour('foreman'), async (req, res) => {
    const { version, pour } = parse(putPourBody, req.body, 'The pour');
    res.json(await life.changePour(String(req.params.id), version, pour, by(req)));
  });
  router.post('/pours/:id/split', may.pour('foreman'), async (req, res) => {
    const { version, id, code, element, atM } = parse(splitPourBody, req.body, 'The cut');
    const cut = { element, ...(atM === undefined ? {} : { atM }) };
    res
      .status(201)
      .json(await life.split(String(req.params.id), version, cut, { id, code }, by(req)));
  });
  router.delete('/pours/:id', may.pour('foreman'), async (req, res) => {
    await life.removePour(String(req.params.id));
    res.status(204).end();
  });
  return router;
}

import type { Router } from 'express';
import {
  putPlanBody,
  putRuleBody,
  putSettingsBody,
  ROLES,
  readSiteFile,
} from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { notStored, parse } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** Sites, pours and their plan. */
export function siteRoutes({ sessions, sites, changes, clock }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);

  router.get('/sites', may.self(...ROLES), async (req, res) => {
    const only = personOf(req).invited?.site;
    res.json((await sites.list()).filter((s) => !only || s.id === only));
  });
  router.post('/sites/import', may.house('foreman'), async (req, res) => {
    const { file, issues, warnings } = readSiteFile(req.body);
    if (!file) throw notStored('The site file', issues);
    const { madeUp: _never, ...site } = file;
    res.status(201).json({ ...(await sites.import(site)), warnings: warnings.slice(0, 200) });
  });
  router.get('/sites/:id/export', may.site(...ROLES), async (req, res) => {
    const file = await sites.export(String(req.params.id));
    res
      .attachment(`${file.name.replace(/[^\w-]+/g, '-')}.jactum.json`)
      .type('application/json')
      .send(`${JSON.stringify(file, null, 1)}\n`);
  });
  router.put('/sites/:id/rules', may.site('foreman'), async (req, res) => {
    const { version, rule, value, reason } = parse(putRuleBody, req.body, 'The rule');
    res.json(
      await changes.rule(String(req.params.id), version, {
        rule,
        value,
        by: personOf(req).name,
        at: clock.now().toISOString(),
        ...(reason ? { reason } : {}),
      }),
    );
  });

  router.put('/sites/:id/plan', may.site('foreman'), async (req, res) => {
    const { version, plan } = parse(putPlanBody, req.body, 'The plan');
    res.json(
      await changes.plan(String(req.params.id), version, plan, {
        by: personOf(req).name,
        at: clock.now().toISOString(),
      }),
    );
  });

  router.get('/pours', may.self(...ROLES), async (req, res) => {
    const only = personOf(req).invited?.site;
    res.json((await sites.pours()).filter((p) => !only || p.siteId === only));
  });
  router.get('/pours/:id', may.pour(...ROLES), async (req, res) => {
    res.json(await sites.pour(String(req.params.id)));
  });
  router.put('/pours/:id/settings', may.pour('foreman'), async (req, res) => {
    const { version, settings, date } = parse(putSettingsBody, req.body, 'The plan');
    res.json(await changes.settings(String(req.params.id), version, settings, date));
  });

  return router;
}

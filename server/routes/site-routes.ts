import { Router } from 'express';
import {
  clockBody,
  putPlanBody,
  putRuleBody,
  putSettingsBody,
  ROLES,
  readSiteFile,
  type ClockAnswer,
  type WeatherAnswer,
} from '../../contract/index.ts';
import { z } from 'zod';
import type { AppDeps } from '../deps.ts';
import { notStored, parse, ProblemError } from '../problems.ts';
import { only, personOf } from '../session/session.ts';

const time = () => z.iso.datetime({ offset: true, error: 'must be a time with its zone' });
const weatherQuery = z
  .object({ from: time(), to: time() })
  .refine((q) => Date.parse(q.to) > Date.parse(q.from), {
    path: ['to'],
    message: 'is not after from',
  })
  .refine((q) => Date.parse(q.to) - Date.parse(q.from) <= 45 * 86_400_000, {
    path: ['to'],
    message: 'is more than 45 days after from',
  });

/** Sites, pours, their plan, the site clock and the weather. */
export function siteRoutes({ accounts, sites, clock, weather }: AppDeps): Router {
  const router = Router();
  const anybody = only(accounts, ROLES);
  const foreman = only(accounts, ['foreman']);

  router.get('/sites', anybody, async (_req, res) => {
    res.json(await sites.list());
  });
  router.post('/sites/import', foreman, async (req, res) => {
    const { file, issues, warnings } = readSiteFile(req.body);
    if (!file) throw notStored('The site file', issues);
    res.status(201).json({ ...(await sites.import(file)), warnings: warnings.slice(0, 200) });
  });
  router.get('/sites/:id/export', anybody, async (req, res) => {
    const file = await sites.export(String(req.params.id));
    res
      .attachment(`${file.name.replace(/[^\w-]+/g, '-')}.jactum.json`)
      .type('application/json')
      .send(`${JSON.stringify(file, null, 1)}\n`);
  });
  router.get('/sites/:id/weather', anybody, async (req, res) => {
    const q = parse(weatherQuery, req.query, 'The question');
    const site = (await sites.list()).find((s) => s.id === req.params.id);
    if (!site) throw new ProblemError(404, 'Not found', 'There is no such site.');
    const hours = weather.hours(site, Date.parse(q.from), Date.parse(q.to));
    const answer: WeatherAnswer = hours
      ? { source: 'simulated', hours }
      : { source: 'none', hours: [] };
    res.json(answer);
  });

  router.put('/sites/:id/rules', foreman, async (req, res) => {
    const { version, rule, value, reason } = parse(putRuleBody, req.body, 'The rule');
    res.json(
      await sites.changeRule(String(req.params.id), version, {
        rule,
        value,
        by: personOf(req).name,
        at: clock.now().toISOString(),
        ...(reason ? { reason } : {}),
      }),
    );
  });

  router.put('/sites/:id/plan', foreman, async (req, res) => {
    const { version, plan } = parse(putPlanBody, req.body, 'The plan');
    res.json(
      await sites.changePlan(String(req.params.id), version, plan, {
        by: personOf(req).name,
        at: clock.now().toISOString(),
      }),
    );
  });

  router.get('/pours', anybody, async (_req, res) => {
    res.json(await sites.pours());
  });
  router.get('/pours/:id', anybody, async (req, res) => {
    res.json(await sites.pour(String(req.params.id)));
  });
  router.put('/pours/:id/settings', foreman, async (req, res) => {
    const { version, settings } = parse(putSettingsBody, req.body, 'The plan');
    res.json(await sites.putSettings(String(req.params.id), version, settings));
  });

  const clockNow = (): ClockAnswer => ({
    now: clock.now().toISOString(),
    settable: clock.settable,
  });
  router.get('/clock', anybody, (_req, res) => {
    res.json(clockNow());
  });
  router.post('/clock', foreman, async (req, res) => {
    if (!clock.settable)
      throw new ProblemError(
        403,
        'Not yours to do',
        'The clock can only be put forward in the demo.',
      );
    await clock.advance(parse(clockBody, req.body, 'The clock').advanceMin);
    res.json(clockNow());
  });
  return router;
}

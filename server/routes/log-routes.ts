import { Router } from 'express';
import { eventsQuery, postEventsBody, ROLES } from '../../contract/index.ts';
import { deviceNoted } from '#core/log';
import type { AppDeps } from '../deps.ts';
import { admit } from '../log/admit.ts';
import { exportLines } from '../log/chain.ts';
import { checkPlans } from '../log/signed-plans.ts';
import { checkWorked } from '../log/worked.ts';
import { parse, ProblemError } from '../problems.ts';
import { only, personOf } from '../session/session.ts';

/** The log of a pour: writing, reading, exporting. */
export function logRoutes({ sessions, sites, events, clock, heavy }: AppDeps): Router {
  const router = Router();
  const anybody = only(sessions, ROLES);

  router.post(
    '/pours/:id/events',
    only(sessions, ['foreman', 'crew', 'inspector']),
    async (req, res) => {
      const { events: batch, by, sentAt } = parse(postEventsBody, req.body, 'The entry');
      const person = personOf(req);
      if (by !== undefined && by !== person.name)
        throw new ProblemError(
          401,
          'Sign in',
          `These entries are ${by}'s, and ${person.name} is signed in: they wait for ${by}.`,
        );
      await admit(person, batch, events.known(String(req.params.id)), clock.now().getTime());
      await checkWorked(heavy, batch);
      await checkPlans(sites, String(req.params.id), batch);
      res.json(
        await events.append(String(req.params.id), batch, {
          actor: person.name,
          // By the machine's clock, which the device's is held against: the demo's site clock is another.
          device: deviceNoted(person.device, sentAt ? Date.parse(sentAt) : null, Date.now()),
        }),
      );
    },
  );

  router.get('/pours/:id/events', anybody, async (req, res) => {
    const { after } = parse(eventsQuery, req.query, 'The question');
    await sites.codeOf(String(req.params.id));
    res.json(await events.after(String(req.params.id), after));
  });

  router.get('/pours/:id/log.jsonl', anybody, async (req, res) => {
    const code = await sites.codeOf(String(req.params.id));
    const rows = await events.after(String(req.params.id), 0);
    res
      .attachment(`${code}-log.jsonl`)
      .type('application/x-ndjson')
      .send(
        exportLines(
          rows.map((r) => ({ ...r, supersedes: r.supersedes ?? null })),
          await events.count(String(req.params.id)),
        )
          .map((l) => `${l}\n`)
          .join(''),
      );
  });

  return router;
}

import type { Router } from 'express';
import { eventsQuery, postEventsBody, ROLES, type VerifyAnswer } from '../../contract/index.ts';
import { deviceNoted } from '#core/log';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { admit } from '../log/admit.ts';
import { refuseClosed } from '../log/standing.ts';
import { exportLines, verifyExport } from '../log/chain.ts';
import { checkPlans } from '../log/signed-plans.ts';
import { checkWorked } from '../log/worked.ts';
import { parse, ProblemError } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** The log of a pour: writing, reading, exporting. */
export function logRoutes({ sessions, sites, events, clock, heavy }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);

  router.post('/pours/:id/events', may.pour('foreman', 'crew', 'inspector'), async (req, res) => {
    const { events: batch, by, sentAt } = parse(postEventsBody, req.body, 'The entry');
    const person = personOf(req);
    if (by !== undefined && by !== person.name)
      throw new ProblemError(
        401,
        'Sign in',
        `These entries are ${by}'s, and ${person.name} is signed in: they wait for ${by}.`,
      );
    await refuseClosed(sites, String(req.params.id));
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
  });

  router.get('/pours/:id/events', may.pour(...ROLES), async (req, res) => {
    const { after } = parse(eventsQuery, req.query, 'The question');
    await sites.codeOf(String(req.params.id));
    res.json(await events.after(String(req.params.id), after));
  });

  /** The log as it leaves: a line an entry, and the line that closes it. */
  const exported = async (id: string): Promise<string[]> => {
    const rows = await events.after(id, 0);
    return exportLines(
      rows.map((r) => ({ ...r, supersedes: r.supersedes ?? null })),
      await events.count(id),
      await events.plansOf(rows),
    );
  };
  router.get('/pours/:id/log.jsonl', may.pour(...ROLES), async (req, res) => {
    const id = String(req.params.id);
    const code = await sites.codeOf(id);
    const text = (await exported(id)).map((l) => `${l}\n`).join('');
    res.attachment(`${code}-log.jsonl`).type('application/x-ndjson').send(text);
  });
  // The chain gone through line by line, as anybody could go through the export.
  router.get('/pours/:id/verify', may.pour(...ROLES), async (req, res) => {
    const id = String(req.params.id);
    await sites.codeOf(id);
    res.json(verifyExport(await exported(id)) satisfies VerifyAnswer);
  });

  return router;
}

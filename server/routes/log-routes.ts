import { Router } from 'express';
import { v7 as uuid } from 'uuid';
import {
  eventsQuery,
  handedSignBody,
  takeBackSignBody,
  newEventSchema,
  postEventsBody,
  ROLES,
  type NewEvent,
  type StoredEvent,
} from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { parse, ProblemError } from '../problems.ts';
import { renderReport } from '../report/render.ts';
import { admit } from '../log/admit.ts';
import { exportLines } from '../log/chain.ts';
import { only, personOf } from '../session/session.ts';
import { signInLimit } from '../session/limit.ts';
import type { SiteStore } from '../store/sites.ts';

/** Comment lines keep proxies and sleeping phones from dropping a quiet stream. */
const HEARTBEAT_MS = 15_000;

/** A report reckons curing with the air of so long ahead, and of so long back at most, ms. */
const REPORT_AIR_MS = 14 * 86_400_000;
const REPORT_AIR_BACK_MS = 60 * 86_400_000;

/** Nobody signs for a plan that is not there yet: it would keep the signature shut against the changes to come. */
async function checkPlans(sites: SiteStore, pourId: string, events: NewEvent[]): Promise<void> {
  if (!events.some((e) => e.kind === 'sign')) return;
  const { siteVersion } = await sites.pour(pourId);
  events.forEach((e, k) => {
    if (e.kind === 'sign' && e.body.planVersion > siteVersion)
      throw new ProblemError(
        400,
        'Bad input',
        `The sign-off was not stored: it is for plan ${e.body.planVersion}, and the plan is ${siteVersion}.`,
        [
          {
            path: `events.${k}.body.planVersion`,
            message: `is above the plan's version, ${siteVersion}`,
          },
        ],
      );
  });
}

/** The log of a pour: writing, reading, listening, exporting, and the report made of it. */
export function logRoutes({
  accounts,
  sites,
  events,
  photos,
  clock,
  weather,
  config,
}: AppDeps): Router {
  const router = Router();
  const signLimit = signInLimit(config.signInLimit);
  const anybody = only(accounts, ROLES);

  router.post(
    '/pours/:id/events',
    only(accounts, ['foreman', 'crew', 'inspector']),
    async (req, res) => {
      const { events: batch, by } = parse(postEventsBody, req.body, 'The entry');
      const person = personOf(req);
      if (by !== undefined && by !== person.name)
        throw new ProblemError(
          401,
          'Sign in',
          `These entries are ${by}'s, and ${person.name} is signed in: they wait for ${by}.`,
        );
      await admit(person, batch, events.known(String(req.params.id)));
      await checkPlans(sites, String(req.params.id), batch);
      res.json(
        await events.append(String(req.params.id), batch, {
          actor: person.name,
          device: person.device,
        }),
      );
    },
  );

  // An inspector signs on the foreman's tablet with their own PIN; the foreman stays signed in.
  router.post(
    '/pours/:id/sign',
    signLimit,
    only(accounts, ['foreman', 'inspector']),
    async (req, res) => {
      const { name, pin, at, body } = parse(handedSignBody, req.body, 'The sign-off');
      const signer = await accounts.check(name, pin);
      if (!signer)
        throw new ProblemError(401, 'Not signed', 'Name or PIN is not right.', [
          { path: 'pin', message: 'is not right' },
        ]);
      const event = parse(newEventSchema, { id: uuid(), at, kind: 'sign', body }, 'The sign-off');
      await admit(signer, [event], events.known(String(req.params.id)));
      await checkPlans(sites, String(req.params.id), [event]);
      res.json(
        await events.append(String(req.params.id), [event], {
          actor: signer.name,
          device: personOf(req).device,
        }),
      );
    },
  );

  // A sign-off is taken back by whoever may, with their own PIN, on whichever tablet.
  router.post(
    '/pours/:id/unsign',
    signLimit,
    only(accounts, ['foreman', 'inspector']),
    async (req, res) => {
      const pourId = String(req.params.id);
      const { name, pin, at, entry, reason } = parse(takeBackSignBody, req.body, 'The request');
      const signer = await accounts.check(name, pin);
      if (!signer)
        throw new ProblemError(401, 'Not taken back', 'Name or PIN is not right.', [
          { path: 'pin', message: 'is not right' },
        ]);
      const event = parse(
        newEventSchema,
        { id: uuid(), at, kind: 'supersede', body: reason ? { reason } : {}, supersedes: entry },
        'The request',
      );
      await admit(signer, [event], events.known(pourId), { pinGiven: true });
      res.json(
        await events.append(pourId, [event], { actor: signer.name, device: personOf(req).device }),
      );
    },
  );

  router.get('/pours/:id/events', anybody, async (req, res) => {
    const { after } = parse(eventsQuery, req.query, 'The question');
    await sites.pour(String(req.params.id));
    res.json(await events.after(String(req.params.id), after));
  });

  router.get('/pours/:id/stream', anybody, async (req, res) => {
    const pourId = String(req.params.id);
    const { after } = parse(
      eventsQuery,
      { after: req.headers['last-event-id'] ?? req.query.after ?? 0 },
      'The question',
    );
    await sites.pour(pourId);
    res.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.flushHeaders();
    let sent = after;
    const send = (list: StoredEvent[]) => {
      for (const e of list)
        if (e.seq > sent) {
          sent = e.seq;
          res.write(`id: ${e.seq}\nevent: entry\ndata: ${JSON.stringify(e)}\n\n`);
        }
    };
    const undo = events.listen(pourId, send);
    const undoClock = clock.listen(() => {
      res.write('event: clock\ndata: {}\n\n');
    });
    const beat = setInterval(() => {
      res.write(': still here\n\n');
    }, HEARTBEAT_MS);
    req.on('close', () => {
      undo();
      undoClock();
      clearInterval(beat);
    });
    send(await events.after(pourId, after));
  });

  router.get('/pours/:id/log.jsonl', anybody, async (req, res) => {
    const { pour } = await sites.pour(String(req.params.id));
    const rows = await events.after(String(req.params.id), 0);
    res
      .attachment(`${pour.code}-log.jsonl`)
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

  router.get('/pours/:id/report.pdf', anybody, async (req, res) => {
    const record = await sites.pour(String(req.params.id));
    const log = await events.after(record.id, 0);
    const nowMs = clock.now().getTime();
    const placed = log.find((e) => e.kind === 'place-start');
    const placedMs = placed ? Math.max(Date.parse(placed.at), nowMs - REPORT_AIR_BACK_MS) : nowMs;
    const pdf = await renderReport({
      record,
      events: log,
      nowMs,
      air: weather.hours(record.site, placedMs, nowMs + REPORT_AIR_MS) ?? [],
      photos: await photos.smallOnes(
        record.id,
        log.flatMap((e) => (e.kind === 'photo' ? [e.body.photoId] : [])),
      ),
    });
    res
      .set('Content-Disposition', `inline; filename="${record.pour.code}-report.pdf"`)
      .type('application/pdf')
      .send(pdf);
  });
  return router;
}

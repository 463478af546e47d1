import type { RequestHandler, Router } from 'express';
import { v7 as uuid } from 'uuid';
import {
  type Account,
  handedSignBody,
  newEventSchema,
  takeBackSignBody,
} from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { admit } from '../log/admit.ts';
import { refuseClosed } from '../log/standing.ts';
import { checkPlans } from '../log/signed-plans.ts';
import { parse, ProblemError } from '../problems.ts';
import { notTaken, signInLimit, triedFrom } from '../session/limit.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';
import type { AccountStore } from '../store/accounts.ts';
import type { TriedFrom } from '../store/pin-tries.ts';

/** Who signs, by their name and PIN. */
async function signerOf(
  accounts: AccountStore,
  name: string,
  pin: string,
  title: string,
  siteId: string | null,
  from: TriedFrom,
): Promise<Account> {
  const checked = await accounts.check(name, pin, from);
  if (checked.ok) {
    const { site } = checked.account.invited ?? {};
    if (site && site !== siteId)
      throw new ProblemError(403, 'Not yours to do', `${name} was asked to another site.`);
    return checked.account;
  }
  throw notTaken(
    checked,
    new ProblemError(401, title, 'Name or PIN is not right.', [
      { path: 'pin', message: 'is not right' },
    ]),
  );
}

/** Sign-offs by somebody's own PIN on whichever tablet is at hand. */
export function signRoutes(deps: AppDeps): Router {
  const { accounts, sessions, sites, events, clock, config } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  const signLimit = signInLimit(config.signInLimit);

  // An inspector signs on the foreman's tablet with their own PIN; the foreman stays signed in.
  router.post(
    '/pours/:id/sign',
    ...signLimit,
    may.pour('foreman', 'inspector'),
    async (req, res) => {
      const { id, name, pin, at, body } = parse(handedSignBody, req.body, 'The sign-off');
      const siteId = await sessions.siteOf(String(req.params.id));
      const from = await triedFrom(sessions, req);
      const signer = await signerOf(accounts, name, pin, 'Not signed', siteId, from);
      // A device that heard no answer sends the same sign-off again, under the same id.
      const event = parse(
        newEventSchema,
        { id: id ?? uuid(), at, kind: 'sign', body },
        'The sign-off',
      );
      await refuseClosed(sites, String(req.params.id));
      await admit(signer, [event], events.known(String(req.params.id)), clock.now().getTime());
      await checkPlans(sites, String(req.params.id), [event]);
      res.json(
        await events.append(String(req.params.id), [event], {
          actor: signer.name,
          device: personOf(req).device,
        }),
      );
    },
  );

  takingBack(router, deps, signLimit);
  return router;
}

/** The taking back of a sign-off. */
function takingBack(
  router: Router,
  { accounts, sessions, sites, events, clock }: AppDeps,
  signLimit: RequestHandler[],
): void {
  const may = rightsOf(sessions);
  // A sign-off is taken back by whoever may, with their own PIN, on whichever tablet.
  router.post(
    '/pours/:id/unsign',
    ...signLimit,
    may.pour('foreman', 'inspector'),
    async (req, res) => {
      const pourId = String(req.params.id);
      const { id, name, pin, at, entry, reason } = parse(takeBackSignBody, req.body, 'The request');
      const signer = await signerOf(
        accounts,
        name,
        pin,
        'Not taken back',
        await sessions.siteOf(pourId),
        await triedFrom(sessions, req),
      );
      const event = parse(
        newEventSchema,
        {
          id: id ?? uuid(),
          at,
          kind: 'supersede',
          body: reason ? { reason } : {},
          supersedes: entry,
        },
        'The request',
      );
      await refuseClosed(sites, pourId);
      await admit(signer, [event], events.known(pourId), clock.now().getTime(), { pinGiven: true });
      res.json(
        await events.append(pourId, [event], { actor: signer.name, device: personOf(req).device }),
      );
    },
  );
}

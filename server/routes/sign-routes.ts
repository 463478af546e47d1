import { Router } from 'express';
import { v7 as uuid } from 'uuid';
import { handedSignBody, newEventSchema, takeBackSignBody } from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { admit } from '../log/admit.ts';
import { checkPlans } from '../log/signed-plans.ts';
import { parse, ProblemError } from '../problems.ts';
import { signInLimit } from '../session/limit.ts';
import { only, personOf } from '../session/session.ts';

/** Sign-offs by somebody's own PIN on whichever tablet is at hand. */
export function signRoutes({ accounts, sites, events, config }: AppDeps): Router {
  const router = Router();
  const signLimit = signInLimit(config.signInLimit);

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

  return router;
}

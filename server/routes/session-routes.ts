import type { Router } from 'express';
import { ownPinBody, ROLES, signInBody } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse, ProblemError } from '../problems.ts';
import { notTaken, signInLimit, triedFrom } from '../session/limit.ts';
import { sessionDesk } from '../session/desk.ts';
import { personOf, setSession, tokenOf, whoIs } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

const wrongPin = (): ProblemError => new ProblemError(401, 'Sign in', 'Name or PIN is not right.');

/** Signing in and out, and one's own PIN. */
export function sessionRoutes(deps: AppDeps): Router {
  const { accounts, sessions, config } = deps;
  const router = apiRouter();
  const may = rightsOf(sessions);
  const limit = signInLimit(config.signInLimit);
  const { answer, signIn } = sessionDesk(deps);

  router.get('/session', async (req, res) => {
    res.json(await answer(req, await whoIs(sessions, req)));
  });

  // Whose turn it may be on a tablet that changes hands.
  router.get('/session/hands', may.self(...ROLES), async (req, res) => {
    const { name, role, invited } = personOf(req);
    // A guest has no business with who else is here.
    if (invited) {
      res.json([{ name, role }]);
      return;
    }
    const here = (await accounts.list()).filter((p) => !p.locked && !p.removed);
    res.json(here.map(({ name, role }) => ({ name, role })));
  });

  router.post('/session', ...limit, async (req, res) => {
    const { name, pin } = parse(signInBody, req.body, 'The sign-in');
    const checked = await accounts.check(name, pin, await triedFrom(sessions, req));
    if (!checked.ok) throw notTaken(checked, wrongPin());
    await signIn(req, res, checked.account);
    res.json(await answer(req, checked.account));
  });

  router.delete('/session', async (req, res) => {
    const token = tokenOf(req);
    if (token) await sessions.close(token);
    setSession(req, res, '', 0);
    res.json(await answer(req, null));
  });

  router.put('/session/pin', may.self(...ROLES), async (req, res) => {
    const { old, pin } = parse(ownPinBody(personOf(req).role), req.body, 'The PIN');
    const { name, session } = personOf(req);
    const checked = await accounts.check(name, old, await triedFrom(sessions, req));
    if (!checked.ok)
      throw notTaken(
        checked,
        new ProblemError(401, 'Not changed', 'The PIN you have now is not right.', [
          { path: 'old', message: 'is not right' },
        ]),
      );
    const id = await accounts.idOf(name);
    if (id) await accounts.setPin(id, pin);
    res.json({ ended: await sessions.closeAllOf(name, session) });
  });

  return router;
}

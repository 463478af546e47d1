import { Router } from 'express';
import { v4 as uuid } from 'uuid';
import {
  accountBody,
  firstAccountBody,
  signInBody,
  type Account,
  type SessionAnswer,
} from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { parse, ProblemError } from '../problems.ts';
import { signInLimit } from '../session/limit.ts';
import { only, setSession, tokenOf, whoIs } from '../session/session.ts';

export function sessionRoutes({ accounts, config, demoAccounts }: AppDeps): Router {
  const router = Router();
  const limit = signInLimit(config.signInLimit);
  const answer = async (account: Account | null): Promise<SessionAnswer> => ({
    account: account ? { name: account.name, role: account.role } : null,
    demo: demoAccounts ? { accounts: demoAccounts } : null,
    setUpNeeded: (await accounts.count()) === 0,
  });

  router.get('/session', async (req, res) => {
    res.json(await answer(await whoIs(accounts, req)));
  });

  router.post('/session', limit, async (req, res) => {
    const { name, pin } = parse(signInBody, req.body, 'The sign-in');
    const account = await accounts.check(name, pin);
    if (!account) throw new ProblemError(401, 'Sign in', 'Name or PIN is not right.');
    const { token, maxAgeS } = await accounts.open(account, uuid());
    setSession(res, token, maxAgeS);
    res.json(await answer(account));
  });

  router.delete('/session', async (req, res) => {
    const token = tokenOf(req);
    if (token) await accounts.close(token);
    setSession(res, '', 0);
    res.json(await answer(null));
  });

  // On one's own data the first person to open the app makes the foreman's account; after that only a foreman adds people.
  router.post('/accounts/first', limit, async (req, res) => {
    if ((await accounts.count()) > 0)
      throw new ProblemError(409, 'Already set up', 'There is an account already. Sign in.');
    const { name, pin } = parse(firstAccountBody, req.body, 'The account');
    await accounts.add(name, pin, 'foreman');
    const account: Account = { name, role: 'foreman' };
    const { token, maxAgeS } = await accounts.open(account, uuid());
    setSession(res, token, maxAgeS);
    res.status(201).json(await answer(account));
  });

  router.post('/accounts', only(accounts, ['foreman']), async (req, res) => {
    const { name, pin, role } = parse(accountBody, req.body, 'The account');
    if (!(await accounts.add(name, pin, role)))
      throw new ProblemError(409, 'Name taken', `There is already somebody called ${name}.`, [
        { path: 'name', message: 'is taken' },
      ]);
    res.status(201).json({ name, role });
  });
  return router;
}

import type { Router } from 'express';
import { firstAccountBody, type Account } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse, ProblemError } from '../problems.ts';
import { sessionDesk } from '../session/desk.ts';
import { signInLimit } from '../session/limit.ts';
import { fromThisMachine, isSetUpCode } from '../session/set-up-code.ts';

/** The first account of all. */
export function firstAccountRoutes(deps: AppDeps): Router {
  const { accounts, config, setUpCode } = deps;
  const router = apiRouter();
  const { answer, signIn } = sessionDesk(deps);

  // The first person on this machine, or with the code its console shows, makes the foreman's account; it is made once.
  router.post('/accounts/first', ...signInLimit(config.signInLimit), async (req, res) => {
    const taken = () =>
      new ProblemError(409, 'Already set up', 'There is an account already. Sign in.');
    if ((await accounts.count()) > 0) throw taken();
    const { name, pin, code } = parse(firstAccountBody, req.body, 'The account');
    if (!fromThisMachine(req) && !isSetUpCode(code ?? '', setUpCode))
      throw new ProblemError(
        403,
        'Code needed',
        'From another device the first account needs the code that stands on the console of the server.',
        [{ path: 'code', message: code ? 'is not right' : 'is missing' }],
      );
    if (!(await accounts.addFirst(name, pin))) throw taken();
    const account: Account = { name, role: 'foreman' };
    await signIn(req, res, account);
    res.status(201).json(await answer(req, account));
  });
  return router;
}

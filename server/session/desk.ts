import type { Request, Response } from 'express';
import type { Account, SessionAnswer } from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { fromThisMachine } from './set-up-code.ts';
import { setSession, tokenOf } from './session.ts';

/** What whoever signs in or out is told, and the opening of a session. */
export function sessionDesk({ accounts, sessions, demoAccounts }: AppDeps) {
  const answer = async (req: Request, account: Account | null): Promise<SessionAnswer> => {
    const setUpNeeded = (await accounts.count()) === 0;
    return {
      account: account
        ? {
            name: account.name,
            role: account.role,
            ...(account.invited ? { invited: account.invited } : {}),
          }
        : null,
      demo: demoAccounts ? { accounts: demoAccounts } : null,
      setUpNeeded,
      codeNeeded: setUpNeeded && !fromThisMachine(req),
    };
  };
  const signIn = async (req: Request, res: Response, account: Account): Promise<void> => {
    const { token, maxAgeS } = await sessions.open(account, tokenOf(req));
    setSession(req, res, token, maxAgeS);
  };
  return { answer, signIn };
}

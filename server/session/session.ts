import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';
import { ProblemError } from '../problems.ts';
import type { SessionStore, SignedIn } from '../store/sessions.ts';

const COOKIE = 'jactum_session';
export const tokenOf = (req: Request): string | undefined =>
  parseCookie(req.headers.cookie ?? '')[COOKIE];

export function setSession(req: Request, res: Response, token: string, maxAgeS: number): void {
  res.append(
    'Set-Cookie',
    stringifySetCookie({
      name: COOKIE,
      value: token,
      httpOnly: true,
      sameSite: 'strict',
      secure: req.secure,
      path: '/',
      maxAge: maxAgeS,
    }),
  );
}

/** Who is asking, or null. */
export async function whoIs(sessions: SessionStore, req: Request): Promise<SignedIn | null> {
  const token = tokenOf(req);
  return token ? sessions.find(token) : null;
}

const people = new WeakMap<Request, SignedIn>();
/** Says for whom a guarded route runs. */
export const runsFor = (req: Request, person: SignedIn): void => {
  people.set(req, person);
};
/** The person a guarded route runs for. */
export const personOf = (req: Request): SignedIn => {
  const person = people.get(req);
  if (!person) throw new ProblemError(401, 'Sign in', 'Sign in first.');
  return person;
};

import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Role } from '../../contract/index.ts';
import { notFound, ProblemError } from '../problems.ts';
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
/** The person a guarded route runs for. */
export const personOf = (req: Request): SignedIn => {
  const person = people.get(req);
  if (!person) throw new ProblemError(401, 'Sign in', 'Sign in first.');
  return person;
};

/**
 * Somebody who was asked to one site finds nothing of the others. Which site or pour is asked for is
 * read from the address as the router matched it.
 */
async function keepTo(sessions: SessionStore, person: SignedIn, req: Request): Promise<void> {
  const site = person.invited?.site;
  const { id } = req.params;
  const [, list] = /^\/(sites|pours)\/:id(?:\/|$)/.exec(routeOf(req)) ?? [];
  if (!site || !list || typeof id !== 'string') return;
  const asked = list === 'sites' ? id : await sessions.siteOf(id);
  if (asked !== site) throw notFound(list === 'sites' ? `site ${id}` : `pour ${id}`);
}

/** The pattern of the route that answers, "/pours/:id/events". */
const routeOf = (req: Request): string => {
  const path: unknown = (req.route as { path?: unknown } | undefined)?.path;
  return typeof path === 'string' ? path : '';
};

/** Lets only these roles through: 401 when nobody is signed in, 403 when the role may not. */
export function only(sessions: SessionStore, roles: readonly Role[]): RequestHandler {
  return async (req, _res, next) => {
    const person = await whoIs(sessions, req);
    if (!person) throw new ProblemError(401, 'Sign in', 'Sign in first.');
    if (!roles.includes(person.role))
      throw new ProblemError(403, 'Not yours to do', `A ${person.role} may not do this.`);
    await keepTo(sessions, person, req);
    people.set(req, person);
    next();
  };
}

import type { Request, RequestHandler } from 'express';
import type { Role } from '../../contract/index.ts';
import { notFound, ProblemError } from '../problems.ts';
import type { SessionStore, SignedIn } from '../store/sessions.ts';
import { runsFor, whoIs } from './session.ts';

/**
 * What a route is about. `site` and `pour`: the one that its `:id` names, and no other for who was
 * asked to one site. `house`: everything here, so nobody who was only asked here. `self`: oneself, or
 * a list that the route itself keeps to what the asker may see.
 */
export type About = 'site' | 'pour' | 'house' | 'self';

/** A guard that says what it guards: the test of all routes reads it. */
export type Guard = RequestHandler & { about: About; roles: readonly Role[] };

const idOf = (req: Request): string => String(req.params.id);

/** Somebody who was asked to one site finds nothing of the others. */
async function keepTo(
  sessions: SessionStore,
  { invited }: SignedIn,
  about: About,
  req: Request,
): Promise<void> {
  if (!invited || about === 'self') return;
  if (about === 'house')
    throw new ProblemError(403, 'Not yours to do', 'This is for the people of the house.');
  if (!invited.site) return;
  const id = idOf(req);
  const asked = about === 'site' ? id : await sessions.siteOf(id);
  if (asked !== invited.site) throw notFound(`${about} ${id}`);
}

/**
 * Guards of routes: 401 when nobody is signed in, 403 when the role may not, 404 for what is not
 * theirs to find. The right hangs on the route, whatever the address was written like.
 */
export function rightsOf(sessions: SessionStore): Record<About, (...roles: Role[]) => Guard> {
  const about =
    (what: About) =>
    (...roles: Role[]): Guard => {
      const handler: RequestHandler = async (req, _res, next) => {
        const person = await whoIs(sessions, req);
        if (!person) throw new ProblemError(401, 'Sign in', 'Sign in first.');
        if (!roles.includes(person.role))
          throw new ProblemError(403, 'Not yours to do', `A ${person.role} may not do this.`);
        await keepTo(sessions, person, what, req);
        runsFor(req, person);
        next();
      };
      return Object.assign(handler, { about: what, roles });
    };
  return { site: about('site'), pour: about('pour'), house: about('house'), self: about('self') };
}

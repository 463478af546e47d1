import type { Router } from 'express';
import { accountBody, changePersonBody, type PersonRow } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { parse, ProblemError } from '../problems.ts';
import { personOf } from '../session/session.ts';
import { rightsOf } from '../session/rights.ts';

/** The people of a site: who may sign in, as what, and on how many devices they are. The foreman's alone. */
export function peopleRoutes({ accounts, sessions, people }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  const found = (id: unknown) => people.byId(String(id));
  router.get('/accounts', may.house('foreman'), async (_req, res) => {
    const [people, devices] = [await accounts.list(), await sessions.counts()];
    res.json(people.map((p): PersonRow => ({ ...p, devices: devices.get(p.name) ?? 0 })));
  });

  router.post('/accounts', may.house('foreman'), async (req, res) => {
    const { name, pin, role, invited } = parse(accountBody, req.body, 'The account');
    if (!(await accounts.add(name, pin, role))) {
      const gone = (await accounts.list()).some((p) => p.name === name && p.removed);
      const more = gone ? ' They were removed: bring them back instead.' : '';
      throw new ProblemError(
        409,
        'Name taken',
        `There is already somebody called ${name}.${more}`,
        [{ path: 'name', message: 'is taken' }],
      );
    }
    const id = await accounts.idOf(name);
    if (id && invited) await accounts.change(id, { invited });
    res.status(201).json({ id, name, role });
  });

  router.put('/accounts/:id', may.house('foreman'), async (req, res) => {
    const person = await found(req.params.id);
    const body = parse(changePersonBody(person.role), req.body, 'The change');
    await people.change(person, body, personOf(req).name);
    res.json(await found(person.id));
  });

  router.delete('/accounts/:id', may.house('foreman'), async (req, res) => {
    const person = await found(req.params.id);
    await people.change(person, { removed: true }, personOf(req).name);
    res.json(await found(person.id));
  });

  router.delete('/accounts/:id/sessions', may.house('foreman'), async (req, res) => {
    const person = await found(req.params.id);
    const own = person.name === personOf(req).name ? personOf(req).session : undefined;
    res.json({ ended: await sessions.closeAllOf(person.name, own) });
  });
  return router;
}

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Router } from 'express';
import request from 'supertest';
import { ROLES } from '../../contract/index.ts';
import { testApi } from '../testing/api.ts';
import type { Guard } from './rights.ts';

type Api = Awaited<ReturnType<typeof testApi>>;
interface Layer {
  handle: Partial<Guard> & { stack?: Layer[] };
  route?: { path: string; methods: Record<string, boolean>; stack: Layer[] };
}
interface Known {
  method: string;
  path: string;
  guard: Partial<Guard> | undefined;
}

/** Every route of the API with its guard. */
function routesOf(stack: Layer[]): Known[] {
  return stack.flatMap(({ handle, route }): Known[] => {
    if (!route) return routesOf(handle.stack ?? []);
    const guard = route.stack.map((l) => l.handle).find((h) => h.about !== undefined);
    return Object.keys(route.methods).map((method) => ({ method, path: route.path, guard }));
  });
}
/** Those that anybody may ask. */
const OPEN = new Set([
  'get /health',
  'get /session',
  'post /session',
  'delete /session',
  'post /accounts/first',
]);

describe('rights hang on the route', () => {
  let api: Api;
  let routes: Known[];
  beforeAll(async () => {
    api = await testApi();
    routes = routesOf((api.app as unknown as { router: Router & { stack: Layer[] } }).router.stack);
  });
  afterAll(() => api.end());
  /** Routes of the API that are not anybody's: the page and the docs are. */
  const closed = () =>
    routes.filter(
      ({ method, path }) =>
        !OPEN.has(`${method} ${path}`) && !path.startsWith('/docs') && !path.includes('*'),
    );

  test('each is guarded, and keeps to the site or pour in its address', () => {
    expect(closed().length).toBeGreaterThan(45);
    const wrong = closed().filter(({ path, method, guard }) => {
      if (!guard) return true;
      const made = method === 'put' && (path === '/sites/:id' || path === '/pours/:id');
      if (path.startsWith('/pours/:id')) return guard.about !== (made ? 'self' : 'pour');
      const whole = made || (method === 'delete' && path === '/sites/:id');
      if (path.startsWith('/sites/:id')) return guard.about !== (whole ? 'house' : 'site');
      return false;
    });
    expect(wrong.map((r) => `${r.method} ${r.path}`)).toEqual([]);
  });

  /** Ways in which an address may be spelled, that a router might answer. */
  const spellings = (path: string): string[] => [
    path,
    `${path}/`,
    path.replace('/pours/', '/Pours/').replace('/sites/', '/SITES/'),
    path.replace('/pours/', '/%70ours/').replace('/sites/', '/site%73/'),
    path.replace('/pours/', '//pours/').replace('/sites/', '//sites/'),
    path.replace('/pours/', '/./pours/').replace('/sites/', '/x/../sites/'),
    path.replace('/pours/', '/pours;x/').replace('/sites/', '/sites;x/'),
  ];
  const address = (path: string, id: string): string =>
    `/api${path.replace(':id', id).replace(/:\w+/g, '00000000-0000-7000-8000-000000000000')}`;
  const ask = async (agent: ReturnType<typeof request.agent>, method: string, path: string) =>
    (await agent[method as 'get'](path).send(method === 'get' ? undefined : {})).status;

  test('nobody who is not signed in gets an answer, however the address is spelled', async () => {
    const stranger = request.agent(api.app);
    const answered: string[] = [];
    const id = await api.idOf('P2');
    for (const { method, path } of closed().filter((r) => r.guard))
      for (const spelled of spellings(address(path, id)))
        if (![401, 404].includes(await ask(stranger, method, spelled)))
          answered.push(`${method} ${spelled}`);
    expect(answered).toEqual([]);
  });

  test('who was asked to one site finds nothing of another, in any role and spelling', async () => {
    const other = (await api.sites.list())[1]?.id ?? '';
    const [own] = await api.sites.list();
    const answered: string[] = [];
    const pours = (await api.sites.pours()).filter((p) => p.siteId === other);
    for (const role of ROLES) {
      const name = `Guest ${role}`;
      await api.accounts.add(name, '123456', role);
      const id = await api.accounts.idOf(name);
      const invited = { site: own?.id ?? '', hold: null, until: null };
      await api.accounts.change(id ?? '', { invited });
      const guest = request.agent(api.app);
      await guest.post('/api/session').send({ name, pin: '123456' }).expect(200);
      for (const { method, path, guard } of closed().filter((r) => r.guard)) {
        if (guard?.about === 'self') continue;
        const asked = path.startsWith('/pours') ? (pours[0]?.id ?? '') : other;
        for (const spelled of spellings(address(path, asked)))
          // 429: a PIN was asked for first, and too often.
          if (![403, 404, 429].includes(await ask(guest, method, spelled)))
            answered.push(`${role} ${method} ${spelled}`);
      }
      await guest.get('/api/sites').expect(200);
      expect(((await guest.get('/api/session/hands')).body as unknown[]).length).toBe(1);
    }
    expect(answered).toEqual([]);
  });
});

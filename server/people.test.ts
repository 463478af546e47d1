import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { once } from 'node:events';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import type { PersonRow } from '../contract/index.ts';
import { waitAfter } from './session/pin-waits.ts';
import { AccountStore } from './store/accounts.ts';
import { testApi } from './testing/api.ts';

type Api = Awaited<ReturnType<typeof testApi>>;
const rows = (res: { body: unknown }): PersonRow[] => res.body as PersonRow[];

describe('the first account', () => {
  let own: Api;
  beforeAll(async () => {
    own = await testApi({ seed: false });
  });
  afterAll(() => own.end());
  const first = (name: string, more: object = {}) =>
    request(own.app)
      .post('/api/accounts/first')
      .send({ name, pin: '471147', ...more });

  test('from another device needs the code of the console', async () => {
    const far = () => first('A').set('X-Forwarded-For', '10.0.0.9');
    expect((await far().expect(403)).body).toMatchObject({ issues: [{ path: 'code' }] });
    await far().send({ name: 'A', pin: '471147', code: '00000000' }).expect(403);
    const asked = await request(own.app).get('/api/session').set('X-Forwarded-For', '10.0.0.9');
    expect(asked.body).toMatchObject({ setUpNeeded: true, codeNeeded: true });
  });
  test('is one, however many ask at once', async () => {
    const answers = await Promise.all(['A', 'B', 'C', 'D'].map((name) => first(name)));
    expect(answers.map((a) => a.status).sort()).toEqual([201, 409, 409, 409]);
    expect(await own.accounts.count()).toBe(1);
  });
});

describe('people', () => {
  let api: Api;
  let foreman: Awaited<ReturnType<Api['as']>>;
  beforeAll(async () => {
    api = await testApi();
    foreman = await api.as('foreman');
  });
  afterAll(() => api.end());
  const idOf = async (name: string) =>
    rows(await foreman.get('/api/accounts').expect(200)).find((p) => p.name === name)?.id ?? '';

  test('are the foreman’s alone to see and to change', async () => {
    const id = await idOf('T. Oakes');
    for (const role of ['crew', 'inspector', 'viewer'] as const) {
      const other = await api.as(role);
      await other.get('/api/accounts').expect(403);
      await other.put(`/api/accounts/${id}`).send({ role: 'foreman', pin: '123456' }).expect(403);
      await other.delete(`/api/accounts/${id}`).expect(403);
    }
  });
  test('who signs for something needs six digits', async () => {
    const add = (role: string, pin: string) =>
      foreman.post('/api/accounts').send({ name: `Somebody ${role}`, role, pin });
    expect((await add('inspector', '1234').expect(400)).body).toMatchObject({
      issues: [{ path: 'pin' }],
    });
    await add('inspector', '123456').expect(201);
    await add('crew', '1234').expect(201);
    const id = await idOf('Somebody crew');
    expect(
      (await foreman.put(`/api/accounts/${id}`).send({ role: 'foreman' }).expect(400)).body,
    ).toMatchObject({ issues: [{ path: 'pin' }] });
  });
  test('names that cannot be told apart are one', async () => {
    for (const name of ['t. oakes', 'T.  Oakes', 'T. Oаkes', 'T. Oakes\u200b'])
      await foreman.post('/api/accounts').send({ name, role: 'crew', pin: '1234' }).expect(409);
    // Somebody whose phone writes it otherwise is who they are.
    await request(api.app).post('/api/session').send({ name: 't. oakes', pin: '1357' }).expect(200);
  });
  test('who is locked, removed or has a new PIN is signed out at once', async () => {
    const id = await idOf('T. Oakes');
    const signedIn = async (crew: Awaited<ReturnType<Api['as']>>) =>
      (await crew.get('/api/session')).body as { account: unknown };
    const crew = await api.as('crew');
    await foreman.put(`/api/accounts/${id}`).send({ locked: true }).expect(200);
    expect((await signedIn(crew)).account).toBeNull();
    await request(api.app).post('/api/session').send({ name: 'T. Oakes', pin: '1357' }).expect(403);
    await foreman.put(`/api/accounts/${id}`).send({ locked: false, pin: '7531' }).expect(200);
    const again = request.agent(api.app);
    await again.post('/api/session').send({ name: 'T. Oakes', pin: '7531' }).expect(200);
    await foreman.delete(`/api/accounts/${id}`).expect(200);
    expect((await signedIn(again)).account).toBeNull();
    await again.post('/api/session').send({ name: 'T. Oakes', pin: '7531' }).expect(401);
    await foreman.put(`/api/accounts/${id}`).send({ removed: false, pin: '1357' }).expect(200);
  });
  test('nobody takes the last foreman away, nor themselves', async () => {
    const id = await idOf('I. Brandvold');
    await foreman.delete(`/api/accounts/${id}`).expect(409);
    await foreman.put(`/api/accounts/${id}`).send({ role: 'crew' }).expect(409);
  });
  test('change their own PIN, which ends their other devices', async () => {
    const [one, other] = [await api.as('viewer'), await api.as('viewer')];
    await one.put('/api/session/pin').send({ old: '0000', pin: '8888' }).expect(401);
    await one.put('/api/session/pin').send({ old: '9753', pin: '8888' }).expect(200);
    expect((await other.get('/api/session')).body).toMatchObject({ account: null });
    expect((await one.get('/api/session')).body).toMatchObject({ account: { role: 'viewer' } });
  });
  test('signing in again ends the session the device had', async () => {
    const agent = request.agent(api.app);
    const signIn = async () =>
      (await agent.post('/api/session').send({ name: 'R. Halloran', pin: '8642' }).expect(200))
        .headers['set-cookie'];
    const [cookie] = (await signIn()) as unknown as string[];
    await signIn();
    const before = await request(api.app)
      .get('/api/session')
      .set('Cookie', cookie?.split(';')[0] ?? '');
    expect(before.body).toMatchObject({ account: null });
  });
  test('a stream ends with the session that opened it', async () => {
    const server = http.createServer(api.app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const port = (server.address() as AddressInfo).port;
    const signIn = await fetch(`http://127.0.0.1:${port}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: 'R. Halloran', pin: '8642' }),
    });
    const cookie = (signIn.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
    const stream = await fetch(
      `http://127.0.0.1:${port}/api/pours/${await api.idOf('P4')}/stream`,
      {
        headers: { cookie },
      },
    );
    const heard = stream.text();
    await foreman.delete(`/api/accounts/${await idOf('R. Halloran')}/sessions`).expect(200);
    expect(await heard).toContain('event: signed-out');
    server.closeAllConnections();
    server.close();
  });
});

describe('guessing a PIN', () => {
  test('waits longer and longer, an hour at most', () => {
    expect([0, 4, 5, 6, 7].map(waitAfter)).toEqual([0, 0, 30, 60, 120]);
    expect(waitAfter(40)).toBe(3600);
  });
  const at = (address: string, device: string | null = null) => ({ address, device });
  const here = at('10.0.0.1');
  test('is counted by name, past a restart, and holds nobody else up', async () => {
    const api = await testApi();
    let now = Date.parse('2026-09-23T11:35:00Z');
    const clock = () => now;
    const store = new AccountStore(api.db, clock);
    const tries = await Promise.all(
      Array.from({ length: 8 }, (_, i) => store.check('I. Brandvold', `000${i}`, here)),
    );
    expect(tries.map((t) => !t.ok && t.why)).toEqual([
      ...Array<string>(5).fill('wrong'),
      ...Array<string>(3).fill('wait'),
    ]);
    const restarted = new AccountStore(api.db, clock);
    expect(await restarted.check('I. Brandvold', '2468', here)).toMatchObject({
      why: 'wait',
      waitS: 30,
    });
    expect(await restarted.check('T. Oakes', '1357', here)).toMatchObject({ ok: true });
    now += 31_000;
    expect(await restarted.check('I. Brandvold', '2468', here)).toMatchObject({ ok: true });
    const told = (await restarted.list()).find((p) => p.name === 'I. Brandvold');
    expect(told).toMatchObject({ guesses: 5 });
    await api.end();
  });
  test('shuts out where it is done from, and not the foreman', async () => {
    const api = await testApi();
    const store = new AccountStore(api.db);
    const guess = (from: ReturnType<typeof at>) => store.check('I. Brandvold', '000000', from);
    const own = (from: ReturnType<typeof at>) => store.check('I. Brandvold', '2468', from);
    for (let i = 0; i < 5; i += 1) await guess(at('10.0.0.9'));
    expect(await own(at('10.0.0.9'))).toMatchObject({ why: 'wait' });
    expect(await own(at('10.0.0.1'))).toMatchObject({ ok: true });
    // From the attacker's own address a device that is signed in goes on.
    expect(await own(at('10.0.0.9', 'tablet'))).toMatchObject({ ok: true });
    // Many addresses are no way round: strangers wait together, devices that are signed in do not.
    for (let i = 0; i < 50; i += 1) await guess(at(`10.0.1.${i}`));
    expect(await own(at('10.0.2.1'))).toMatchObject({ why: 'wait' });
    expect(await own(at('10.0.1.1', 'tablet'))).toMatchObject({ ok: true });
    await api.end();
  });
  test('at a name that nobody has is answered as at one that somebody has', async () => {
    const api = await testApi();
    const store = new AccountStore(api.db);
    const answers = async (name: string) => {
      const out: unknown[] = [];
      for (let i = 0; i < 7; i += 1) out.push(await store.check(name, '000000', here));
      return out;
    };
    expect(await answers('N. Obody')).toEqual(await answers('I. Brandvold'));
    await api.end();
  });
});

describe('who asks', () => {
  let api: Api;
  beforeAll(async () => {
    api = await testApi();
  });
  afterAll(() => api.end());

  test('by a name that is not this machine’s is sent away', async () => {
    const refused = await request(api.app)
      .get('/api/session')
      .set('Host', 'elsewhere.example')
      .expect(421);
    expect(refused.body).toMatchObject({ status: 421 });
  });
  test('for a change from another page is sent away', async () => {
    const change = (header: Record<string, string>) =>
      request(api.app).post('/api/session').set(header).send({ name: 'I. Brandvold', pin: '2468' });
    await change({ 'Sec-Fetch-Site': 'cross-site' }).expect(403);
    await change({ Origin: 'http://elsewhere.example' }).expect(403);
    await change({ Origin: 'null' }).expect(403);
    // Another port is another page.
    await change({ Origin: 'http://127.0.0.1:1', Host: '127.0.0.1:4180' }).expect(403);
    await change({
      Origin: 'http://127.0.0.1:4180',
      Host: '127.0.0.1:4180',
      'Sec-Fetch-Site': 'same-origin',
    }).expect(200);
    await change({ Origin: 'http://127.0.0.1', Host: '127.0.0.1:80' }).expect(200);
  });
});

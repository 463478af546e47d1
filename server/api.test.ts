import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import fs from 'node:fs';
import request from 'supertest';
import type {
  PostEventsAnswer,
  PourAnswer,
  Problem,
  SiteSummary,
  StoredEvent,
} from '../contract/index.ts';
import { EVENT_KINDS } from '../core/log/events.ts';
import { v7 as uuid } from 'uuid';
import { verifyExport, verifyLines } from './log/chain.ts';
import { note, testApi } from './testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let foreman: Awaited<ReturnType<typeof api.as>>;
let p4 = '';
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
  p4 = await api.idOf('P4');
});
afterAll(async () => {
  await api.end();
});

/** An answer's body with the type the contract gives it. */
const body = <T>(res: { body: unknown }): T => res.body as T;
const problem = (res: {
  status: number;
  headers: Record<string, string>;
  body: unknown;
}): Problem => {
  expect(res.headers['content-type']).toMatch(/^application\/problem\+json/);
  return res.body as Problem;
};

describe('the log', () => {
  test('stores a batch once, answers a repeat the same, numbers without gaps', async () => {
    const events = [note('one'), note('two')];
    const first = await foreman.post(`/api/pours/${p4}/events`).send({ events }).expect(200);
    const again = await foreman
      .post(`/api/pours/${p4}/events`)
      .send({ events: [...events, note('three')] })
      .expect(200);
    expect(body<PostEventsAnswer>(first).stored.map((s) => s.seq)).toEqual([1, 2]);
    expect(body<PostEventsAnswer>(again).known).toEqual(body<PostEventsAnswer>(first).stored);
    expect(body<PostEventsAnswer>(again).stored).toMatchObject([{ seq: 3 }]);
    const log = (await foreman.get(`/api/pours/${p4}/events?after=1`)).body as StoredEvent[];
    expect(log.map((e) => [e.seq, e.actor])).toEqual([
      [2, 'I. Brandvold'],
      [3, 'I. Brandvold'],
    ]);
  });

  test('two at once, from many hands, are all kept in one chain', async () => {
    const crew = await api.as('crew');
    await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        (i % 2 ? crew : foreman)
          .post(`/api/pours/${p4}/events`)
          .send({ events: [note(`at once ${i}`)] })
          .expect(200),
      ),
    );
    const text = (
      await foreman
        .get(`/api/pours/${p4}/log.jsonl`)
        .buffer(true)
        .parse((res, done) => {
          let s = '';
          res.on('data', (c: Buffer) => {
            s += c.toString();
          });
          res.on('end', () => {
            done(null, s);
          });
        })
    ).body as string;
    const lines = text.trim().split('\n');
    expect(verifyExport(lines)).toMatchObject({ ok: true, rows: 15 });
    // Any touch is found, at its line.
    const touched = lines.map((l, i) =>
      i === 6 ? l.replace('I. Brandvold', 'I. Brandvolt').replace('T. Oakes', 'T. Oaken') : l,
    );
    expect(verifyExport(touched)).toMatchObject({ ok: false, line: 7 });
    expect(verifyExport([...lines.slice(0, 4), ...lines.slice(5)])).toMatchObject({
      ok: false,
      line: 5,
    });
    expect(verifyExport([...lines.slice(0, 2), 'not json'])).toMatchObject({ ok: false, line: 3 });
    // Cut short it has no closing line; with that of the whole log its count is another.
    expect(verifyExport(lines.slice(0, -1))).toMatchObject({ ok: false, line: 16 });
    expect(verifyExport([...lines.slice(0, 9), lines.at(-1) ?? ''])).toMatchObject({ ok: false });
    expect(verifyExport([])).toMatchObject({ ok: false });
    const added = lines.map((l, i) => (i === 3 ? l.replace('{', '{"note":1,') : l));
    expect(verifyExport(added)).toMatchObject({ ok: false, line: 4 });
  });

  test('an id that says something else than before is a conflict, and what stood stays', async () => {
    const entry = note('as it was');
    await foreman
      .post(`/api/pours/${p4}/events`)
      .send({ events: [entry] })
      .expect(200);
    const other = { ...entry, body: { text: 'as somebody would have it' } };
    await foreman
      .post(`/api/pours/${p4}/events`)
      .send({ events: [note('beside it'), other] })
      .expect(409);
    const log = body<StoredEvent[]>(await foreman.get(`/api/pours/${p4}/events`));
    expect(log.filter((e) => e.id === entry.id).map((e) => e.body)).toEqual([entry.body]);
    expect(log.at(-1)?.id).toBe(entry.id);
  });

  test('how far a device’s clock is off is kept with what it sends', async () => {
    const sent = async (offMs: number) => {
      const entry = note(`off by ${offMs}`);
      const sentAt = new Date(Date.now() + offMs).toISOString();
      await foreman
        .post(`/api/pours/${p4}/events`)
        .send({ sentAt, events: [entry] })
        .expect(200);
      const log = body<StoredEvent[]>(await foreman.get(`/api/pours/${p4}/events`));
      return log.find((e) => e.id === entry.id)?.device;
    };
    expect(await sent(-7 * 60_000)).toMatch(/ clock -4(19|20|21) s$/);
    expect(await sent(60_000)).not.toMatch(/clock/);
  });

  test('one bad entry stores nothing of its batch, and is named by its path', async () => {
    const before = body<StoredEvent[]>(await foreman.get(`/api/pours/${p4}/events`)).length;
    const bad = {
      ...note('x'),
      kind: 'slump',
      body: { loadId: 'L1', measuredMm: -3, where: 'truck' },
    };
    const p = problem(
      await foreman
        .post(`/api/pours/${p4}/events`)
        .send({ events: [note('fine'), bad] })
        .expect(400),
    );
    expect(p.issues).toEqual([
      { path: 'events.1.body.measuredMm', message: 'must not be below 0' },
    ]);
    expect((await foreman.get(`/api/pours/${p4}/events`)).body).toHaveLength(before);
  });

  test('an id of another pour is refused', async () => {
    const e = note('mine');
    await foreman
      .post(`/api/pours/${p4}/events`)
      .send({ events: [e] })
      .expect(200);
    problem(
      await foreman
        .post(`/api/pours/${await api.idOf('P3')}/events`)
        .send({ events: [e] })
        .expect(409),
    );
  });

  test('the demo’s own records verify and render as one report', async () => {
    const p1 = await api.idOf('P1');
    const rows = (await foreman.get(`/api/pours/${p1}/events`)).body as StoredEvent[];
    expect(rows.length).toBeGreaterThan(90);
    expect(verifyLines(rows.map((r) => JSON.stringify(r)))).toMatchObject({ ok: true });
    expect(new Set(rows.map((r) => r.kind)).size).toBeGreaterThan(10);
  });
});

describe('who may do what', () => {
  test.each([
    ['crew', note('seen'), 200],
    [
      'crew',
      { ...note(''), kind: 'sign', body: { hold: 'own', result: 'pass', planVersion: 1 } },
      403,
    ],
    ['crew', { ...note(''), kind: 'override', body: { reason: 'hurry' } }, 403],
    [
      'inspector',
      { ...note(''), kind: 'sign', body: { hold: 'inspection', result: 'pass', planVersion: 1 } },
      200,
    ],
    [
      'inspector',
      { ...note(''), kind: 'sign', body: { hold: 'own', result: 'pass', planVersion: 1 } },
      403,
    ],
    [
      'inspector',
      {
        ...note(''),
        kind: 'reading',
        body: { checkId: 'R/lap', place: 0, value: { type: 'length', mm: 3 } },
      },
      403,
    ],
    [
      'foreman',
      { ...note(''), kind: 'sign', body: { hold: 'inspection', result: 'pass', planVersion: 1 } },
      403,
    ],
    ['viewer', note('hello'), 403],
  ] as const)('%s writing %j gets %d', async (role, event, status) => {
    const agent = await api.as(role);
    const id = await api.idOf('P3');
    const res = await agent.post(`/api/pours/${id}/events`).send({ events: [event] });
    expect(res.status).toBe(status);
    if (status === 403) problem(res);
  });

  test('nobody reads anything without signing in; a wrong PIN says nothing of which half was wrong', async () => {
    for (const path of [
      '/api/sites',
      '/api/pours',
      `/api/pours/${p4}`,
      `/api/pours/${p4}/events`,
      `/api/pours/${p4}/log.jsonl`,
      `/api/pours/${p4}/report.pdf`,
      '/api/clock',
    ])
      problem(await request(api.app).get(path).expect(401));
    const details = [];
    for (const body of [
      { name: 'I. Brandvold', pin: '0000' },
      { name: 'Nobody', pin: '2468' },
    ])
      details.push(
        problem(await request(api.app).post('/api/session').send(body).expect(401)).detail,
      );
    expect(new Set(details).size).toBe(1);
    expect((await request(api.app).get('/api/health').expect(200)).body).toMatchObject({
      status: 'ok',
    });
  });

  test('an inspector signs on the foreman’s tablet with their own PIN only', async () => {
    const id = await api.idOf('P2');
    const sign = (pin: string) =>
      foreman.post(`/api/pours/${id}/sign`).send({
        name: 'R. Halloran',
        pin,
        at: '2026-09-23T11:35:00Z',
        body: { hold: 'inspection', result: 'pass', planVersion: 1 },
      });
    problem(await sign('1111').expect(401));
    await sign('8642').expect(200);
    const last = ((await foreman.get(`/api/pours/${id}/events`)).body as StoredEvent[]).at(-1);
    expect(last).toMatchObject({ kind: 'sign', actor: 'R. Halloran' });
  });

  test('guessing PINs is slowed down, and signing out ends the session', async () => {
    const other = await testApi();
    const statuses = [];
    for (let i = 0; i < 8; i += 1)
      statuses.push(
        (await request(other.app).post('/api/session').send({ name: 'I. Brandvold', pin: '9999' }))
          .status,
      );
    expect(statuses.filter((s) => s === 401)).toHaveLength(5);
    expect(statuses.at(-1)).toBe(429);
    await other.end();
    const agent = await api.as('viewer');
    await agent.get('/api/sites').expect(200);
    await agent.delete('/api/session').expect(200);
    await agent.get('/api/sites').expect(401);
  });
});

describe('plan records', () => {
  test('a stale write gets 409 with both sides, and changes nothing', async () => {
    const read = body<PourAnswer>(await foreman.get(`/api/pours/${p4}`));
    const put = (version: number, wasteRatio: number) =>
      foreman
        .put(`/api/pours/${p4}/settings`)
        .send({ version, settings: { ...read.pour.settings, wasteRatio } });
    expect((await put(read.version, 0.08).expect(200)).body).toMatchObject({
      version: read.version + 1,
    });
    const stale = await put(read.version, 0.2).expect(409);
    expect(stale.body).toMatchObject({
      yours: read.version,
      current: { version: read.version + 1, pour: { settings: { wasteRatio: 0.08 } } },
    });
    const bad = problem(await put(read.version + 1, 4).expect(400));
    expect(bad.issues).toEqual([
      { path: 'settings.wasteRatio', message: 'is a share from 0 to 1' },
    ]);
  });

  test('a site goes out and comes in again the same', async () => {
    const sites = body<SiteSummary[]>(await foreman.get('/api/sites'));
    const out = (await foreman.get(`/api/sites/${sites[0]?.id ?? ''}/export`).expect(200))
      .body as object;
    const made = body<{ id: string; pours: unknown[] }>(
      await foreman.post('/api/sites/import').send(out).expect(201),
    );
    expect(made.pours).toHaveLength(4);
    expect((await foreman.get(`/api/sites/${made.id}/export`)).body).toEqual(out);
  });

  test('a broken file names every wrong field and stores nothing', async () => {
    const count = async () => ((await foreman.get('/api/sites')).body as unknown[]).length;
    const before = await count();
    const file = JSON.parse(fs.readFileSync('demo/sites/kestrel.json', 'utf8')) as {
      runs: { type: string }[];
      pours: { mix: string }[];
      latitude?: number;
    };
    if (file.runs[2]) file.runs[2].type = 'S9';
    if (file.pours[0]) file.pours[0].mix = 'none';
    const p = problem(await foreman.post('/api/sites/import').send(file).expect(400));
    expect(p.issues?.map((i) => i.path)).toEqual(
      expect.arrayContaining(['runs.2.type', 'pours.0.mix']),
    );
    delete file.latitude;
    // All of it at once, and not one fault an attempt.
    const all = problem(await foreman.post('/api/sites/import').send(file).expect(400)).issues;
    expect(all?.map((i) => i.path).sort()).toEqual(['latitude', 'pours.0.mix', 'runs.2.type']);
    expect(await count()).toBe(before);
  });
});

describe('whatever a client sends', () => {
  test('never a 5xx: bodies, paths and queries out of nothing', async () => {
    const kinds = EVENT_KINDS;
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...kinds, 'nonsense'),
        fc.jsonValue(),
        fc.oneof(fc.string(), fc.constant('2026-09-23T11:35:00Z')),
        async (kind, body, at) => {
          const res = await foreman
            .post(`/api/pours/${p4}/events`)
            .send({ events: [{ ...note(''), kind, body, at }] });
          expect(res.status).toBeLessThan(500);
          if (res.status >= 400)
            expect(problem(res).issues?.every((i) => i.path.startsWith('events.0'))).toBe(true);
        },
      ),
      { numRuns: 80, seed: 11 },
    );
  });

  test.each([
    ['post', '/api/sites/import', '{"format": ', 400],
    ['post', '/api/sites/import', '[]', 400],
    ['get', '/api/pours/none', '', 404],
    ['get', '/api/pours/none/events', '', 404],
    ['get', '/api/nothing', '', 404],
    ['get', '/api/pours/P4%00/stream', '', 404],
    ['put', '/api/pours/none/settings', '{}', 400],
    ['post', '/api/clock', '{"advanceMin": -5}', 400],
    ['post', '/api/pours/none/sign', '{}', 400],
    ['get', '/api/sites/none/weather?from=x&to=y', '', 400],
  ] as const)('%s %s with %s is %d', async (method, path, body, status) => {
    const req = foreman[method](path).set('Content-Type', 'application/json');
    problem(await (body ? req.send(body) : req).expect(status));
  });

  test('after=-1 and after=abc are refused with the field', async () => {
    for (const after of ['-1', 'abc', '1.5'])
      expect(
        problem(await foreman.get(`/api/pours/${p4}/events?after=${after}`).expect(400)).issues?.[0]
          ?.path,
      ).toBe('after');
  });
});

test('on one’s own data the first account is made once, and signs in', async () => {
  const own = await testApi({ seed: false });
  const agent = request.agent(own.app);
  expect((await agent.get('/api/session')).body).toMatchObject({
    account: null,
    setUpNeeded: true,
  });
  problem(await agent.post('/api/accounts/first').send({ name: 'A', pin: '12' }).expect(400));
  await agent.post('/api/accounts/first').send({ name: 'A. Ness', pin: '471147' }).expect(201);
  expect((await agent.get('/api/session')).body).toMatchObject({
    account: { name: 'A. Ness', role: 'foreman' },
  });
  problem(
    await request(own.app)
      .post('/api/accounts/first')
      .send({ name: 'B', pin: '123456' })
      .expect(409),
  );
  await agent
    .post('/api/accounts')
    .send({ name: 'B. Lund', pin: '1234', role: 'crew' })
    .expect(201);
  problem(
    await agent
      .post('/api/accounts')
      .send({ name: 'B. Lund', pin: '1234', role: 'crew' })
      .expect(409),
  );
  await own.end();
});

describe('a site’s own rules', () => {
  test('a foreman’s change is kept with who and when, opens sign-offs again, and is in the export', async () => {
    const foreman = await api.as('foreman');
    const id = await api.idOf('P4');
    const before = (await foreman.get(`/api/pours/${id}`).expect(200)).body as PourAnswer;
    const put = (body: object) => foreman.put(`/api/sites/${before.siteId}/rules`).send(body);
    await put({
      version: before.siteVersion,
      rule: 'loadAge',
      value: 60,
      reason: 'hot week',
    }).expect(200, { version: before.siteVersion + 1 });
    const after = (await foreman.get(`/api/pours/${id}`).expect(200)).body as PourAnswer;
    expect(after.siteVersion).toBe(before.siteVersion + 1);
    expect(after.site.ruleChanges).toMatchObject([
      { rule: 'loadAge', value: 60, by: 'I. Brandvold', reason: 'hot week' },
    ]);
    const file = (await foreman.get(`/api/sites/${before.siteId}/export`).expect(200)).body as {
      ruleChanges: unknown[];
    };
    expect(file.ruleChanges).toHaveLength(1);
    await put({ version: before.siteVersion, rule: 'loadAge', value: 45 }).expect(409);
    await put({ version: after.siteVersion, rule: 'loadAge', value: null }).expect(200);
  });
  test('nonsense and the wrong role change nothing', async () => {
    const foreman = await api.as('foreman');
    const { siteId, siteVersion } = (await foreman.get(`/api/pours/${await api.idOf('P4')}`))
      .body as PourAnswer;
    const url = `/api/sites/${siteId}/rules`;
    for (const [body, path] of [
      [{ rule: 'loadAge', value: 5000 }, 'value'],
      [{ rule: 'moon', value: 1 }, 'rule'],
      [{ rule: 'loadAge', value: '60' }, 'value'],
      [{ rule: 'loadAge' }, 'value'],
    ] as const) {
      const out = await foreman
        .put(url)
        .send({ version: siteVersion, ...body })
        .expect(400);
      expect((out.body as { issues: { path: string }[] }).issues.map((i) => i.path)).toContain(
        path,
      );
    }
    for (const role of ['crew', 'inspector', 'viewer'] as const)
      await (
        await api.as(role)
      )
        .put(url)
        .send({ version: siteVersion, rule: 'loadAge', value: 60 })
        .expect(403);
    await foreman
      .put('/api/sites/none/rules')
      .send({ version: 1, rule: 'loadAge', value: 60 })
      .expect(404);
    expect(
      ((await foreman.get(`/api/pours/${await api.idOf('P4')}`)).body as PourAnswer).siteVersion,
    ).toBe(siteVersion);
  });
});

describe('a calculation kept with the pour', () => {
  const worked = (input: object, calculation = 'tie-load') => ({
    id: uuid(),
    at: '2026-09-23T11:35:00.000Z',
    kind: 'worked',
    body: { calculation, input, note: 'north wall' },
  });
  const good = { pressureKPa: 36, walerSpacingM: 0.6, tieSpacingM: 0.6, tieCapacityKN: 13.3 };
  test('is stored with what was put in', async () => {
    const crew = await api.as('crew');
    const id = await api.idOf('P4');
    await crew
      .post(`/api/pours/${id}/events`)
      .send({ events: [worked(good)] })
      .expect(200);
    const stored = body<StoredEvent[]>(await crew.get(`/api/pours/${id}/events`)).find(
      (e) => e.kind === 'worked',
    );
    expect(stored?.body).toEqual({ calculation: 'tie-load', input: good, note: 'north wall' });
  });
  test.each([
    [{ ...good, pressureKPa: -1 }, 'tie-load', 'events.0.body.input.pressureKPa'],
    [{}, 'tie-load', 'events.0.body.input.tieCapacityKN'],
    [good, 'no-such', 'events.0.body.calculation'],
  ])('bad input is told by its path and not stored', async (input, calculation, path) => {
    const crew = await api.as('crew');
    const out = await crew
      .post(`/api/pours/${await api.idOf('P4')}/events`)
      .send({ events: [worked(input, calculation)] })
      .expect(400);
    expect((out.body as { issues: { path: string }[] }).issues.map((i) => i.path)).toContain(path);
  });
});

describe('bodies that no schema has to look at', () => {
  let foreman: Awaited<ReturnType<typeof api.as>>;
  let id: string;
  beforeAll(async () => {
    foreman = await api.as('foreman');
    id = await api.idOf('P4');
  });
  const send = (text: string) =>
    foreman.post(`/api/pours/${id}/events`).set('Content-Type', 'application/json').send(text);

  test('nested deeper than anything is refused at its place', async () => {
    const deep = `{"events":${'['.repeat(5000)}${']'.repeat(5000)}}`;
    expect(problem(await send(deep).expect(400)).issues?.[0]?.message).toMatch(/nested more than/);
    const many = `{"events":[${'[],'.repeat(400_000)}[]]}`;
    expect(problem(await send(many).expect(400)).issues?.[0]?.message).toMatch(/holds more than/);
  });
  test('a character that is not written is refused at its place', async () => {
    const bell = JSON.stringify({ events: [note('ring\u0007')] });
    expect(problem(await send(bell).expect(400)).issues).toEqual([
      { path: 'events.0.body.text', message: 'holds a character that is not written' },
    ]);
  });
  test('a name that breaks the line, as for another entity in a drawing, is refused', async () => {
    const file = (await foreman.get(`/api/sites/${(await api.sites.pour(id)).siteId}/export`))
      .body as {
      runs: { label?: string }[];
    };
    const runs = file.runs.map((r, i) => (i === 0 ? { ...r, label: 'N\n0\nCIRCLE' } : r));
    const res = await foreman
      .post('/api/sites/import')
      .send({ ...file, runs })
      .expect(400);
    expect(problem(res).issues?.[0]?.path).toBe('runs.0.label');
  });
  test('a pour of any name has its report', async () => {
    const file = (await foreman.get(`/api/sites/${(await api.sites.pour(id)).siteId}/export`))
      .body as {
      pours: { code: string }[];
    };
    const pours = file.pours.map((p) => (p.code === 'P4' ? { ...p, code: 'Ф1' } : p));
    const made = body<{ pours: { id: string; code: string }[] }>(
      await foreman
        .post('/api/sites/import')
        .send({ ...file, pours })
        .expect(201),
    );
    const named = made.pours.find((p) => p.code === 'Ф1')?.id ?? '';
    const res = await foreman.get(`/api/pours/${named}/report.pdf`).expect(200);
    expect(res.headers['content-disposition']).toMatch(/^inline; .*filename\*=UTF-8''%D0%A41/);
  });
});

import { afterAll, beforeAll, expect, test } from '@jest/globals';
import fs from 'node:fs';
import { v4 as uuid } from 'uuid';
import type { PourAnswer, Problem, SiteFile } from '../contract/index.ts';
import { drawnOf, type Drawn } from '../core/siteplan/drawn.ts';
import { applyEdit } from '../core/siteplan/edit/apply.ts';
import { type PlanEdit } from '../core/siteplan/edit/acts.ts';
import { testApi } from './testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let foreman: Awaited<ReturnType<typeof api.as>>;
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
});
afterAll(() => api.end());

const pourOf = async (code: string) =>
  (await foreman.get(`/api/pours/${await api.idOf(code)}`).expect(200)).body as PourAnswer;
const siteOf = async (id: string) =>
  (await foreman.get(`/api/sites/${id}/export`).expect(200)).body as SiteFile;
async function drawn(code: string): Promise<{ record: PourAnswer; plan: Drawn; file: SiteFile }> {
  const record = await pourOf(code);
  const file = await siteOf(record.siteId);
  return { record, file, plan: drawnOf(file, file.pours) };
}
const put = (siteId: string, version: number, plan: unknown) =>
  foreman.put(`/api/sites/${siteId}/plan`).send({ version, plan });

test('an edit is stored with what it changes, by whom, and the runs of its pours', async () => {
  const { record, plan, file } = await drawn('P4');
  const edit: PlanEdit = { do: 'splitRun', id: 'R', atM: 3 };
  const answer = await put(record.siteId, record.siteVersion, applyEdit(file, plan, edit)).expect(
    200,
  );
  expect(answer.body).toEqual({ version: record.siteVersion + 1 });
  const now = await pourOf('P4');
  expect(now.pour.elements).toEqual(['R', 'R.1']);
  expect(now.version).toBe(record.version + 1);
  expect(now.site.planChanges.at(-1)).toMatchObject({
    version: record.siteVersion + 1,
    by: 'I. Brandvold',
    elements: expect.arrayContaining(['R', 'R.1']) as unknown,
  });
  // Back again: undo sends the drawing from before, and the site stands as it did.
  await put(record.siteId, record.siteVersion + 1, plan).expect(200);
  const { planChanges, ...back } = await siteOf(record.siteId);
  const { planChanges: _old, ...was } = file;
  expect(back).toEqual(was);
  expect(planChanges).toHaveLength(2);
});

test('the same drawing again changes nothing, a stale one is refused, a bad one names its field', async () => {
  const { record, plan } = await drawn('P4');
  await put(record.siteId, record.siteVersion, plan).expect(200, { version: record.siteVersion });
  await put(record.siteId, record.siteVersion - 1, plan).expect(409);
  const bad = async (change: Partial<Drawn>) =>
    (await put(record.siteId, record.siteVersion, { ...plan, ...change }).expect(400))
      .body as Problem;
  expect(
    (await bad({ runs: plan.runs.map((r) => (r.id === 'R' ? { ...r, type: 'W9' } : r)) })).issues,
  ).toContainEqual({
    path: `runs.${plan.runs.findIndex((r) => r.id === 'R')}.type`,
    message: 'names W9, which is not a wall type',
  });
  expect((await bad({ pours: [{ code: 'P9', elements: ['R'] }] })).detail).toMatch(/no pour P9/);
  expect(
    (await bad({ pours: [{ code: 'P4', elements: ['ghost'] }] })).issues?.[0]?.message,
  ).toMatch(/ghost, which is not a run, pad or pier/);
  expect((await bad({ runs: 'none' as unknown as Drawn['runs'] })).issues?.[0]?.path).toBe(
    'plan.runs',
  );
  expect((await pourOf('P4')).siteVersion).toBe(record.siteVersion);
});

test('a change of a run is written down, and stands on the pours that are open', async () => {
  const { record, plan, file } = await drawn('P2');
  const next = applyEdit(file, plan, { do: 'setRun', id: 'FN', change: { type: 'F3' } });
  await put(record.siteId, record.siteVersion, next).expect(200);
  const report = (await foreman.get(`/api/pours/${record.id}`)).body as PourAnswer;
  expect(report.site.planChanges.at(-1)).toMatchObject({
    what: 'FN is now F3, FN bottom at 90.33 ft',
    elements: ['FN'],
  });
});

test('nobody signs for a plan that is not there yet', async () => {
  const { record } = await drawn('P4');
  const sign = (planVersion: number) =>
    foreman.post(`/api/pours/${record.id}/events`).send({
      events: [
        {
          id: uuid(),
          at: '2026-09-23T11:35:00Z',
          kind: 'sign',
          body: { hold: 'own', result: 'pass', planVersion },
        },
      ],
    });
  expect(((await sign(record.siteVersion + 1).expect(400)).body as Problem).issues?.[0]?.path).toBe(
    'events.0.body.planVersion',
  );
  await sign(record.siteVersion).expect(200);
});

test('forms are put in and given to a pour, with the pressure they hold; ones nobody knows are refused', async () => {
  const { record, plan, file } = await drawn('P2');
  const [a3] = plan.formSystems;
  const both = applyEdit(file, plan, {
    do: 'putForms',
    system: { ...(a3 as NonNullable<typeof a3>), mark: 'B1', ratingKPa: 30 },
  });
  const { version } = (
    await put(
      record.siteId,
      record.siteVersion,
      applyEdit(file, both, { do: 'setForms', pour: 'P2', forms: 'B1' }),
    ).expect(200)
  ).body as { version: number };
  const now = await pourOf('P2');
  expect([now.pour.forms, now.pour.settings.ratingKPa]).toEqual(['B1', 30]);
  expect(now.site.planChanges.at(-1)?.what).toBe('forms B1 added, P2 stands in B1');
  const bad = (
    await put(record.siteId, version, {
      ...both,
      pours: [{ code: 'P2', elements: now.pour.elements, forms: 'Z9' }],
    }).expect(400)
  ).body as Problem;
  expect(bad.issues).toEqual([
    { path: 'plan.pours.0.forms', message: 'is not among the form systems' },
  ]);
  await put(record.siteId, version, plan).expect(200);
  expect((await pourOf('P2')).pour.forms).toBe('A3');
});

test('others than a foreman may not draw', async () => {
  const { record, plan } = await drawn('P4');
  for (const role of ['crew', 'inspector', 'viewer'] as const)
    await (
      await api.as(role)
    )
      .put(`/api/sites/${record.siteId}/plan`)
      .send({ version: record.siteVersion, plan })
      .expect(403);
});

test('a site file goes out and in bit for bit, changes and all', async () => {
  const raw = fs.readFileSync('demo/sites/kestrel.json', 'utf8');
  const sent = await foreman
    .post('/api/sites/import')
    .set('Content-Type', 'application/json')
    .send(raw)
    .expect(201);
  const out = async (id: string) =>
    (
      await foreman
        .get(`/api/sites/${id}/export`)
        .buffer(true)
        .parse((res, done) => {
          let s = '';
          res.setEncoding('utf8');
          res.on('data', (c: string) => {
            s += c;
          });
          res.on('end', () => {
            done(null, s);
          });
        })
    ).body as string;
  const first = (sent.body as { id: string }).id;
  expect(await out(first)).toBe(raw);
  // Changed, it leaves with its history, and comes back the same.
  const file = JSON.parse(raw) as SiteFile;
  await put(
    first,
    1,
    applyEdit(file, drawnOf(file, file.pours), {
      do: 'setRun',
      id: 'VN',
      change: { label: 'Wall to the hill' },
    }),
  ).expect(200);
  await put(first, 1, drawnOf(file, file.pours)).expect(409);
  const changed = await out(first);
  const again = (
    await foreman
      .post('/api/sites/import')
      .set('Content-Type', 'application/json')
      .send(changed)
      .expect(201)
  ).body as { id: string };
  expect(await out(again.id)).toBe(changed);
});

test('what there is to plan with is put in place of what stood; what a pour names cannot go', async () => {
  const record = await pourOf('P2');
  const put = (body: object) => foreman.put(`/api/sites/${record.siteId}/resources`).send(body);
  const { version } = (
    await put({
      version: record.siteVersion,
      prices: { crewPerMin: 6 },
      crew: [{ name: 'T. Oakes', jobs: ['hose'] }],
    }).expect(200)
  ).body as { version: number };
  const now = await pourOf('P2');
  expect(now.siteVersion).toBe(version);
  expect(now.site.prices).toEqual({ crewPerMin: 6 });
  expect(now.site.crew).toEqual([{ name: 'T. Oakes', role: '', jobs: ['hose'] }]);
  // What was not named stays.
  expect(now.site.conveyances).toEqual(record.site.conveyances);
  await put({ version: record.siteVersion, crew: [] }).expect(409);
  const gone = (await put({ version, conveyances: [] }).expect(400)).body as Problem;
  // Said by the pour's own name, at the list that no longer holds it.
  expect(gone.issues).toEqual([
    { path: 'conveyances', message: expect.stringMatching(/^P\d still uses /) },
  ]);
  expect(gone.detail).toMatch(/P\d still uses conveyance/);
  const bad = (
    await put({
      version,
      conveyances: [{ ...record.site.conveyances[0], rateM3PerH: 1e6 }],
    }).expect(400)
  ).body as Problem;
  expect(bad.issues?.[0]?.path).toBe('conveyances.0.rateM3PerH');
  expect((await pourOf('P2')).siteVersion).toBe(version);
  await (
    await api.as('crew')
  )
    .put(`/api/sites/${record.siteId}/resources`)
    .send({ version, crew: [] })
    .expect(403);
});

test('a pour takes another day with its settings, and no conveyance that the site does not have', async () => {
  const record = await pourOf('P4');
  const { settings } = record.pour;
  const put = (body: object) => foreman.put(`/api/pours/${record.id}/settings`).send(body);
  const moved = (
    await put({
      version: record.version,
      settings: { ...settings, firstLoadMin: 600 },
      date: '2026-10-05',
    }).expect(200)
  ).body as PourAnswer;
  expect(moved.pour.date).toBe('2026-10-05');
  expect(moved.pour.settings.firstLoadMin).toBe(600);
  expect(moved.duskMin).toBeLessThan(1440);
  const bad = (
    await put({
      version: moved.version,
      settings: { ...settings, conveyance: 'helicopter' },
    }).expect(400)
  ).body as Problem;
  expect(bad.issues?.[0]?.path).toBe('settings.conveyance');
  // Left out, the day stays; null takes it away.
  await put({ version: moved.version, settings, date: null }).expect(200);
  expect((await pourOf('P4')).pour.date).toBeNull();
});

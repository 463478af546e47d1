import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import Papa from 'papaparse';
import type { PourAnswer, ProbeAnswer } from '../../contract/index.ts';
import { testApi } from '../testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let foreman: Awaited<ReturnType<typeof api.as>>;
let id: string;
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
  id = await api.idOf('P4');
});
afterAll(() => api.end());

const log = async (kind: string, body: object, supersedes?: string) => {
  const { now } = (await foreman.get('/api/clock').expect(200)).body as { now: string };
  const event = { id: randomUUID(), at: now, kind, body, ...(supersedes ? { supersedes } : {}) };
  await foreman
    .post(`/api/pours/${id}/events`)
    .send({ events: [event] })
    .expect(200);
  return event.id;
};
const table = async (name: string) => {
  const { text } = await foreman.get(`/api/pours/${id}/${name}`).expect(200);
  return Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trim(), { header: true })
    .data;
};

test('the log and the loads leave as tables in the site’s units; what was corrected is there, and does not count', async () => {
  const wrong = await log('note', { text: '=SUM(A1)' });
  await log('note', { text: 'Pump primed' }, wrong);
  const { site } = (await foreman.get(`/api/pours/${id}`).expect(200)).body as PourAnswer;
  const { now } = (await foreman.get('/api/clock').expect(200)).body as { now: string };
  await log('load-arrived', { loadId: 'L1', ticket: '4711', volumeM3: 7.6455486, batchedAt: now });
  const rows = (await table('log.csv')).slice(-3);
  expect(rows.map((r) => [r.kind, r.counts])).toEqual([
    ['note', 'no'],
    ['note', 'yes'],
    ['load-arrived', 'yes'],
  ]);
  // No formula of somebody's own making runs in a spreadsheet.
  expect(rows[0]?.what).toBe("'=SUM(A1)");
  const loads = await table('loads.csv');
  expect(site.units).toBe('us');
  expect(loads.find((l) => l.load === 'L1')).toMatchObject({
    ticket: '4711',
    'volume, yd³': '10',
    'where it is': 'at the gate',
  });
});

test('times are by the clock of the site; what was written late says both, and the chain holds it', async () => {
  const { now } = (await foreman.get('/api/clock').expect(200)).body as { now: string };
  const before = new Date(Date.parse(now) - 30 * 60_000).toISOString();
  const send = (at: string, writtenAt: string, status: number) =>
    foreman
      .post(`/api/pours/${id}/events`)
      .send({
        events: [
          { id: randomUUID(), at, writtenAt, kind: 'note', body: { text: 'half an hour ago' } },
        ],
      })
      .expect(status);
  await send(before, now, 200);
  const refused = await send(now, before, 400);
  expect(JSON.stringify(refused.body)).toContain('writtenAt');
  const row = (await table('log.csv')).find((r) => r.what === 'half an hour ago');
  expect([row?.at, row?.['written down']].map((t) => Date.parse(t ?? ''))).toEqual([
    Math.floor(Date.parse(before) / 1000) * 1000 + (Date.parse(before) % 1000),
    Date.parse(now),
  ]);
  expect(row?.at).toMatch(/-0[45]:00$/);
  await foreman
    .get(`/api/pours/${id}/verify`)
    .expect(200)
    .expect((r) => {
      expect(r.body).toMatchObject({ ok: true });
    });
});

test('the chain of the log is gone through, and answers over how many entries it holds', async () => {
  const rows = (await table('log.csv')).length;
  const answer = await foreman.get(`/api/pours/${id}/verify`).expect(200);
  expect(answer.body).toMatchObject({ ok: true, rows });
  await foreman.get('/api/pours/nobody/verify').expect(404);
});

test('the probe of the demo reads the air before anything is placed', async () => {
  const answer = await foreman.get(`/api/pours/${id}/probe`).expect(200);
  const { tempC } = answer.body as ProbeAnswer;
  expect(tempC).toBeGreaterThan(-20);
  expect(tempC).toBeLessThan(45);
});

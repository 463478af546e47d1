import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { StoredEvent } from '../contract/index.ts';
import { note, testApi } from './testing/api.ts';

/** A store that may not grow any more is a full disk as SQLite sees it. */

let api: Awaited<ReturnType<typeof testApi>>;
beforeAll(async () => {
  api = await testApi();
});
afterAll(() => api.end());

test('without room nothing is stored, what was acknowledged stays, and it goes on when there is some', async () => {
  const crew = await api.as('crew');
  const pour = await api.idOf('P4');
  const post = (text: string) =>
    crew.post(`/api/pours/${pour}/events`).send({ events: [note(text)] });
  const log = async () =>
    ((await crew.get(`/api/pours/${pour}/events`).expect(200)).body as StoredEvent[]).map(
      (e) => (e.body as { text?: string }).text,
    );
  const pages = api.sqlite.pragma('page_count', { simple: true }) as number;
  api.sqlite.pragma(`max_page_count = ${pages + 3}`);
  const acknowledged: string[] = [];
  let full: { status: number; detail: string } | null = null;
  for (let i = 0; i < 60 && !full; i += 1) {
    const text = `${i} ${'x'.repeat(1500)}`;
    const res = await post(text);
    if (res.status === 200) acknowledged.push(text);
    else full = res.body as { status: number; detail: string };
  }
  expect(full).toMatchObject({ status: 507 });
  expect(full?.detail).toMatch(/disk of the server is full/);
  expect(await log()).toEqual(acknowledged);
  api.sqlite.pragma('max_page_count = 1000000');
  await post('with room again').expect(200);
  expect(await log()).toEqual([...acknowledged, 'with room again']);
});

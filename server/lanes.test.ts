import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { LanesAnswer, OutlineAnswer } from '../contract/index.ts';
import { replay } from '#core/log';
import { viewOf } from '#core/view';
import { DEMO_START } from './demo.ts';
import { note, testApi } from './testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let foreman: Awaited<ReturnType<typeof api.as>>;
let site: string;
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
  site = (await api.sites.pour(await api.idOf('P1'))).siteId;
});
afterAll(() => api.end());

/** The list as it comes, asked for until all of it is known. */
async function lanes(): Promise<LanesAnswer> {
  for (let tries = 0; tries < 60; tries += 1) {
    const res = await foreman.get(`/api/sites/${site}/lanes`).expect(200);
    const answer = res.body as LanesAnswer;
    if (!answer.more) return answer;
  }
  throw new Error('the list never came');
}
const laneOf = (answer: LanesAnswer, id: string) => {
  const lane = answer.pours.find((p) => p.id === id)?.lane;
  if (!lane || lane === 'wait') throw new Error('no lane');
  return lane;
};

test('a list says of each pour what its stations say', async () => {
  const answer = await lanes();
  expect(answer.pours.length).toBeGreaterThan(2);
  for (const { id } of answer.pours) {
    const record = await api.sites.pour(id);
    const view = viewOf(record, replay(await api.events.after(id, 0)), DEMO_START.getTime());
    const lane = laneOf(answer, id);
    expect(lane.gate.toFix).toBe(view?.gate.rows.length);
    expect(lane.plan.orderedM3).toBe(view?.plan.orderedM3);
    expect(lane.progress.placedM3).toBe(view?.progress.placedM3);
    expect(lane.closed).toBe(view?.closed);
  }
});

test('what is kept is known at once, and an entry makes that of its own pour anew', async () => {
  await lanes();
  const again = (await foreman.get(`/api/sites/${site}/lanes`)).body as LanesAnswer;
  expect(again.more).toBe(false);
  const id = await api.idOf('P3');
  const before = laneOf(again, id);
  const question = { number: 90, elementIds: ['N'], text: 'Whose sleeve?', to: 'engineer' };
  await foreman
    .post(`/api/pours/${id}/events`)
    .send({ events: [note('', { kind: 'question', body: question })] })
    .expect(200);
  const after = laneOf(await lanes(), id);
  expect(after.gate.questions).toBe(before.gate.questions + 1);
  expect(after.gate.toFix).toBe(before.gate.toFix + 1);
});

test('a pour that was called off is not worked out: why stands there', async () => {
  const id = await api.idOf('P4');
  const { version, pour } = await api.sites.pour(id);
  const cancelled = {
    reason: 'Owner has no money',
    by: 'I. Brandvold',
    at: DEMO_START.toISOString(),
  };
  await foreman
    .put(`/api/pours/${id}/doc`)
    .send({ version, pour: { ...pour, cancelled } })
    .expect(200);
  const row = (await lanes()).pours.find((p) => p.id === id);
  expect(row).toMatchObject({ lane: null, reason: 'Owner has no money' });
});

test('a site is drawn from above with each of its parts; one that is not there has neither', async () => {
  const res = await foreman.get(`/api/sites/${site}/outline`).expect(200);
  const { parts } = res.body as OutlineAnswer;
  const record = await api.sites.pour(await api.idOf('P1'));
  for (const id of record.pour.elements)
    expect(parts.find((p) => p.id === id)?.ring.length).toBeGreaterThan(2);
  const nowhere = '0b5a2f0e-7d3c-4e0e-9a8e-1f2e3d4c5b6a';
  await foreman.get(`/api/sites/${nowhere}/outline`).expect(404);
  await foreman.get(`/api/sites/${nowhere}/lanes`).expect(404);
});

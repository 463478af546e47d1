import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { v7 as uuid } from 'uuid';
import { testApi } from './testing/api.ts';

/** Who may correct whom, and what cannot have happened, asked of the running application. */

let api: Awaited<ReturnType<typeof testApi>>;
let agents: Record<'foreman' | 'crew' | 'inspector', Awaited<ReturnType<typeof api.as>>>;
let id: string;
beforeAll(async () => {
  api = await testApi();
  agents = {
    foreman: await api.as('foreman'),
    crew: await api.as('crew'),
    inspector: await api.as('inspector'),
  };
  id = await api.idOf('P4');
});
afterAll(() => api.end());

const event = (
  kind: string,
  body: object,
  supersedes?: string,
  at = '2026-09-23T11:35:00.000Z',
) => ({
  id: uuid(),
  at,
  kind,
  body,
  ...(supersedes ? { supersedes } : {}),
});
const post = (who: keyof typeof agents, ...events: object[]) =>
  agents[who].post(`/api/pours/${id}/events`).send({ events });
const counted = async () => (await api.events.after(id, 0)).length;

describe('corrections', () => {
  test('a crew note cannot stand in for an inspector’s sign-off, nor can anybody else’s', async () => {
    const sign = event('sign', { hold: 'inspection', result: 'pass', planVersion: 1 });
    await post('inspector', sign).expect(200);
    const before = await counted();
    const note = await post('crew', event('note', { text: 'no' }, sign.id)).expect(400);
    expect(note.body).toMatchObject({ issues: [{ path: 'events.0.supersedes' }] });
    await post('crew', event('supersede', {}, sign.id)).expect(403);
    await post('foreman', event('supersede', {}, sign.id)).expect(403);
    // Not by a slip either: the inspector's own taking back asks for their PIN.
    const slip = await post('inspector', event('supersede', {}, sign.id)).expect(403);
    expect((slip.body as { detail: string }).detail).toMatch(/with a PIN/);
    const unsign = (name: string, pin: string) =>
      agents.foreman
        .post(`/api/pours/${id}/unsign`)
        .send({ name, pin, at: sign.at, entry: sign.id, reason: 'mud in the corner' });
    await unsign('R. Halloran', '0000').expect(401);
    const own = await unsign('I. Brandvold', '2468').expect(403);
    expect((own.body as { detail: string }).detail).toMatch(/taken back by an inspector/);
    expect(await counted()).toBe(before);
    await unsign('R. Halloran', '8642').expect(200);
    expect(await counted()).toBe(before + 1);
  });
  test('another’s reading is taken back by the foreman and not by crew', async () => {
    const mine = event('note', { text: 'mine' });
    await post('foreman', mine).expect(200);
    await post('crew', event('supersede', {}, mine.id)).expect(403);
    const theirs = event('note', { text: 'theirs' });
    await post('crew', theirs).expect(200);
    await post('foreman', event('note', { text: 'put right' }, theirs.id)).expect(200);
  });
  test('an entry and its correction come in one batch; one of nothing is refused', async () => {
    const wrong = event('note', { text: 'wrong' });
    await post('crew', wrong, event('note', { text: 'right' }, wrong.id)).expect(200);
    await post('crew', event('supersede', {}, uuid())).expect(400);
  });
});

describe('what cannot have happened', () => {
  test('a seven day break a minute after placing, forms off where nothing was placed', async () => {
    const before = await counted();
    const early = event('break-test', { ageDays: 7, strengthMPa: 20 });
    const none = await post('foreman', early).expect(400);
    expect((none.body as { detail: string }).detail).toMatch(/Nothing has been placed/);
    await post('foreman', event('strip', { elementIds: ['R'] })).expect(400);
    expect(await counted()).toBe(before);
    await post('foreman', event('place-start', { elementId: 'R', lift: 0 })).expect(200);
    const at = '2026-09-23T12:01:00.000Z';
    await post('foreman', { ...early, id: uuid(), at }).expect(400);
    const later = '2026-09-30T12:01:00.000Z';
    await agents.foreman
      .post('/api/clock')
      .send({ advanceMin: 8 * 1440 })
      .expect(200);
    await post('foreman', { ...early, id: uuid(), at: later }).expect(200);
    await post('foreman', event('strip', { elementIds: ['R'] }, undefined, at)).expect(200);
  });
  test('nothing but what belongs there goes into a closed pour', async () => {
    await post('foreman', event('close', {}, undefined, '2026-09-30T12:02:00.000Z')).expect(200);
    const late = (kind: string, body: object) =>
      post('foreman', event(kind, body, undefined, '2026-09-30T12:03:00.000Z'));
    const refused = await late('note', { text: 'one more' }).expect(400);
    expect((refused.body as { detail: string }).detail).toMatch(/closed/);
    await late('defect', { elementId: 'R', what: 'a crack' }).expect(200);
    await late('reopen', { reason: 'one more note' }).expect(200);
    await late('note', { text: 'one more' }).expect(200);
  });
});

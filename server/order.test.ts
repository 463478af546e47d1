import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { DeliveriesAnswer, OrderAnswer, PourAnswer, Problem } from '../contract/index.ts';
import { planOf } from '../core/view/pour-view.ts';
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
const plannedOf = (record: PourAnswer) => {
  const plan = planOf(record);
  if (!plan) throw new Error('no plan');
  return { volumeM3: plan.orderedM3, loads: plan.loadIds.length };
};
const tell = (id: string, body: object) => foreman.post(`/api/pours/${id}/order`).send(body);
const deliveries = async (id: string) =>
  (await foreman.get(`/api/pours/${id}/deliveries`).expect(200)).body as DeliveriesAnswer;
const entries = async (id: string) =>
  (
    (await foreman.get(`/api/pours/${id}/events?after=0`).expect(200)).body as { kind: string }[]
  ).filter((e) => e.kind === 'order').length;

describe('an order to the plant', () => {
  test('is taken under a number, stands in the log, and its loads are to batch', async () => {
    const record = await pourOf('K1');
    const planned = plannedOf(record);
    const said = (await tell(record.id, planned).expect(200)).body as OrderAnswer;
    expect(said).toMatchObject({
      taken: true,
      number: expect.stringMatching(/^K1-\d{4}$/) as unknown,
    });
    const now = await deliveries(record.id);
    expect(now.number).toBe(said.number);
    expect(now.loads).toHaveLength(planned.loads);
    expect(now.loads.every((l) => l.state === 'to batch' && l.batchedAt === null)).toBe(true);
    expect(await entries(record.id)).toBe(1);
    // Changed, it has another number; called off, nothing is to come.
    const again = (await tell(record.id, planned).expect(200)).body as OrderAnswer;
    expect(again.number).toBe(`${said.number ?? ''}/2`);
    await tell(record.id, { ...planned, act: 'cancel' }).expect(200);
    expect((await deliveries(record.id)).loads).toEqual([]);
    expect(await entries(record.id)).toBe(3);
  });

  test('told again under the same entry, because the answer was not heard, is told once', async () => {
    const record = await pourOf('K1');
    const planned = { ...plannedOf(record), id: '01a231f1-9f86-751b-9e4c-2809d58c47db' };
    const before = await entries(record.id);
    const said = (await tell(record.id, planned).expect(200)).body as OrderAnswer;
    const again = (await tell(record.id, planned).expect(200)).body as OrderAnswer;
    expect(again).toEqual(said);
    expect(await entries(record.id)).toBe(before + 1);
  });
  test('so much more is called beside it: one load more, the others as late as they were, its number the same', async () => {
    const record = await pourOf('K1');
    const planned = plannedOf(record);
    const said = (await tell(record.id, planned).expect(200)).body as OrderAnswer;
    const before = await deliveries(record.id);
    const more = (await tell(record.id, { act: 'more', volumeM3: 2, loads: 1 }).expect(200))
      .body as OrderAnswer;
    expect(more).toMatchObject({ taken: true, number: said.number });
    expect(more.said).toMatch(/leaves about \d\d:\d\d, here about/);
    const after = await deliveries(record.id);
    expect(after.loads.slice(0, -1)).toEqual(before.loads);
    expect(after.loads.at(-1)).toMatchObject({ id: `L${planned.loads + 1}`, volumeM3: 2 });
    // A second call has a name of its own.
    await tell(record.id, { act: 'more', volumeM3: 3, loads: 1 }).expect(200);
    expect((await deliveries(record.id)).loads.at(-1)?.id).toBe(`L${planned.loads + 2}`);
  });

  test('more than its trucks hold is refused with what to do, and nothing is written down', async () => {
    const record = await pourOf('K1');
    const known = await entries(record.id);
    const answer = await tell(record.id, { act: 'more', volumeM3: 200, loads: 1 }).expect(400);
    expect((answer.body as Problem).detail).toContain('Call for more loads');
    expect(await entries(record.id)).toBe(known);
  });

  test('is refused in words where the plant cannot, and nothing is written down', async () => {
    const record = await pourOf('K2');
    const put = async (firstLoadMin: number, date = '2026-10-06') => {
      const now = await pourOf('K2');
      const body = {
        version: now.version,
        settings: { ...now.pour.settings, firstLoadMin },
        date,
      };
      return (await foreman.put(`/api/pours/${record.id}/settings`).send(body).expect(200))
        .body as PourAnswer;
    };
    // The plant opens at 06:30 and is half an hour away.
    const early = (await tell(record.id, plannedOf(await put(360))).expect(200))
      .body as OrderAnswer;
    expect(early.taken).toBe(false);
    expect(early.said).toContain('opens at 06:30');
    const late = (await tell(record.id, plannedOf(await put(1200))).expect(200))
      .body as OrderAnswer;
    expect(late.said).toContain('shuts at 17:30');
    // Yesterday's load cannot leave.
    const past = (await tell(record.id, plannedOf(await put(480, '2026-09-22'))).expect(200))
      .body as OrderAnswer;
    expect(past).toMatchObject({ taken: false, number: null });
    expect(await entries(record.id)).toBe(0);
  });

  test('of something else than what is planned, of a pour without a day, by the crew: refused', async () => {
    const record = await pourOf('K1');
    const { volumeM3, loads } = plannedOf(record);
    const other = (await tell(record.id, { volumeM3: volumeM3 + 1, loads }).expect(400))
      .body as Problem;
    expect(other.issues?.[0]?.path).toBe('volumeM3');
    const p4 = await pourOf('P4');
    const undated = (await tell(p4.id, plannedOf(p4)).expect(400)).body as Problem;
    expect(undated.issues?.[0]?.path).toBe('date');
    const k2 = await pourOf('K2');
    expect(
      ((await tell(k2.id, { ...plannedOf(k2), act: 'put-off' }).expect(400)).body as Problem)
        .detail,
    ).toContain('no order');
    await (await api.as('crew')).post(`/api/pours/${record.id}/order`).send({}).expect(403);
  });
});

test('loads leave and come by the clock of the site, late as the plant’s loads are', async () => {
  const record = await pourOf('P2');
  const planned = plannedOf(record);
  // P2 is poured today: the plant wants two hours.
  const first = planOf(record)?.simulation.loads[0]?.batchMin ?? 0;
  expect(first).toBeGreaterThan(400);
  const later = { ...record.pour.settings, firstLoadMin: 660 };
  const moved = (
    await foreman
      .put(`/api/pours/${record.id}/settings`)
      .send({ version: record.version, settings: later })
      .expect(200)
  ).body as PourAnswer;
  expect((await tell(record.id, planned).expect(200)).body).toMatchObject({ taken: true });
  expect((await deliveries(record.id)).loads[0]?.state).toBe('to batch');
  // Past the tail of any plant's lateness: it is drawn by the pour's own id, another in every run.
  await foreman.post('/api/clock').send({ advanceMin: 480 }).expect(200);
  const then = await deliveries(record.id);
  expect(then.loads[0]?.state).not.toBe('to batch');
  expect(then.loads[0]?.batchedAt).not.toBeNull();
  // Asked twice it says the same of what has left; what has not is due by the clock.
  const left = (d: DeliveriesAnswer) => d.loads.filter((l) => l.batchedAt !== null);
  expect(left(await deliveries(record.id))).toEqual(left(then));
  await foreman.post('/api/clock').send({ advanceMin: 600 }).expect(200);
  expect((await deliveries(record.id)).loads.every((l) => l.state === 'here')).toBe(true);
  expect(moved.pour.settings.firstLoadMin).toBe(660);
});

test('the card is a page, and the calendar has what is to be thought of', async () => {
  const record = await pourOf('K1');
  const card = await foreman.get(`/api/pours/${record.id}/card.pdf`).buffer(true).expect(200);
  expect(card.headers['content-type']).toContain('application/pdf');
  const text = (card.body as Buffer).toString('latin1');
  expect(text.startsWith('%PDF')).toBe(true);
  expect(text.match(/\/Type \/Page\b/g)).toHaveLength(1);
  const ics = (await foreman.get(`/api/sites/${record.siteId}/calendar.ics`).expect(200)).text;
  expect(ics.startsWith('BEGIN:VCALENDAR')).toBe(true);
  // K1 pours at 08:00 in Paris, 06:00 by universal time; K3 has no day.
  expect(ics).toContain('DTSTART:20260924T060000Z');
  expect(ics).toContain('K1: cylinders due');
  expect(ics).not.toContain('K3:');
  await foreman.get('/api/sites/none/calendar.ics').expect(404);
});

test('a forecast that is brought in rules over the service, and a bad one names its line', async () => {
  const { siteId } = await pourOf('K1');
  const weather = async () =>
    (
      await foreman
        .get(`/api/sites/${siteId}/weather?from=2026-09-24T04:00:00Z&to=2026-09-24T12:00:00Z`)
        .expect(200)
    ).body as { source: string; hours: { at: string; airTempC: number }[] };
  expect((await weather()).source).toBe('simulated');
  const put = (hours: unknown) => foreman.put(`/api/sites/${siteId}/forecast`).send({ hours });
  await put([
    { at: '2026-09-24T06:00:00Z', airTempC: -3 },
    { at: '2026-09-24T08:00:00+00:00', airTempC: 1, rainMmH: 1 },
  ]).expect(200);
  const now = await weather();
  expect(now.source).toBe('given');
  const at = (h: string) => now.hours.find((x) => x.at === `2026-09-24T${h}:00:00.000Z`)?.airTempC;
  expect(at('07')).toBeCloseTo(-1, 9);
  // Before and well after what was given the service goes on.
  expect(at('04')).toBeGreaterThan(0);
  const bad = (await put([{ at: '2026-09-24T06:00:00Z', airTempC: 300 }]).expect(400))
    .body as Problem;
  expect(bad.issues?.[0]?.path).toBe('hours.0.airTempC');
  const back = (
    await put([
      { at: '2026-09-24T06:00:00Z', airTempC: 3 },
      { at: '2026-09-24T05:00:00Z', airTempC: 3 },
    ]).expect(400)
  ).body as Problem;
  expect(back.issues?.[0]?.path).toBe('hours.1.at');
  await put([]).expect(200);
  expect((await weather()).source).toBe('simulated');
});

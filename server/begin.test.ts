import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { v4 as uuid } from 'uuid';
import { newPour, newSite, usualFooting, usualPad, usualWall } from '../core/begin/index.ts';
import type { PourAnswer, SiteAnswer, SiteFile } from '../contract/index.ts';
import { note, testApi } from './testing/api.ts';

let api: Awaited<ReturnType<typeof testApi>>;
let foreman: Awaited<ReturnType<typeof api.as>>;
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
});
afterAll(() => api.end());

interface Body {
  issues: { path: string; message: string }[];
  detail: string;
  version: number;
  id: string;
  source: string;
  picture: string;
  turnDeg: number;
  site: SiteFile;
  account: { invited: unknown };
}
const bodyOf = (answer: { body: unknown }): Body => answer.body as Body;

const HEAD = {
  name: 'Ostrander Stable',
  latitude: 44.9,
  longitude: -91.4,
  timeZone: 'America/Chicago',
  units: 'us' as const,
  ruleProfile: 'us-aci' as const,
};
const made = (name = HEAD.name) =>
  newSite(
    { ...HEAD, name },
    {
      shape: 'ring',
      madeOf: 'both',
      to: 'middle',
      typed: { N: 10, E: 8 },
      footing: usualFooting('us-aci', 'F1'),
      wall: usualWall('us-aci', 'W1'),
      wallHeightM: 2.4,
      pad: usualPad('us-aci'),
    },
  );
async function newOne(name?: string) {
  const id = uuid();
  await foreman.put(`/api/sites/${id}`).send(made(name)).expect(201);
  const answered = await foreman.get(`/api/sites/${id}`).expect(200);
  const pours = (await api.sites.pours()).filter((p) => p.siteId === id);
  return { id, answer: answered.body as SiteAnswer<SiteFile>, pours };
}
const pourOf = async (id: string) => (await foreman.get(`/api/pours/${id}`)).body as PourAnswer;
const change = async (id: string, over: Partial<PourAnswer['pour']>) => {
  const { version, pour } = await pourOf(id);
  return foreman.put(`/api/pours/${id}/doc`).send({ version, pour: { ...pour, ...over } });
};

describe('a site from nothing', () => {
  test('is stored as it was drawn, with its pours; the same again makes no second one', async () => {
    const { id, answer, pours } = await newOne();
    expect(answer.site.runs).toHaveLength(8);
    expect(pours.map((p) => p.code)).toEqual(['P1', 'P2']);
    const before = (await api.sites.list()).length;
    await foreman.put(`/api/sites/${id}`).send(made()).expect(201);
    expect((await api.sites.list()).length).toBe(before);
  });
  test('with a wrong figure nothing is stored, and the path is said', async () => {
    const bad = { ...made(), latitude: 123 };
    const body = bodyOf(await foreman.put(`/api/sites/${uuid()}`).send(bad).expect(400));
    expect(body.issues).toEqual([{ path: 'latitude', message: 'must be from −90 to 90' }]);
    await foreman.put('/api/sites/not-an-id').send(made()).expect(400);
    await (await api.as('crew')).put(`/api/sites/${uuid()}`).send(made()).expect(403);
  });
  test('is renamed, moved and archived over the version that was read', async () => {
    const { id, answer } = await newOne();
    const head = (body: object) => foreman.put(`/api/sites/${id}/head`).send(body);
    await head({ version: answer.version, currency: 'CHF' }).expect(200);
    expect((await api.sites.export(id)).currency).toBe('CHF');
    await head({ version: answer.version + 1, currency: null }).expect(200);
    expect((await api.sites.export(id)).currency).toBeUndefined();
    const archived = { name: 'Ostrander Barn', archived: true };
    await head({ version: answer.version + 2, ...archived }).expect(200);
    await head({ version: answer.version + 3, name: 'Other' }).expect(409);
    await head({ version: answer.version, name: 'Late' }).expect(409);
    await head({ version: answer.version + 3, timeZone: 'Mars/Base' }).expect(400);
    const resources = { version: answer.version + 3, crew: [{ name: 'A. Lind' }] };
    const shut = await foreman.put(`/api/sites/${id}/resources`).send(resources).expect(409);
    expect(bodyOf(shut).detail).toMatch(/archived/);
    expect((await api.sites.list()).find((s) => s.id === id)).toMatchObject({
      name: 'Ostrander Barn',
      archived: true,
      madeUp: false,
    });
  });
  test('keeps its rules once something was logged, and is not removed then', async () => {
    const { id, answer, pours } = await newOne();
    const pour = pours[0]?.id ?? '';
    const head = (body: object) => foreman.put(`/api/sites/${id}/head`).send(body);
    await head({ version: answer.version, ruleProfile: 'metric-en' }).expect(200);
    await foreman
      .post(`/api/pours/${pour}/events`)
      .send({ events: [note('here')] })
      .expect(200);
    await head({ version: answer.version + 1, ruleProfile: 'us-aci' }).expect(400);
    const body = bodyOf(await foreman.delete(`/api/sites/${id}`).expect(409));
    expect(body.detail).toMatch(/Archive it instead/);
    await foreman.delete(`/api/pours/${pour}`).expect(409);
    const empty = await newOne();
    await foreman.delete(`/api/sites/${empty.id}`).expect(204);
    await foreman.get(`/api/sites/${empty.id}`).expect(404);
  });
  test('made up, it is of today with its log, and goes whole', async () => {
    const body = bodyOf(await foreman.post('/api/sites/made-up').expect(201));
    const pours = (await api.sites.pours()).filter((p) => p.siteId === body.id);
    expect(pours.find((p) => p.code === 'P2')?.date).toBe('2026-09-23');
    const own = await api.events.after(pours.find((p) => p.code === 'P2')?.id ?? '', 0);
    const demo = await api.events.after(await api.idOf('P2'), 0);
    expect(own).toHaveLength(demo.length);
    expect(own.map((e) => e.id)).not.toEqual(expect.arrayContaining([demo[0]?.id]));
    const weather = await foreman.get(
      `/api/sites/${body.id}/weather?from=2026-09-23T11:00:00Z&to=2026-09-23T13:00:00Z`,
    );
    expect(bodyOf(weather).source).toBe('given');
    await foreman.delete(`/api/sites/${body.id}`).expect(204);
    expect((await api.sites.pours()).filter((p) => p.siteId === body.id)).toEqual([]);
  });
  test('that a file says is made up is not: it would go with its log', async () => {
    const id = uuid();
    await foreman
      .put(`/api/sites/${id}`)
      .send({ ...made(), madeUp: true })
      .expect(201);
    expect((await api.sites.list()).find((s) => s.id === id)?.madeUp).toBe(false);
  });
});

test('the page about site files is served to whoever writes one', async () => {
  const { text } = await foreman.get('/docs/site-file').expect(200).expect('Content-Type', /html/);
  expect(text).toContain('<code>pours[].settings.wasteRatio</code>');
});

describe('pours of a site', () => {
  test('a new one; its code taken by another device meanwhile is said; the same again is one', async () => {
    const { id, answer } = await newOne();
    const { site } = answer;
    const pour = newPour(site, ['P1', 'P2'], { elements: ['N'] });
    const pourId = uuid();
    const send = (as: string, p = pour) =>
      foreman.put(`/api/pours/${as}`).send({ siteId: id, pour: p });
    await send(pourId).expect(201);
    await send(pourId).expect(201);
    const body = bodyOf(await send(uuid()).expect(409));
    expect(body.issues).toEqual([{ path: 'pour.code', message: 'is taken' }]);
    await send(uuid(), { ...pour, code: 'P9', elements: ['X'] }).expect(400);
    expect((await api.sites.pours()).filter((p) => p.siteId === id)).toHaveLength(3);
  });

  test('date, title and mix are changed; elements it takes leave the pour that had them', async () => {
    const { pours } = await newOne();
    const [p1, p2] = pours.map((p) => p.id) as [string, string];
    expect((await change(p1, { date: '2026-10-02', title: 'Ring' })).status).toBe(200);
    expect((await change(p1, { mix: 'none' })).status).toBe(400);
    const { pour } = await pourOf(p1);
    expect((await change(p1, { elements: [...pour.elements, 'N'] })).status).toBe(200);
    expect((await pourOf(p2)).pour.elements).toEqual(['W', 'S', 'E']);
    const all = await change(p1, { elements: [...pour.elements, 'N', 'W', 'S', 'E'] });
    expect(bodyOf(all).issues[0]?.message).toMatch(/all there is of P2/);
    expect((await pourOf(p1)).site.planChanges.at(-1)?.what).toMatch(/belongs to which pour/);
  });

  test('called off or archived nothing is logged on it until that is taken back', async () => {
    const { pours } = await newOne();
    const id = pours[0]?.id ?? '';
    const log = () => foreman.post(`/api/pours/${id}/events`).send({ events: [note('x')] });
    const cancelled = { reason: 'Owner stops', by: 'I. Brandvold', at: '2026-09-23T11:00:00Z' };
    expect((await change(id, { cancelled })).status).toBe(200);
    const body = bodyOf(await log().expect(409));
    expect(body.detail).toMatch(/called off/);
    const { version, pour } = await pourOf(id);
    const { cancelled: _c, ...back } = pour;
    await foreman.put(`/api/pours/${id}/doc`).send({ version, pour: back }).expect(200);
    await log().expect(200);
    expect((await change(id, { archived: true })).status).toBe(200);
    await log().expect(409);
    expect((await change(id, { title: 'Other' })).status).toBe(400);
    expect((await change(id, { archived: false })).status).toBe(200);
  });

  test('once concrete flows its date and runs stay, and it is not cut', async () => {
    const { pours, answer } = await newOne();
    const [p1, p2] = pours.map((p) => p.id) as [string, string];
    const start = note('', { kind: 'place-start', body: { elementId: 'FN', lift: 1 } });
    const sent = await foreman.post(`/api/pours/${p1}/events`).send({ events: [start] });
    expect(sent.status).toBe(200);
    expect(bodyOf(await change(p1, { date: '2026-10-09' })).issues[0]?.message).toMatch(
      /concrete flows/,
    );
    expect((await change(p1, { title: 'Ring' })).status).toBe(200);
    const { pour } = await pourOf(p2);
    const taking = await change(p2, { elements: [...pour.elements, 'FN'] });
    expect(bodyOf(taking).detail).toMatch(/P1 is being poured/);
    const cut = { version: answer.version, id: uuid(), element: 'FN', code: 'P7' };
    await foreman.post(`/api/pours/${p1}/split`).send(cut).expect(409);
    const back = note('', { kind: 'supersede', body: {}, supersedes: start.id });
    await foreman
      .post(`/api/pours/${p1}/events`)
      .send({ events: [back] })
      .expect(200);
    await foreman.post(`/api/pours/${p1}/split`).send(cut).expect(201);
  });

  test('cut in two in a run: both are whole, the site says what changed, the same again is one cut', async () => {
    const { id, pours, answer } = await newOne();
    const p2 = pours[1]?.id ?? '';
    const send = (over: object = {}) =>
      foreman.post(`/api/pours/${p2}/split`).send({
        version: answer.version,
        id: second,
        element: 'W',
        atM: 3,
        code: 'P3',
        ...over,
      });
    const second = uuid();
    await send({ element: 'E', atM: 90 }).expect(400);
    await send().expect(201);
    await send().expect(201);
    expect((await pourOf(p2)).pour.elements).toEqual(['N', 'W']);
    expect((await pourOf(second)).pour).toMatchObject({ code: 'P3', elements: ['W.1', 'S', 'E'] });
    const body = bodyOf(await foreman.get(`/api/sites/${id}`));
    expect(body.site.planChanges).toHaveLength(1);
  });
});

describe('lists taken over from another site', () => {
  test('types become a change of the plan, mixes stand beside; what a pour names cannot go', async () => {
    const { id, answer } = await newOne();
    const { version, site } = answer;
    const put = (body: object) => foreman.put(`/api/sites/${id}/resources`).send(body);
    const footingTypes = site.footingTypes.map((t) => ({ ...t, widthM: 0.5, usual: undefined }));
    const body = bodyOf(
      await put({
        version,
        footingTypes,
        mixes: [...site.mixes, { ...site.mixes[0], mark: 'X' }],
      }).expect(200),
    );
    expect(body.version).toBe(version + 2);
    const now = (await foreman.get(`/api/sites/${id}`)).body as SiteAnswer<SiteFile>;
    expect(now.site.planChanges.at(-1)?.what).toMatch(/type F1 changed/);
    expect(now.site.mixes.map((m) => m.mark)).toEqual(['3000', '4000P', 'X']);
    await put({ version: now.version, plants: [] }).expect(400);
    await put({ version: now.version, footingTypes: [] }).expect(400);
    expect(bodyOf(await foreman.get(`/api/sites/${id}`)).version).toBe(now.version);
  });
});

describe('a picture under the plan', () => {
  test('is kept with the site, placed, shown, on the report when wanted, and goes with its file', async () => {
    const { id, pours } = await newOne();
    const png = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#888' } })
      .png()
      .toBuffer();
    const at = `/api/sites/${id}/underlay`;
    expect((await foreman.get(at)).body).toBeNull();
    const body = bodyOf(
      await foreman.post(at).set('Content-Type', 'image/png').send(png).expect(201),
    );
    expect(body).toMatchObject({ width: 60, height: 40, shown: true, onReport: false });
    await foreman.get(`${at}/${body.picture}`).expect(200).expect('Content-Type', /jpeg/);
    const place = { xM: 1, yM: 2, mPerPx: 0.05, turnDeg: 2.5, shown: true, onReport: false };
    await foreman
      .put(at)
      .send({ ...place, mPerPx: 0 })
      .expect(400);
    expect(bodyOf(await foreman.put(at).send(place).expect(200)).turnDeg).toBe(2.5);
    await foreman
      .post(at)
      .set('Content-Type', 'image/png')
      .send(Buffer.from('no picture'))
      .expect(400);
    expect(bodyOf(await foreman.get(at)).turnDeg).toBe(2.5);
    const report = async () => {
      const answered = await foreman
        .get(`/api/pours/${pours[0]?.id ?? ''}/report.pdf`)
        .buffer(true)
        .parse((res, done) => {
          const parts: Buffer[] = [];
          res.on('data', (part: Buffer) => parts.push(part));
          res.on('end', () => {
            done(null, Buffer.concat(parts));
          });
        })
        .expect(200);
      return (answered.body as Buffer).toString('latin1');
    };
    expect(await report()).not.toContain('/Subtype /Image');
    await foreman
      .put(at)
      .send({ ...place, onReport: true })
      .expect(200);
    expect(await report()).toContain('/Subtype /Image');
    await foreman.delete(at).expect(204);
    await foreman.get(`${at}/${body.picture}`).expect(404);
    await foreman.put(at).send(place).expect(404);
  });
});

describe('somebody asked for one site, one hold point, for a time', () => {
  const person = { name: 'V. Lindqvist', pin: '445566', role: 'inspector' as const };
  test('finds that site alone and signs that hold alone; when the time is over they are out', async () => {
    const { id, pours } = await newOne();
    const until = new Date(Date.now() + 3_600_000).toISOString();
    const invited = { site: id, hold: 'inspection', until };
    await foreman
      .post('/api/accounts')
      .send({ ...person, invited })
      .expect(201);
    const { default: request } = await import('supertest');
    const inspector = request.agent(api.app);
    const signedIn = await inspector
      .post('/api/session')
      .send({ name: person.name, pin: person.pin })
      .expect(200);
    expect(bodyOf(signedIn).account.invited).toEqual(invited);
    expect(((await inspector.get('/api/sites')).body as { id: string }[]).map((s) => s.id)).toEqual(
      [id],
    );
    const other = await api.idOf('P3');
    await inspector.get(`/api/pours/${other}`).expect(404);
    await inspector.get(`/api/pours/${other}/events`).expect(404);
    // However the address is spelled: a path that is answered is asked about.
    for (const spelled of ['Pours', 'POURS', 'pours/', '/pours', 'po%75rs'])
      for (const part of ['', '/events', '/deliveries', '/log.jsonl', '/figures'])
        expect((await inspector.get(`/api/${spelled}/${other}${part}`)).status).toBe(404);
    await inspector
      .post(`/api/Pours/${other}/events`)
      .send({ events: [note('Was never here')] })
      .expect(404);
    await inspector.get(`/api/pours/${pours[0]?.id ?? ''}`).expect(200);
    const sign = (hold: string) =>
      inspector.post(`/api/pours/${pours[0]?.id ?? ''}/events`).send({
        events: [note('', { kind: 'sign', body: { hold, result: 'pass', planVersion: 1 } })],
      });
    await sign('dowels').expect(403);
    await sign('inspection').expect(200);
    const onTablet = await foreman.post(`/api/pours/${other}/sign`).send({
      name: person.name,
      pin: person.pin,
      at: '2026-09-23T11:30:00Z',
      body: { hold: 'inspection', result: 'pass', planVersion: 1 },
    });
    expect(onTablet.status).toBe(403);
    const who = (await api.accounts.list()).find((p) => p.name === person.name)?.id ?? '';
    const past = { ...invited, until: new Date(Date.now() - 1000).toISOString() };
    await foreman.put(`/api/accounts/${who}`).send({ invited: past }).expect(200);
    await inspector.get('/api/sites').expect(401);
    const again = await inspector
      .post('/api/session')
      .send({ name: person.name, pin: person.pin })
      .expect(403);
    expect(bodyOf(again).detail).toMatch(/is over/);
  });
});

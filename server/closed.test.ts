import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { PourAnswer } from '../contract/index.ts';
import { drawnOf } from '#core/siteplan';
import { verifyExport } from './log/chain.ts';
import { testApi } from './testing/api.ts';

type Api = Awaited<ReturnType<typeof testApi>>;
let api: Api;
let foreman: Awaited<ReturnType<Api['as']>>;
let id: string;
beforeAll(async () => {
  api = await testApi();
  foreman = await api.as('foreman');
  id = await api.idOf('P1');
});
afterAll(() => api.end());
const read = async (pour = id) => (await foreman.get(`/api/pours/${pour}`)).body as PourAnswer;
const figures = async () =>
  (await foreman.get(`/api/pours/${id}/figures?at=2026-09-23T12:00:00Z`).expect(200))
    .body as object;

/** Lowers runs of the site by 100 mm. */
async function lower(runs: string[], like = 'P2'): Promise<{ status: number; text: string }> {
  const { siteId } = await read();
  const site = await api.sites.export(siteId);
  const { siteVersion } = await read(await api.idOf(like));
  const drawn = drawnOf(site, site.pours);
  const plan = {
    ...drawn,
    runs: drawn.runs.map((r) => (runs.includes(r.id) ? { ...r, bottomM: r.bottomM - 0.1 } : r)),
  };
  return foreman.put(`/api/sites/${siteId}/plan`).send({ version: siteVersion, plan });
}

describe('a closed pour', () => {
  test('takes no other settings, holds or order', async () => {
    const { version, pour } = await read();
    const settings = { ...pour.settings, wasteRatio: 0.2 };
    const other = await foreman.put(`/api/pours/${id}/settings`).send({ version, settings });
    expect([other.status, other.text]).toEqual([409, expect.stringContaining('P1 is closed')]);
    await foreman
      .put(`/api/pours/${id}/doc`)
      .send({ version, pour: { ...pour, holds: [] } })
      .expect(400);
    await foreman
      .post(`/api/pours/${id}/order`)
      .send({ act: 'order', volumeM3: 8, loads: 1, byTelephone: true })
      .expect(400);
    expect(await read()).toMatchObject({ version, pour: { holds: pour.holds } });
    await foreman
      .put(`/api/pours/${id}/doc`)
      .send({ version, pour: { ...pour, archived: true } })
      .expect(200);
    expect((await read()).pour.archived).toBe(true);
  });

  test('stands on the plan it was closed on, whatever the plan becomes', async () => {
    const [before, was] = [await read(), await figures()];
    const { elements } = before.pour;
    expect((await lower(elements)).status).toBe(200);
    const after = await read();
    expect(after.site.runs).toEqual(before.site.runs);
    expect(after.siteVersion).toBe(before.siteVersion);
    expect(after.planNow).toBe(before.siteVersion + 1);
    expect(await figures()).toEqual(was);
    // What is still to be poured goes by the plan of today.
    const open = await read(await api.idOf('P2'));
    expect(open.siteVersion).toBe(after.planNow);
  });

  test('leaves with its plan, and the export verifies with it alone', async () => {
    const text = (await foreman.get(`/api/pours/${id}/log.jsonl`).expect(200)).text;
    const lines = text.trim().split('\n');
    expect(verifyExport(lines)).toMatchObject({ ok: true });
    const at = lines.findIndex((l) => l.startsWith('{"plan":'));
    expect(at).toBeGreaterThan(0);
    const touched = lines.map((l, i) => (i === at ? l.replace('"holds":["', '"holds":["x","') : l));
    expect(verifyExport(touched)).toMatchObject({
      ok: false,
      line: at + 1,
      message: 'is a plan that was changed after it was kept',
    });
    const without = lines.filter((_, i) => i !== at);
    expect(verifyExport(without)).toMatchObject({ ok: false });
    const twice = [...lines.slice(0, at), lines[at] ?? '', ...lines.slice(at)];
    expect(verifyExport(twice)).toMatchObject({ ok: false, line: at + 2 });
  });
});

describe('while concrete flows', () => {
  test('what it flows into stays where it is, and its holds stay', async () => {
    const open = await api.idOf('P2');
    const { pour } = await read(open);
    const [run = ''] = pour.elements;
    expect((await lower([run])).status).toBe(200);
    const start = {
      id: '01a231f1-9f86-751b-9e4c-2809d58c47da',
      at: '2026-09-23T11:30:00.000Z',
      kind: 'place-start',
      body: { elementId: run, lift: 0 },
    };
    await foreman
      .post(`/api/pours/${open}/events`)
      .send({ events: [start] })
      .expect(200);
    const refused = await lower([run]);
    expect([refused.status, refused.text]).toEqual([
      400,
      expect.stringContaining(`P2 is being poured: ${run} stays as it was begun`),
    ]);
    const now = await read(open);
    await foreman
      .put(`/api/pours/${open}/doc`)
      .send({ version: now.version, pour: { ...now.pour, holds: [] } })
      .expect(400);
    // Elsewhere the plan goes on.
    const { pour: third } = await read(await api.idOf('P3'));
    expect((await lower(third.elements.slice(0, 1))).status).toBe(200);
  });
});

import { expect, type Page } from '@playwright/test';
import Papa from 'papaparse';
import { replay } from '../core/log/state.ts';
import { viewOf } from '../core/view/pour-view.ts';
import type { DeliveriesAnswer, PourAnswer } from '../contract/index.ts';
import { verifyExport } from '../server/log/chain.ts';
import { forward, gone, logOf, pourId, readyWithoutSignal, signIn, test, visit } from './server.ts';
import { allSent, truckEmpty } from './walk.ts';

/**
 * The whole day of P2, through the interface: a tablet, a desk and a phone that loses its signal;
 * the server dies twice.
 */

const TABLET = { width: 820, height: 1180 };
/** From half past seven to half past nine: the plant wants two hours' notice, and the day begins at twenty to seven. */
const FIRST_MIN = 570;

const readJson = <T>(page: Page, path: string): Promise<T> =>
  page.evaluate(async (p) => (await (await fetch(p)).json()) as T, path);

async function moveFirstLoad(page: Page, id: string): Promise<void> {
  const record = await readJson<PourAnswer>(page, `/api/pours/${id}`);
  const ok = await page.evaluate(
    async ([p, body]) =>
      (
        await fetch(`/api/pours/${p ?? ''}/settings`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: body ?? '',
        })
      ).ok,
    [
      id,
      JSON.stringify({
        version: record.version,
        settings: { ...record.pour.settings, firstLoadMin: FIRST_MIN },
      }),
    ],
  );
  expect(ok).toBe(true);
}

/** Puts the clock to when the plant says that a load is here; answers what it says of it. */
async function waitForLoad(page: Page, id: string, load: string): Promise<void> {
  for (let i = 0; i < 6; i += 1) {
    const { loads } = await readJson<DeliveriesAnswer>(page, `/api/pours/${id}/deliveries`);
    const at = loads.find((d) => d.id === load);
    if (!at) throw new Error(`the plant knows nothing of ${load}`);
    if (at.state === 'here') return;
    const { now } = await readJson<{ now: string }>(page, '/api/clock');
    await forward(page, Math.max(1, Math.ceil((Date.parse(at.dueAt) - Date.parse(now)) / 60_000)));
  }
  throw new Error(`${load} does not come`);
}

const dialog = (page: Page) => page.getByRole('dialog');

/** A load at the gate, from what the plant says of it; its slump by the keys of the pad. Answers the presses. */
async function atTheGate(page: Page, n: number, slump: string[], hotF?: string): Promise<number> {
  await page.getByRole('button', { name: 'Load is here' }).first().click();
  // The plant's ticket stands there already.
  await expect(dialog(page).getByLabel('Ticket number')).toHaveValue(/^P2-\d{4}(\/\d+)?-\d+$/);
  if (hotF !== undefined)
    await dialog(page)
      .getByLabel(/^Concrete/)
      .fill(hotF);
  await dialog(page).getByRole('button', { name: 'Log load' }).click();
  await expect(page.getByRole('heading', { name: new RegExp(`^Load ${n} at the`) })).toBeVisible();
  await gone(page);
  if (hotF !== undefined) return 2;
  await page.locator('[data-next]', { hasText: 'Slump' }).click();
  for (const key of slump)
    await dialog(page)
      .locator('button.key')
      .and(page.getByRole('button', { name: key, exact: true }))
      .click();
  await dialog(page).getByRole('button', { name: /^Take/ }).click();
  await gone(page);
  return 2 + 1 + slump.length + 1;
}

/** Placing begins in what comes next; answers the presses. */
async function start(page: Page): Promise<number> {
  await page.getByRole('button', { name: 'Start placing' }).first().click();
  await dialog(page).getByRole('button').nth(1).click();
  return 2;
}
/** Fills as many runs as are given, each in four minutes, the first begun already or not. */
async function fill(page: Page, runs: number, begun: boolean): Promise<void> {
  for (let i = 0; i < runs; i += 1) {
    if (i > 0 || !begun) await start(page);
    await expect(page.getByRole('button', { name: 'Stop placing' })).toBeVisible();
    await forward(page, 4);
    await page.getByRole('button', { name: 'Stop placing' }).click();
    await dialog(page)
      .getByRole('button', { name: /is full$/ })
      .click();
    await gone(page);
  }
}

async function note(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Note' }).click();
  await page.getByLabel('What happened').fill(text);
  await dialog(page).getByRole('button', { name: 'Log' }).click();
  await gone(page);
}

test.use({ serviceWorkers: 'allow' });

test('P2’s whole day: a stiff load, a hot one, a form, a shower, a lost signal and two dead servers', async ({
  anotherPage,
  page,
  server,
}) => {
  await page.setViewportSize(TABLET);
  await signIn(page, server);
  const id = await pourId(page, 'P2');
  await moveFirstLoad(page, id);
  // The desk has no worker; it hears of all the rest does.
  const desk = await anotherPage({ serviceWorkers: 'block' });
  const phone = await anotherPage({ viewport: { width: 390, height: 844 } });
  await signIn(desk, server, 'T. Oakes');
  await signIn(phone, server, 'T. Oakes');

  // The order goes to the plant, and is taken.
  await visit(page, `${server.url}/pours/${id}/plan?sheet=order`);
  await dialog(page)
    .getByRole('button', { name: /^Order / })
    .click();
  await expect(page.locator('[data-plant-said="true"]')).toBeVisible();
  await visit(page, `${server.url}/pours/${id}/pour`);
  await visit(desk, `${server.url}/pours/${id}/pour`);
  await visit(phone, `${server.url}/pours/${id}/pour`);

  await page.getByRole('button', { name: 'Who is here' }).click();
  await dialog(page)
    .getByRole('button', { name: /^All \d+ on$/ })
    .click();
  await expect(
    dialog(page)
      .getByText(/^on since/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await forward(page, 120);
  await page.getByRole('button', { name: 'Weather', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Log weather' }).click();
  await gone(page);

  // Load 1: where it is is known before it is here. The gate is shut: why it is poured all the same is said.
  await expect(page.locator('[data-next-load="L1"]')).toContainText('not batched yet');
  await waitForLoad(page, id, 'L1');
  await expect(page.locator('[data-next-load="L1"]')).toContainText(/left \d\d:\d\d, here about/);
  await atTheGate(page, 1, ['5', '1/2']);
  await page.getByRole('button', { name: 'Start placing' }).first().click();
  await dialog(page).getByRole('button').nth(1).click();
  await dialog(page).getByRole('button', { name: 'Agreed with the inspector' }).click();
  await gone(page);
  await expect(page.getByRole('region', { name: 'At the hose' })).toContainText('Placing');
  await fill(page, 2, true);
  await expect(desk.locator('[data-placed]')).not.toHaveText('0.0');

  // The phone loses its signal, and goes on.
  await allSent(phone);
  await readyWithoutSignal(phone);
  await phone.context().setOffline(true);
  await note(phone, 'Watched the north form, dry');
  await fill(page, 2, false);
  await truckEmpty(page);

  // Load 2 is stiff: water once, slump again. From the gate to placing in eight presses, when nothing is wrong with it.
  await waitForLoad(page, id, 'L2');
  await atTheGate(page, 2, ['3', '1/2']);
  await page.locator('[data-next]').click();
  await dialog(page).getByRole('button', { name: 'Log the water' }).click();
  await gone(page);
  await page.locator('[data-next]', { hasText: 'Slump' }).click();
  await dialog(page).getByLabel('Reading', { exact: true }).fill('5');
  await dialog(page).getByLabel('Reading', { exact: true }).press('Enter');
  await gone(page);
  await expect(page.locator('[data-load-verdict="accept"]')).toBeVisible();
  await server.stop('SIGKILL');
  await start(page);
  await note(page, 'The server is down');
  await expect(page.locator('[data-unsent]').first()).not.toHaveAttribute('data-unsent', '0');
  await server.start(true);
  await allSent(page);
  await fill(page, 4, true);
  await truckEmpty(page);

  // Load 3 is hot: told at the gate, sent back; the balance is called by a press.
  await waitForLoad(page, id, 'L3');
  await atTheGate(page, 3, [], '97');
  await expect(page.locator('[data-load-verdict="tooHot"]')).toBeVisible();
  await page.locator('[data-next]').click();
  await dialog(page).getByRole('button', { name: 'Send back' }).click();
  await gone(page);
  await page.getByRole('button', { name: /^Call .* from/ }).click();
  await expect(page.locator('[data-plant-said="true"]')).toContainText('here about');

  // A form opens while the next load is placed.
  await waitForLoad(page, id, 'L4');
  const presses = (await atTheGate(page, 4, ['5', '1/2'])) + (await start(page));
  console.log(`From the gate to placing: ${presses} presses.`);
  expect(presses).toBeLessThanOrEqual(8);
  await page.getByRole('button', { name: 'Trouble', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Form open' }).click();
  await dialog(page).getByRole('button').nth(1).click();
  await page.locator('[data-trouble] [data-way]').first().click();
  await page.getByRole('button', { name: 'It is put right' }).click();
  await expect(page.locator('[data-trouble]')).toBeHidden();
  // Nothing went on being placed in that run.
  await fill(page, 4, false);
  await truckEmpty(page);

  // A shower, and the server dies a second time.
  await page.getByRole('button', { name: 'Trouble', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Rain' }).click();
  await page.locator('[data-trouble] [data-way]').first().click();
  await allSent(page);
  await server.stop('SIGKILL');
  await page.getByRole('button', { name: 'It is put right' }).click();
  await server.start(true);
  await allSent(page);

  // The load that was called for.
  await waitForLoad(page, id, 'L5');
  await atTheGate(page, 5, ['5', '1/2']);
  await fill(page, 3, false);
  await truckEmpty(page);
  await expect(page.getByText(/^All placed at/)).toBeVisible();
  await phone.context().setOffline(false);
  await allSent(phone);
  await allSent(page);
  await expect(desk.getByText(/^All placed at/)).toBeVisible();

  await seenAtTheEnd(page, id);
});

/** Every entry once, in one chain, and the totals of what leaves the server are the core's. */
async function seenAtTheEnd(page: Page, id: string): Promise<void> {
  const log = await logOf(page, id);
  expect(new Set(log.map((e) => e.id)).size).toBe(log.length);
  const kinds = (kind: string) => log.filter((e) => e.kind === kind);
  // One more for the form that opened: nothing went on there.
  expect(kinds('place-stop')).toHaveLength(16);
  expect(kinds('load-arrived')).toHaveLength(5);
  expect(kinds('water')).toHaveLength(1);
  expect(kinds('trouble')).toHaveLength(2);
  expect(kinds('note').map((e) => e.body.text)).toEqual(
    expect.arrayContaining(['Watched the north form, dry', 'The server is down']),
  );
  const text = (path: string) =>
    page.evaluate(async (p) => (await fetch(p)).text(), `/api/pours/${id}/${path}`);
  const lines = (await text('log.jsonl')).trim().split('\n');
  expect(verifyExport(lines)).toMatchObject({ ok: true, rows: log.length });
  const record = await readJson<PourAnswer>(page, `/api/pours/${id}`);
  const view = viewOf(record, replay(log as never), Date.parse(log.at(-1)?.at ?? ''));
  if (!view) throw new Error('no view');
  expect(view.progress.placedM3).toBeCloseTo(view.plan.route.volumeM3, 6);
  const loads = Papa.parse<Record<string, string>>(
    (await text('loads.csv')).replace(/^\uFEFF/, '').trim(),
    { header: true },
  ).data;
  const yards = loads
    .filter((l) => l['where it is'] === 'empty')
    .reduce((sum, l) => sum + Number(l['volume, yd³']), 0);
  expect(yards * 0.764554857984).toBeCloseTo(view.progress.dischargedM3, 1);
  expect(loads.find((l) => l.load === 'L3')?.['against it']).toBe('too hot');
}

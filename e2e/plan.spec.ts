import type { Page } from '@playwright/test';
import { planPour } from '../core/pourplan/plan.ts';
import { searchSequences } from '../core/pourplan/search.ts';
import { ruledMix } from '../core/model/mix.ts';
import { rulesOf } from '../core/rules/rules.ts';
import { pricesOf } from '../core/model/resources.ts';
import type { DeliveriesAnswer, PourAnswer } from '../contract/index.ts';
import {
  type DemoServer,
  expect,
  logOf,
  openOwn,
  sharedTest as test,
  workedOut,
} from './server.ts';

/** The Plan station: how much, when, how, way round, who; on both sites, by mouse, key and touch. */

async function open(page: Page, server: DemoServer, code: string, tab: string): Promise<string> {
  const { id } = await openOwn(page, server, code, `plan?tab=${tab}`);
  await expect(page.getByRole('button', { name: 'Way round', exact: true })).toBeVisible();
  return id;
}
const recordOf = async (page: Page, id: string): Promise<PourAnswer> =>
  page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).json() as Promise<PourAnswer>, id);
const handle = (page: Page, id: string) => page.locator(`[data-handle="${id}"]`);
/** Drags what lies on the chart, and lets it go. */
async function drag(page: Page, id: string, dx: number, dy: number): Promise<void> {
  const box = await handle(page, id).boundingBox();
  if (!box) throw new Error(`${id} is not on the chart`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + dx / 2, y + dy / 2, { steps: 4 });
  await page.mouse.move(x + dx, y + dy, { steps: 4 });
  await page.mouse.up();
}
const settingsIn = (page: Page, id: string) => async () =>
  (await recordOf(page, id)).pour.settings.spacingMin;

for (const code of ['P2', 'K2'])
  test(`a load of ${code} is dragged until a seam leaves its window: named in place and in the next line, taken back, also after a reload`, async ({
    page,
    server,
  }) => {
    const id = await open(page, server, code, 'way');
    const chart = page.getByRole('img', { name: /^March chart/ });
    await expect(chart).toHaveAccessibleName(/ 0 cold seams/);
    await drag(page, 'load3', 0, 330);
    await expect(chart).not.toHaveAccessibleName(/ 0 cold seams/);
    await expect(chart.locator('[data-cold]')).toContainText(/\d min, shut at \d+/);
    await expect(page.locator('.next')).toContainText(/waits.*\d+ min, shut at \d+/);
    await expect.poll(settingsIn(page, id)).not.toBeNull();
    const dragged = await settingsIn(page, id)();
    await page.reload();
    await expect(chart).not.toHaveAccessibleName(/ 0 cold seams/);
    await page.keyboard.press('Control+z');
    await expect(chart).toHaveAccessibleName(/ 0 cold seams/);
    await expect.poll(settingsIn(page, id)).toBeNull();
    await page.getByRole('button', { name: 'Again' }).click();
    await expect.poll(settingsIn(page, id)).toBe(dragged);
    // What is offered to save it does, where anything alone does.
    await page.getByRole('button', { name: 'Save the seam' }).click();
    await expect(chart).toHaveAccessibleName(/ 0 cold seams/);
  });

test('first load, lift and start move by arrow key, one after the other and none lost; the chart prints on one page', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P2', 'much');
  await handle(page, 'first').focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowDown');
  await handle(page, 'lift').focus();
  await page.keyboard.press('ArrowDown');
  await handle(page, 'start').focus();
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => {
      const { firstLoadMin, liftWaitMin, startAt } = (await recordOf(page, id)).pour.settings;
      return { firstLoadMin, liftWaitMin, startAt };
    })
    .toEqual({ firstLoadMin: 465, liftWaitMin: 5, startAt: 1 });
  // On paper the chart takes one page by itself.
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.bench')).toBeHidden();
  const paper = (await page.pdf({ format: 'A4', landscape: true })).toString('latin1');
  expect(paper.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
});

test('the search can be stopped, and what it lays over is cheaper and keeps its limits', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P2', 'way');
  // A plan with too much time between its loads.
  const first = await recordOf(page, id);
  await page.evaluate(
    async ([p, body]) =>
      fetch(`/api/pours/${p ?? ''}/settings`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: body ?? '',
      }),
    [
      id,
      JSON.stringify({
        version: first.version,
        settings: { ...first.pour.settings, spacingMin: 38 },
      }),
    ],
  );
  await page.reload();
  const before = await recordOf(page, id);
  expect(before.pour.settings.spacingMin).toBe(38);
  for (const word of ['truck size', 'time between loads'])
    await page.getByRole('button', { name: word, exact: true }).click();
  await page.getByRole('button', { name: /Look through/ }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  expect((await recordOf(page, id)).version).toBe(before.version);
  await page.getByRole('button', { name: /Look through/ }).click();
  await page.getByRole('button', { name: 'Lay it over' }).click({ timeout: 120_000 });
  await expect.poll(async () => (await recordOf(page, id)).version).toBeGreaterThan(before.version);
  const after = await recordOf(page, id);
  /** A plan by itself, as the search weighs it. */
  const weighed = ({ site, pour, duskMin }: PourAnswer) => {
    const mix = site.mixes.find((m) => m.mark === pour.mix);
    const plant = site.plants.find((p) => p.id === pour.plant);
    if (!mix || !plant) throw new Error('no mix or plant');
    const none = Object.fromEntries(
      'startAt reverse lifts truckM3 spacingMin firstLoadMin placingRateM3PerH liftWaitMin conveyance'
        .split(' ')
        .map((k) => [k, []]),
    );
    const search = searchSequences({
      site,
      pour,
      mix: ruledMix(mix, rulesOf(site)),
      plant,
      duskMin,
      choices: none as never,
      prices: pricesOf(site),
      noGo: [],
      coldSeamShare: 1,
      trials: 200,
      seed: 7,
      maxPlans: 1,
      runnersUp: 1,
      pressureBy: 'rise',
    });
    let step = search.next();
    while (!step.done) step = search.next();
    const found = step.value.best ?? step.value.runnersUp[0];
    if (!found) throw new Error('not weighed');
    return { found, plan: planPour(site, pour, ruledMix(mix, rulesOf(site)), plant, duskMin) };
  };
  const [was, now] = [weighed(before), weighed(after)];
  expect(now.found.overRating).toBe(0);
  expect(now.found.coldSeam).toBeLessThanOrEqual(0.02 + 1e-9);
  expect(now.found.cost).toBeLessThan(was.found.cost);
  expect(now.plan.timetable.seams.every((s) => s.verdict === 'ok')).toBe(true);
});

test('each thing that may go otherwise says what goes wrong and what to do, and its remedy is planned by a press', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P2', 'much');
  const rows = page.locator('[data-what-if]');
  await expect(rows).toHaveCount(6);
  await expect(rows.first()).toContainText('First load 60 min late. ');
  for (const row of await rows.all()) await expect(row).toContainText(/done \d\d:\d\d/);
  const before = (await recordOf(page, id)).version;
  const remedy = rows.getByRole('button', { name: 'Plan it so' }).first();
  await remedy.click();
  await expect.poll(async () => (await recordOf(page, id)).version).toBe(before + 1);
});

test('a boom that does not reach says how much of which run; set up on another side it reaches all', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P2', 'how');
  const bench = page.locator('.bench');
  // On the east side the far wall is too far for it.
  await bench
    .locator('[data-stand]')
    .filter({ hasText: /out of reach/ })
    .click();
  await expect(bench).toContainText(/out of reach: .*W/);
  await bench.locator('[data-stand]').first().click();
  await expect(bench).toContainText(/All within/);
  const { xM } = (await recordOf(page, id)).pour.settings.setUp ?? { xM: 0 };
  await handle(page, 'set-up').focus();
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => (await recordOf(page, id)).pour.settings.setUp?.xM)
    .toBeCloseTo(xM + 0.5, 6);
  // A shorter reach is no plan: it is drawn and said.
  await bench.getByRole('button', { name: /Straight off the chute/ }).click();
  await expect(bench).toContainText(/out of reach/);
});

test('a start is picked by a press on another day, and taken back with its day', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P3', 'when');
  await expect(page.locator('.bench')).toContainText('Fri 2 Oct, with care');
  const best = page.locator('[data-best="0"]');
  await expect(best).toContainText('nothing against it');
  await best.click();
  await expect.poll(async () => (await recordOf(page, id)).pour.date).toBe('2026-09-30');
  await expect(page.locator('.bench')).toContainText('Wed 30 Sep, good');
  const quarter = page.locator('[data-start][data-verdict="good"]').nth(8);
  const min = Number(await quarter.getAttribute('data-start')) % 1440;
  await quarter.click();
  await expect.poll(async () => (await recordOf(page, id)).pour.settings.firstLoadMin).toBe(min);
  for (let i = 0; i < 2; i += 1) await page.getByRole('button', { name: 'Take back' }).click();
  await expect.poll(async () => (await recordOf(page, id)).pour.date).toBe('2026-10-02');
});

test('the order goes to the plant and back: not without signal, confirmed, put off, and its loads known; card and calendar open', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'K1', 'much');
  await page.locator('[data-next]').click();
  const sheet = page.getByRole('dialog', { name: 'Order' });
  await sheet.getByRole('button', { name: /^Order/ }).waitFor();
  await page.context().setOffline(true);
  await sheet.getByRole('button', { name: /^Order/ }).click();
  await expect(sheet.locator('[data-plant-said="false"]')).toContainText('Not ordered: no signal.');
  await page.context().setOffline(false);
  await sheet.getByRole('button', { name: 'Order again' }).click();
  await expect(sheet.locator('[data-plant-said="true"]')).toContainText('Taken by Anse plant');
  await expect(sheet).toContainText(/Ordered: 8\.50 m³, K1-\d{4}/);
  const known = await page.evaluate(
    async (p) => (await fetch(`/api/pours/${p}/deliveries`)).json() as Promise<DeliveriesAnswer>,
    id,
  );
  expect(known.loads.length).toBeGreaterThan(0);
  const [card, ics] = await Promise.all(
    ['Card of the pour', 'Calendar of the site'].map(async (name) => {
      const href = (await sheet.getByRole('link', { name }).getAttribute('href')) ?? '';
      return page.evaluate(async (h) => (await fetch(h)).text(), href);
    }),
  );
  expect(card?.startsWith('%PDF')).toBe(true);
  expect(ics).toContain('SUMMARY:K1: pour Strip footings');
  await sheet.getByRole('button', { name: 'Put it off' }).click();
  await expect(sheet.getByRole('button', { name: /^Order / })).toBeVisible();
  expect((await logOf(page, id)).filter((e) => e.kind === 'order')).toHaveLength(2);
});

test('who does what is told by the foreman, and a missing hand is said', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'P2', 'who');
  const vibrator = page.locator('[data-job="vibrator"]').getByRole('combobox');
  await vibrator.selectOption('T. Oakes');
  await expect
    .poll(async () => (await recordOf(page, id)).pour.settings.crew)
    .toEqual([{ job: 'vibrator', name: 'T. Oakes' }]);
  await expect(page.locator('[data-job="hose"]').getByRole('combobox')).toHaveValue(
    'M. Reyes-Lund',
  );
  await page.getByRole('button', { name: 'The crew of this site' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: /P\. Winder/ }).click();
  await sheet.getByRole('button', { name: 'Take it off the list' }).click();
  await expect(sheet.getByRole('button', { name: /P\. Winder/ })).toBeHidden();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-short-of-hands]')).toContainText('truck, watch');
});

test('mixed on the site it is planned batch by batch, and settled without a plant', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'K1', 'much');
  await page.getByRole('button', { name: 'Pan mixer' }).click();
  await expect.poll(async () => (await recordOf(page, id)).pour.settings.mixer).toBe('drum');
  await expect(page.getByText(/\d+ batches/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect.poll(async () => (await recordOf(page, id)).pour.settings.mixer).toBeNull();
});

test('a long wall is parted at a planned bulkhead, and what is left has its form on the plan', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'K2', 'way');
  await page.getByRole('button', { name: /^Part it at a/ }).click();
  await expect.poll(async () => (await recordOf(page, id)).pour.settings.bulkheads.length).toBe(1);
  await expect(page.locator('[data-strip] [data-bulkhead]')).toHaveCount(1);
  await expect(page.locator('[data-note="bulkhead"]')).toBeVisible();
  await page.getByRole('button', { name: 'How much', exact: true }).click();
  await page.getByLabel('What stands ready').fill('kerb blocks');
  await page.getByLabel(/^long/i).fill('2.4');
  await page.getByLabel(/^wide/i).fill('0.6');
  await page.getByLabel(/^deep/i).fill('0.3');
  await workedOut(page);
  await page.getByRole('button', { name: /^Keep, takes 0\.4/ }).click();
  await page.getByRole('button', { name: 'Where it stands' }).click();
  await expect(page.locator('[data-left-over]')).toBeVisible();
  const at = async () => (await recordOf(page, id)).pour.settings.leftOver?.at?.xM ?? 0;
  const before = await at();
  await page.locator('[data-handle="left-over"]').press('ArrowRight');
  await expect.poll(at).toBeCloseTo(before + 0.5, 6);
});

test('a leg is dragged by its grip to another place in the way', async ({ page, server }) => {
  const id = await open(page, server, 'K2', 'way');
  const legs = page.locator('[data-leg]');
  const order = () => legs.evaluateAll((all) => all.map((l) => l.getAttribute('data-leg')));
  const [grip, target] = [page.locator('[data-grip]').first(), legs.nth(2)];
  await expect(target).toBeVisible();
  await expect(page.getByRole('region', { name: 'Along the way' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Part it at a bulkhead' })).toBeVisible();
  const before = await order();
  await target.scrollIntoViewIfNeeded();
  // The pointer stands on the grip once the page has come to rest, and lets go once the leg is where it is to be.
  await grip.hover();
  await page.mouse.down();
  const [from, to] = [await grip.boundingBox(), await target.boundingBox()];
  if (!from || !to) throw new Error('the legs are not there');
  const x = from.x + from.width / 2;
  await page.mouse.move(x, from.y + from.height, { steps: 3 });
  await expect(page.getByText(`${before[0]} is `)).toBeAttached();
  await page.mouse.move(x, to.y + to.height / 2 + 8, { steps: 8 });
  await expect(page.getByText(`${before[0]} is over ${before[2]}.`)).toBeAttached();
  await page.mouse.up();
  const wanted = [before[1], before[2], before[0], ...before.slice(3)];
  await expect.poll(order).toEqual(wanted);
  await expect.poll(async () => (await recordOf(page, id)).pour.settings.sequence).toEqual(wanted);
});

test('on a phone every part opens and nothing runs out of the screen', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, server, 'K2', 'much');
  for (const part of ['How much', 'When', 'How', 'Way round', 'Who']) {
    await page.getByRole('button', { name: part, exact: true }).click();
    await expect(page.getByRole('button', { name: part, exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await expect(page.locator('.ground svg').first()).toBeVisible();
    const over = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(over, part).toBeLessThanOrEqual(0);
  }
});

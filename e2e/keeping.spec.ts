import type { Page } from '@playwright/test';
import fs from 'node:fs';
import {
  atRest,
  expect,
  gone,
  readyWithoutSignal,
  logOf,
  openPour,
  pourId,
  signIn,
  test,
  visit,
  workedOut,
} from './server.ts';
import { allSent } from './walk.ts';

/** Nothing acknowledged is lost, nothing entered offline is lost or doubled, two devices see each other. */

test('two browsers at once see each other’s entries without a reload', async ({
  page,
  server,
  anotherPage,
}) => {
  const id = await openPour(page, server, 'P4', 'check');
  const other = await anotherPage({ viewport: { width: 390, height: 844 } });
  await signIn(other, server, 'T. Oakes');
  await visit(other, `${server.url}/pours/${id}/check?run=R&check=R/braced`);
  await expect(page.getByText(/^0 of \d+ read$/).first()).toBeVisible();
  await other.getByRole('button', { name: 'Good', exact: true }).click();
  await expect(page.getByText(/^1 of \d+ read$/).first()).toBeVisible();
  // Both write at the same moment; both are kept.
  await visit(page, `${server.url}/pours/${id}/check?run=R&check=R/tied`);
  await Promise.all([
    page.getByRole('button', { name: 'Good', exact: true }).click(),
    other
      .locator('.bench')
      .getByRole('button', { name: /^\d/ })
      .first()
      .waitFor()
      .catch(() => undefined)
      .then(() =>
        other.evaluate(async (p) => {
          const r = await fetch(`/api/pours/${p}/events`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify({
              events: [
                {
                  id: crypto.randomUUID(),
                  at: '2026-09-23T11:40:00Z',
                  kind: 'note',
                  body: { text: 'At the same moment' },
                },
              ],
            }),
          });
          if (!r.ok) throw new Error(await r.text());
        }, id),
      ),
  ]);
  // Before it is kept here there is nothing to be sent.
  await expect(page.getByText(/^2 of \d+ read$/).first()).toBeVisible();
  await allSent(page);
  const log = await logOf(page, id);
  expect(log.map((e) => e.seq)).toEqual(log.map((_, i) => i + 1));
  expect(log.map((e) => e.kind).sort()).toEqual(['mark', 'mark', 'note']);
});

/** Notes something on the Pour. */
async function note(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Note' }).click();
  await page.getByLabel('What happened').fill(text);
  await page.getByRole('dialog').getByRole('button', { name: 'Log' }).click();
  await gone(page);
}

test('the server is killed between two entries and nothing acknowledged is lost', async ({
  page,
  server,
}) => {
  const id = await openPour(page, server, 'P4', 'pour');
  await note(page, 'Before the kill');
  await expect.poll(async () => (await logOf(page, id)).length).toBe(1);
  await server.stop('SIGKILL');
  await note(page, 'While it was down');
  await expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '1');
  await server.start(true);
  await allSent(page);
  const log = await logOf(page, id);
  expect(log.map((e) => e.body.text)).toEqual(['Before the kill', 'While it was down']);
  const check = await page.evaluate(
    async (p) => (await fetch(`/api/pours/${p}/log.jsonl`)).text(),
    id,
  );
  // Two entries, and the line that closes the log.
  expect(check.trim().split('\n')).toHaveLength(3);
});

test('a server that was set back to yesterday is seen, and gets again what it lacks', async ({
  page,
  server,
}) => {
  const id = await openPour(page, server, 'P4', 'pour');
  await note(page, 'Before the backup');
  await allSent(page);
  await server.stop('SIGTERM');
  const yesterday = `${server.dataDir}-yesterday`;
  fs.cpSync(server.dataDir, yesterday, { recursive: true });
  await server.start(true);
  await note(page, 'After the backup');
  await expect.poll(async () => (await logOf(page, id)).length).toBe(2);
  await server.stop('SIGTERM');
  fs.rmSync(server.dataDir, { recursive: true });
  fs.renameSync(yesterday, server.dataDir);
  await server.start(true);
  const notice = page.locator('[data-set-back="1"]');
  await expect(notice).toContainText('It lacks 1 entry that this device has');
  await notice.getByRole('button', { name: 'Send mine again, 1' }).click();
  await expect(notice).toHaveCount(0);
  await allSent(page);
  const log = await logOf(page, id);
  expect(log.map((e) => e.body.text)).toEqual(['Before the backup', 'After the backup']);
});

test('a part that cannot be fetched says so, keeps the rest, and comes when there is signal', async ({
  page,
  server,
}) => {
  await page.route('**/assets/PourSheets-*', (r) => r.abort());
  await page.route('**/api/health', (r) => r.abort());
  await openPour(page, server, 'P4', 'pour');
  await page.getByRole('button', { name: 'Note' }).click();
  await expect(page.getByText(/that is not on this device yet/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Weather' })).toBeVisible();
  await page.unroute('**/assets/PourSheets-*');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.getByLabel('What happened')).toBeVisible();
});

test('a page of an earlier version says what it is, and goes on when it is read again', async ({
  page,
  server,
}) => {
  // What the page was built with is no more: the server has been upgraded under it.
  await page.route('**/assets/PourSheets-*', (r) => r.fulfill({ status: 404, body: '' }));
  await openPour(page, server, 'P4', 'pour');
  await page.getByRole('button', { name: 'Note' }).click();
  await expect(page.getByText(/of an earlier version than the server/)).toBeVisible();
  await page.unroute('**/assets/PourSheets-*');
  await page.getByRole('button', { name: 'Read the page again' }).click();
  await expect(page.getByLabel('What happened')).toBeVisible();
});

test('a device that has no room left says so, stays where it is, and takes the entry once there is room', async ({
  page,
  server,
}) => {
  await page.addInitScript(() => {
    // oxlint-disable-next-line typescript/unbound-method -- called with the store it is put in
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...row: Parameters<typeof put>) {
      if (this.name === 'outbox' && (window as unknown as { full?: boolean }).full)
        throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, row);
    };
  });
  const id = await openPour(page, server, 'P4', 'check?run=R&check=R/cover-inside&place=0');
  const full = (yes: boolean) =>
    page.evaluate((y) => {
      (window as unknown as { full: boolean }).full = y;
    }, yes);
  const reading = page.locator('.bench').getByLabel('Reading', { exact: true });
  await reading.fill('1 1/2');
  await full(true);
  await reading.press('Enter');
  await expect(page.getByText(/could not keep that entry, so it is not logged/)).toBeVisible();
  await expect(page.locator('[data-place="R/cover-inside#0"]')).toBeVisible();
  await expect(page.getByText(/^0 of \d+ read$/)).toBeVisible();
  await full(false);
  // The figure that was not kept stands in its field: Enter is all it takes.
  await expect(reading).toHaveValue('1 1/2');
  await reading.press('Enter');
  await expect(page.locator('[data-place="R/cover-inside#1"]')).toBeVisible();
  await allSent(page);
  expect((await logOf(page, id)).map((e) => e.kind)).toEqual(['reading']);
});

test('an older answer that comes late puts nothing back', async ({ page, server }) => {
  await signIn(page, server);
  const id = await pourId(page, 'P4');
  const old = await page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).text(), id);
  await visit(page, `${server.url}/pours/${id}/plan`);
  await workedOut(page);
  await page.getByRole('button', { name: 'More: waste in 100' }).click();
  await expect(page.locator('.bench')).toContainText('waste, 5 in 100');
  await page.route(`**/api/pours/${id}`, (route) =>
    route.fulfill({ body: old, contentType: 'application/json' }),
  );
  const late = page.waitForResponse((r) => r.url().endsWith(`/api/pours/${id}`));
  let came = false;
  void late.then(() => {
    came = true;
  });
  // Coming back to a page reads anew once in a while: come back until it does.
  await expect
    .poll(async () => {
      await page.evaluate(() => {
        window.dispatchEvent(new Event('focus'));
      });
      return came;
    })
    .toBe(true);
  await (await late).finished();
  await atRest(page);
  await expect(page.locator('.bench')).toContainText('waste, 5 in 100');
});

test.describe('with a worker that keeps the app', () => {
  test.use({ serviceWorkers: 'allow' });

  test('ten entries made without signal, with a reload in between, arrive exactly once', async ({
    page,
    server,
    context,
  }) => {
    const id = await openPour(page, server, 'P4', 'pour');
    await readyWithoutSignal(page);
    await expect(page.getByRole('button', { name: 'Note' })).toBeVisible();
    await context.setOffline(true);
    const note = async (n: number) => {
      await page.getByRole('button', { name: 'Note' }).click();
      await page.getByLabel('What happened').fill(`Without signal ${n}`);
      await page.getByRole('dialog').getByRole('button', { name: 'Log' }).click();
      await gone(page);
    };
    for (let n = 1; n <= 5; n += 1) await note(n);
    await expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '5');
    await page.reload();
    await expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '5');
    for (let n = 6; n <= 10; n += 1) await note(n);
    await expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '10');
    await context.setOffline(false);
    await allSent(page);
    const texts = (await logOf(page, id)).map((e) => e.body.text);
    expect(texts).toEqual(Array.from({ length: 10 }, (_, i) => `Without signal ${i + 1}`));
  });

  test('a page that was on its way while the worker took charge is kept for a reload without signal like any other', async ({
    page,
    server,
    context,
  }) => {
    // The first page asks for its worker only once the second is on its way, and the second comes
    // only once the worker is in charge.
    await page.addInitScript(() => {
      if (location.pathname !== '/') return;
      const late = (...asked: Parameters<ServiceWorkerContainer['register']>) =>
        new Promise((r) => {
          addEventListener('beforeunload', () => {
            r(ServiceWorkerContainer.prototype.register.apply(navigator.serviceWorker, asked));
          });
        });
      Object.defineProperty(navigator.serviceWorker, 'register', { value: late });
    });
    await signIn(page, server);
    const id = await pourId(page, 'P4');
    await page.route('**/pour', async (route) => {
      const worker = context.serviceWorkers()[0] ?? (await context.waitForEvent('serviceworker'));
      await expect
        .poll(() => worker.evaluate<unknown>('registration.active?.state'))
        .toBe('activated');
      await route.continue();
    });
    await page.goto(`${server.url}/pours/${id}/pour`);
    await readyWithoutSignal(page);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Note' })).toBeVisible();
  });

  test('what was changed on the plan stands when the signal goes right after it, and after a reload', async ({
    page,
    server,
    context,
  }) => {
    const id = await openPour(page, server, 'P4', 'plan');
    await readyWithoutSignal(page);
    const kept = () =>
      page.evaluate(async (p) => {
        const answer = await caches.match(`/api/pours/${p}`);
        const record = (await answer?.json()) as
          { pour: { settings: { wasteRatio: number } } } | undefined;
        return record?.pour.settings.wasteRatio;
      }, id);
    expect(await kept()).toBe(0.04);
    await workedOut(page);
    await page.getByRole('button', { name: 'More: waste in 100' }).click();
    await expect(page.locator('.bench')).toContainText('waste, 5 in 100');
    // Read once more by itself, so that it is kept too.
    await expect.poll(kept).toBe(0.05);
    await context.setOffline(true);
    await page.reload();
    await expect(page.locator('.bench')).toContainText('waste, 5 in 100');
  });
});

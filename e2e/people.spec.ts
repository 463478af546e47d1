import { chromium } from '@playwright/test';
import { createHash, X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { expect, readyWithoutSignal, logOf, pourId, signIn, test, visit } from './server.ts';

/** People come and go, and a phone comes in over plain http. */

/** The scripts of a station, by their addresses. */
function scriptsOf(station: string): string[] {
  const manifest = JSON.parse(fs.readFileSync('dist/web/.vite/manifest.json', 'utf8')) as Record<
    string,
    { file: string; imports?: string[] }
  >;
  const seen = new Set<string>();
  const see = (key: string) => {
    if (seen.has(key)) return;
    seen.add(key);
    manifest[key]?.imports?.forEach(see);
  };
  see(`web/stages/${station}/page.tsx`);
  return [...seen].map((key) => `/${manifest[key]?.file ?? key}`);
}

test('a foreman adds a hand, who signs in, changes their PIN, and is signed out when they are locked', async ({
  page,
  server,
  anotherPage,
}) => {
  await signIn(page, server);
  await page.getByRole('button', { name: 'I. Brandvold' }).click();
  await page.getByRole('link', { name: 'People' }).click();
  const add = page.getByRole('form', { name: 'Add somebody' });
  await add.getByLabel('Name').fill('K. Aldous');
  await add.getByRole('button', { name: 'inspector' }).click();
  await add.getByLabel('First PIN').fill('1234');
  await add.getByRole('button', { name: /^Add/ }).click();
  await expect(add.getByRole('alert')).toHaveText('has 6 to 12 digits');
  await add.getByRole('button', { name: 'crew' }).click();
  await add.getByRole('button', { name: /^Add/ }).click();
  const line = page.getByRole('button', { name: /K\. Aldous/ });
  await expect(line).toContainText('never signed in');

  const other = await anotherPage();
  await visit(other, server.url);
  await other.getByLabel('Name').fill('K. Aldous');
  await other.getByLabel('PIN').fill('1234');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await other.getByRole('button', { name: 'K. Aldous' }).click();
  await expect(other.getByRole('link', { name: 'People' })).toHaveCount(0);
  await other.getByRole('button', { name: 'Change my PIN' }).click();
  await other.getByLabel('PIN now').fill('1234');
  await other.getByLabel('New PIN').fill('4321');
  await other.getByRole('button', { name: 'Change it' }).click();
  await expect(other.getByText('Your PIN is changed.')).toBeVisible();
  await visit(other, `${server.url}/pours/${await pourId(page, 'P4')}/check`);
  await other.getByRole('heading', { name: /P4/ }).waitFor();

  await line.click();
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await expect(line).toContainText('locked');
  // The open page hears it by its stream, and asks who is there.
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible();
});

test('a phone over plain http, by a name in the network, sends what is entered and goes on without signal', async ({
  server,
  launchOptions,
}) => {
  await server.stop('SIGTERM');
  await server.start(true, { HOSTS: 'site.test' });
  const phone = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions.args ?? []), '--host-resolver-rules=MAP site.test 127.0.0.1'],
  });
  try {
    const page = await phone.newPage({ viewport: { width: 390, height: 844 } });
    const fetched = new Set<string>();
    page.on('requestfinished', (r) => fetched.add(new URL(r.url()).pathname));
    await visit(page, `http://site.test:${server.port}`);
    expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
    await page.getByRole('button', { name: 'T. Oakes' }).click();
    await page.getByRole('heading', { name: 'Pours' }).waitFor();
    await page.getByRole('button', { name: 'T. Oakes' }).click();
    await expect(page.getByRole('status')).toContainText('cannot be opened without signal here');
    await page.keyboard.press('Escape');
    const id = await pourId(page, 'P4');
    await visit(page, `http://site.test:${server.port}/pours/${id}/check?run=R&check=R/braced`);
    await page.getByRole('button', { name: 'Good', exact: true }).click();
    await expect.poll(async () => (await logOf(page, id)).map((e) => e.kind)).toEqual(['mark']);
    // At rest it has fetched what is not open: without a worker too it goes on to another station.
    await expect.poll(() => scriptsOf('cure').filter((file) => !fetched.has(file))).toEqual([]);
    await readyWithoutSignal(page);
    await page.context().setOffline(true);
    await visit(page, `http://site.test:${server.port}/pours/${id}/cure`);
    await expect(page.getByRole('heading', { name: /P4/ })).toBeVisible();
  } finally {
    await phone.close();
  }
});

test.describe('with a worker that keeps the app', () => {
  test.use({ serviceWorkers: 'allow' });

  test('signing out without signal holds, and the next one does not go on as the last', async ({
    page,
    context,
    server,
  }) => {
    await signIn(page, server);
    await page.getByRole('button', { name: 'I. Brandvold' }).click();
    await page.getByRole('button', { name: 'Sign out' }).waitFor();
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await context.setOffline(false);
    await page.reload();
    await page.getByRole('button', { name: 'T. Oakes' }).click();
    await page.getByRole('heading', { name: 'Pours' }).waitFor();
    await expect(page.getByRole('button', { name: 'T. Oakes' })).toBeVisible();
  });

  test('a phone that trusts the site’s authority works by https, without signal too', async ({
    server,
    launchOptions,
  }) => {
    await server.stop('SIGTERM');
    const help = String(server.port + 5000);
    await server.start(true, { HOSTS: 'site.test', HELP_PORT: help }, ['--https']);
    const page0 = await (await fetch(`http://127.0.0.1:${help}/`)).text();
    expect(page0).toContain(`https://site.test:${server.port}/`);
    const authority = await (await fetch(`http://127.0.0.1:${help}/authority.crt`)).text();
    const own = fs.readFileSync(path.join(server.dataDir, 'https', 'server.crt'), 'utf8');
    const [leaf, root] = [new X509Certificate(own), new X509Certificate(authority)];
    expect(leaf.verify(root.publicKey)).toBe(true);
    // As a phone that has taken the authority over: this certificate, and no other, is trusted.
    const pin = createHash('sha256')
      .update(leaf.publicKey.export({ type: 'spki', format: 'der' }))
      .digest('base64');
    const phone = await chromium.launch({
      ...launchOptions,
      args: [
        ...(launchOptions.args ?? []),
        '--host-resolver-rules=MAP site.test 127.0.0.1',
        `--ignore-certificate-errors-spki-list=${pin}`,
      ],
    });
    try {
      const context = await phone.newContext({ viewport: { width: 390, height: 844 } });
      const page = await context.newPage();
      const url = `https://site.test:${server.port}`;
      await visit(page, url);
      expect(await page.evaluate(() => window.isSecureContext)).toBe(true);
      await page.getByRole('button', { name: 'T. Oakes' }).click();
      await page.getByRole('heading', { name: 'Pours' }).waitFor();
      const id = await pourId(page, 'P4');
      await visit(page, `${url}/pours/${id}/check?run=R&check=R/braced`);
      await readyWithoutSignal(page);
      await context.setOffline(true);
      await page.reload();
      await page.getByRole('button', { name: 'Good', exact: true }).click();
      await expect(page.getByText('1 not sent yet')).toBeVisible();
      await context.setOffline(false);
      await expect.poll(async () => (await logOf(page, id)).map((e) => e.kind)).toEqual(['mark']);
    } finally {
      await phone.close();
    }
  });
});

import { expect, openOwn, sharedTest as test, visit } from './server.ts';

/** What a limit hangs on is said once, stands after a reload, and is what the core goes by. */

interface Stored {
  site: { mixes: { mark: string; cement: string; siteWater?: boolean }[] };
  pour: { testsWaived?: boolean; stripping: { curedBy?: string; sheltered?: boolean } };
}

test('cement, water on the site, curing and waived tests are kept as they were said', async ({
  sharedPage: page,
  sharedServer: server,
}) => {
  const { id, siteId } = await openOwn(page, server, 'K1', 'check');
  const stored = () =>
    page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).json() as Promise<Stored>, id);
  const mark = (await stored()).site.mixes[0]?.mark ?? '';
  const dialog = page.getByRole('dialog');
  const openMix = async () => {
    await page.goto(`${server.url}/sites/${siteId}?sheet=mixes`);
    await dialog.getByRole('button', { name: mark }).first().click();
  };
  await openMix();
  await dialog.getByRole('button', { name: 'CEM III/B, III/C' }).click();
  await dialog.getByRole('button', { name: /answers for water/ }).click();
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect
    .poll(async () => (await stored()).site.mixes[0])
    .toMatchObject({ cement: 'highBlend', siteWater: true });
  await openMix();
  await expect(dialog.getByRole('button', { name: 'CEM III/B, III/C' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(dialog.getByRole('button', { name: /answers for water/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );

  const openMore = async () => {
    await page.goto(`${server.url}/?site=${siteId}`);
    await page.getByRole('button', { name: 'Change K1' }).click();
    await dialog.getByRole('button', { name: 'Order and stripping' }).click();
  };
  const said = ['under compound', /nothing loads it young/, /tests waived/];
  await openMore();
  for (const name of said) await dialog.getByRole('button', { name }).click();
  await dialog.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect
    .poll(async () => (await stored()).pour)
    .toMatchObject({
      testsWaived: true,
      stripping: { curedBy: 'compound', sheltered: true },
    });
  await openMore();
  for (const name of said)
    await expect(dialog.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true');
});

test('a wall vibrated deep at a time presses with its full head, and says so', async ({
  sharedPage: page,
  sharedServer: server,
}) => {
  const { id } = await openOwn(page, server, 'P2', 'setout?tab=schedule');
  await page.getByRole('button', { name: 'Change cells' }).click();
  const forms = page.getByRole('region', { name: 'Forms' });
  await forms.getByRole('button', { name: /^Change A3/ }).click();
  const type = async (label: RegExp, text: string) => {
    await forms.getByLabel(label).fill(text);
    await page.keyboard.press('Enter');
  };
  await type(/^Vibrator’s head/, '2 1/2');
  await type(/^Vibrated at a time/, '5');
  await visit(page, `${server.url}/pours/${id}/plan?tab=how`);
  await expect(
    page.getByText(/Vibrated 5 ft 0 in deep at a time: the formula holds to 4 ft/).first(),
  ).toBeVisible();
  await page.goto(`${server.url}/pours/${id}/setout?tab=schedule`);
  await page.getByRole('button', { name: 'Change cells' }).click();
  await forms.getByRole('button', { name: /^Change A3/ }).click();
  await expect(forms.getByLabel(/^Vibrator’s head/)).toHaveValue(/2 1\/2/);
  await expect(forms.getByLabel(/^Vibrated at a time/)).toHaveValue(/5/);
});

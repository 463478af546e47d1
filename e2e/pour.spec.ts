import { allSent, orderedByTelephone, takeLoad } from './walk.ts';
import { expect, forward, logOf, openOwn, openPour, sharedTest, test } from './server.ts';

/** Pour day of P2, as far as something goes wrong. */

test('a form opens: people first, three ways on with their odds, one chosen, and it is put right; the forecast moves', async ({
  page,
  server,
}) => {
  const id = await openPour(page, server, 'P2', 'pour');
  await orderedByTelephone(page, id);
  await forward(page, 50);
  // Before anything is here the rest is the plan.
  const ahead = page.getByRole('region', { name: 'As it goes' });
  await expect(ahead).toContainText('as planned');
  await takeLoad(page, 1, '90311', '5 1/2');
  await page.getByRole('button', { name: 'Start placing' }).first().click();
  await page.getByRole('dialog').getByRole('button').nth(1).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Weather is coming' }).click();
  await forward(page, 10);
  await expect(page.locator('[data-rest] path').first()).toBeVisible();

  let presses = 0;
  const press = async (name: string | RegExp, within = page.locator('body')) => {
    presses += 1;
    await within.getByRole('button', { name }).first().click();
  };
  await press('Trouble');
  const sheet = page.getByRole('dialog');
  await press('Form open', sheet);
  await expect(sheet.getByRole('heading', { name: 'Where?' })).toBeVisible();
  presses += 1;
  await sheet.getByRole('button').nth(1).click();
  expect(presses).toBe(3);
  const panel = page.locator('[data-trouble]');
  await expect(panel).toContainText('Everyone out of the line of');
  await expect(page.locator('[data-next]')).toContainText('Ways on');
  const ways = panel.locator('[data-way]');
  await expect(ways).toHaveCount(3);
  for (const way of await ways.all()) await expect(way).toContainText(/\d+ in 20.*done \d\d:\d\d/);
  const chosen = (await ways.first().getAttribute('data-way')) ?? '';
  await ways.first().click();
  await expect(panel).toContainText(', since ');
  await allSent(page);
  const log = await logOf(page, id);
  const entry = (kind: string) => log.find((e) => e.kind === kind);
  expect(entry('trouble')?.body.what).toBe('form-open');
  expect(entry('way-on')?.body).toMatchObject({ troubleId: entry('trouble')?.id, way: chosen });
  // The place is looked at again when the form comes off.
  expect(entry('defect')?.body.elementId).toBe(entry('trouble')?.body.elementId);
  await page.reload();
  await panel.getByRole('button', { name: 'It is put right' }).click();
  await expect(panel).toBeHidden();

  // The next truck does not come: as it goes it ends later, and says which seam is lost first.
  await forward(page, 75);
  await expect(ahead).toContainText('later than planned');
  await expect(page.locator('[data-lost]')).toContainText(/shuts \d\d:\d\d/);
});

sharedTest(
  'somebody hurt: what to do stands first, then it is written down',
  async ({ page, server }) => {
    const { id } = await openOwn(page, server, 'P2', 'pour');
    await page.getByRole('button', { name: 'Hurt', exact: true }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('listitem').first()).toContainText(
      'rinse with clean water for 20',
    );
    await sheet.getByRole('button', { name: 'Log it' }).click();
    await expect(sheet.getByRole('alert')).toBeVisible();
    await sheet
      .getByRole('textbox')
      .fill('P. Winder, splash in the left eye, rinsed, to the doctor');
    await sheet.getByRole('button', { name: 'Log it' }).click();
    await expect(sheet).toBeHidden();
    await allSent(page);
    expect((await logOf(page, id)).at(-1)?.kind).toBe('incident');
  },
);

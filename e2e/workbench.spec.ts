import { openScreen, violations } from './axe.ts';
import { expect, gone, openOwn, openPour, sharedTest as test, visit } from './server.ts';

/** The workbench, the site's rules and the search for the sequence, through the real interface. */

test('a calculation is found, worked out with the pour’s own numbers, kept, and stands after a reload', async ({
  page,
  server,
}) => {
  await openOwn(page, server, 'P2', 'plan');
  await expect(page.getByRole('button', { name: 'Way round', exact: true })).toBeVisible();
  await page.keyboard.press('c');
  await page.getByPlaceholder(/Find/).fill('on a tie');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/workbench\/tie-load/);
  // What the pour does not know is asked for; figures that are nobody's come only when they are wanted.
  const result = page.locator('[data-result]');
  await expect(page.locator('[data-waiting]')).toContainText('Waits for what P2 does not say');
  await expect(result).toHaveCount(0);
  await page.getByRole('button', { name: 'Try it with an example' }).click();
  await expect(result).toContainText('3008 lb');
  await expect(result).toContainText('not good');
  await page.getByLabel(/tie spacing/i).fill('1 ft 9 in');
  await expect(result).toContainText('2632 lb');
  await expect(result).not.toContainText('not good');
  await page.getByLabel(/tie capacity/i).fill('-3');
  await expect(page.getByText('must be above 0', { exact: true })).toBeVisible();
  await expect(
    page.getByText('One field to put right. tie capacity must be above 0.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await page.getByLabel(/tie capacity/i).fill('3000');
  await expect(result).toContainText('2632 lb');
  // What was typed is in the address: it stands after a reload.
  await expect(page).not.toHaveURL(/(%3A|:)-/);
  await page.reload();
  await expect(result).toContainText('2632 lb');
  // On paper stands what was put in, and whose it is; on the screen the form says it.
  await expect(page.getByRole('heading', { name: 'Put in' })).toBeHidden();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Put in' })).toBeVisible();
  await expect(page.getByText(/P2 Basement walls, Quillback.*I\. Brandvold/)).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.getByLabel('What it is for').fill('ramp wall');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.locator('[data-unsent="0"]').first()).toBeVisible();
  await page.getByRole('link', { name: 'All calculations' }).click();
  await page.getByRole('link', { name: /Load on a tie.*ramp wall/ }).click();
  await expect(result).toContainText('2632 lb');
});

test('a rule changed by the foreman bites at once, says who and when, and opens the sign-offs', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'P2', 'check?run=N&check=N/thickness&place=0');
  await expect(page.getByText(/ACI 117-10 §4.5/)).toBeVisible();
  await visit(page, `${server.url}/pours/${id}/check?run=N&check=N/thickness&place=0&sheet=rules`);
  await page.getByLabel('Find', { exact: true }).fill('thinner');
  await page.getByRole('button', { name: 'Change: Thin wall thinner by' }).click();
  const field = page.getByLabel(/Thin wall thinner by/);
  await field.fill('9 in');
  await expect(page.getByText(/Must lie between/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Change it' })).toBeDisabled();
  await field.fill('1/16');
  await page.getByLabel('Why').fill('engineer, letter of 22 Sept');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(
    page
      .getByText(/changed from 1.4 in to 1.16 in by I. Brandvold on 2026-09-23: engineer/)
      .first(),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  // What is typed while the sheet still stands goes into the sheet.
  await gone(page);
  await expect(page.getByText(/Limits:.*changed from/)).toBeVisible();
  await page.locator('.bench').getByLabel('Reading', { exact: true }).fill('10');
  await page.getByRole('button', { name: 'Working' }).click();
  await expect(page.getByRole('dialog', { name: 'Size and level verdict' })).toContainText('254');
});

test('a load too hot for the site is not called good, and is placed only with a reason', async ({
  page,
  server,
}) => {
  await openOwn(page, server, 'P4', 'pour?sheet=load:L1');
  await page.getByLabel('Ticket number').fill('991');
  await page.getByLabel(/^Concrete/).fill('97');
  await page.getByRole('button', { name: 'Log load' }).click();
  await expect(page.locator('[data-load-verdict="tooHot"]')).toContainText('too hot, 97 °F');
  await page.reload();
  await expect(page.getByText(/Load 1 is too hot: 97 °F, taken to 95 °F/)).toBeVisible();
  await page.locator('[data-next]').click();
  await expect(page.getByRole('button', { name: 'Place it' })).toBeDisabled();
  await page.getByLabel(/Reason, needed/).fill('ice went in at the gate');
  await page.getByRole('button', { name: 'Place it' }).click();
  await expect(page.getByText(/Load 1 is/)).toHaveCount(1);
  await expect(page.getByText(/too hot: 97/)).toHaveCount(0);
});

test('a figure opens to its working, and its working to the workbench with the same numbers', async ({
  page,
  server,
}) => {
  await openPour(page, server, 'P2', 'plan');
  await page.getByTitle('How the order is worked out').click();
  const sheet = page.getByRole('dialog', { name: 'Order quantity' });
  await expect(sheet).toContainText('36.18 yd³');
  await expect(sheet).toContainText('Newsvendor');
  await sheet.getByRole('link', { name: 'Try other numbers' }).click();
  await expect(page).toHaveURL(/workbench\/order-quantity/);
  await expect(page.locator('[data-result]')).toContainText('37.5 yd³');
  await page.getByLabel(/^neat/i).fill('40');
  await expect(page.locator('[data-result]')).not.toContainText('37.5 yd³');
});

test('the search shows the best as it goes, says why others were not taken, and plans what is chosen', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'P3', 'plan?tab=way');
  await page.getByRole('button', { name: /Look through/ }).click();
  await expect(page.getByRole('heading', { name: 'Not taken' })).toBeVisible();
  await expect(page.getByText(/plans looked at( of \d+|, all there are)/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay it over' }).click();
  await expect(page.getByRole('heading', { name: 'Not taken' })).toBeHidden();
  // Stopped half way: nothing is planned, and it can be begun again.
  await visit(page, `${server.url}/pours/${id}/plan?tab=way`);
  for (const word of ['truck size', 'time between loads'])
    await page.getByRole('button', { name: word }).click();
  await page.getByRole('button', { name: /Look through/ }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: /Look through/ })).toBeVisible();
});

test('the workbench and the rules have no accessibility violation in either theme', async ({
  page,
  server,
}) => {
  const id = await openPour(page, server, 'P2', 'workbench');
  for (const path of [
    'workbench',
    'workbench/form-pressure',
    'workbench/anchor-layout',
    'workbench/evaporation',
    'plan?sheet=rules',
  ]) {
    await openScreen(page, `${server.url}/pours/${id}/${path}`);
    expect(await violations(page, path)).toEqual([]);
  }
});

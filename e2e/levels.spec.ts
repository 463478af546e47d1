import { expect, logOf, openOwn, sharedTest as test, visit } from './server.ts';
import { allSent } from './walk.ts';

/** Levels off the laser, and squareness and lines by tape: read on Set out, counted on Check. */

test('levels one press at a time off the laser, with a turning point, closing on the benchmark; diagonals say what to move, and count as checked', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'K1', 'setout?tab=levels');
  const laser = page.getByRole('button', { name: 'Laser' });
  await laser.click();
  for (let i = 0; i < 4; i += 1) {
    const head = await page.locator('.bench .head').first().textContent();
    await laser.click();
    await expect(page.locator('.bench .head').first()).not.toHaveText(head ?? '');
  }
  await expect(page.locator('[data-level]')).toBeVisible();
  // The instrument is moved: its back-sight stands on a point that was read.
  await page
    .locator('.bench')
    .getByRole('button', { name: /^A form top/ })
    .click();
  await page.getByRole('button', { name: /Instrument moved/ }).click();
  await page.getByRole('button', { name: /^Back on R0/ }).click();
  await laser.click();
  await expect(page.locator('[data-closes="true"]')).toBeVisible();
  await allSent(page);
  const kinds = (await logOf(page, id)).map((e) => e.kind);
  expect(kinds).toEqual(['setup', 'level', 'level', 'level', 'level', 'setup', 'level']);

  await page.getByRole('button', { name: 'Square', exact: true }).click();
  const fields = page.getByRole('region', { name: 'Square' }).getByRole('textbox');
  for (const [i, text] of ['12', '8', '12', '8', '14.44', '14.40'].entries())
    await fields.nth(i).fill(text);
  await expect(page.locator('[data-square]')).toContainText(
    /Diagonals 40 mm apart\. Move C and D 24 mm toward the side of A/,
  );
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText(/^Last:/)).toBeVisible();
  const line = page.getByRole('region', { name: /^String line of/ });
  const run = ((await line.getByRole('heading').textContent()) ?? '').replace(
    'String line of ',
    '',
  );
  const offsets = (await line.getByRole('textbox').all()).slice(1);
  for (const field of offsets) await field.fill('42');
  await expect(line.locator('[data-line="true"]')).toBeVisible();
  await line.getByRole('button', { name: 'Log the line' }).click();
  // The fields empty once the device has kept the line; before that, leaving the page would drop it.
  for (const field of offsets) await expect(field).toHaveValue('');
  await allSent(page);
  // Both count on the list of checks: nobody reads them twice.
  for (const [where, reading, verdict] of [
    ['run=pour&check=pour/square', '40 mm', 'out'],
    [`run=${run}&check=${run}/line&place=0`, '2 mm', 'good'],
  ] as const) {
    await visit(page, `${server.url}/pours/${id}/check?${where}`);
    await expect(page.locator('[data-reading]')).toHaveText(reading);
    await expect(page.locator('[data-verdict]').first()).toHaveAttribute('data-verdict', verdict);
  }
});

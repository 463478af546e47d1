import { bigSite } from './big-site.ts';
import { expect, logOf, signIn, test, visit } from './server.ts';
import { allSent } from './walk.ts';

/** A large site works like a small one; how fast is measured in bench/page. */

test('a site of 400 runs is picked from, looked through, changed, taken back and read', async ({
  page,
  server,
}) => {
  await signIn(page, server);
  const { file, runs } = bigSite(20, 11);
  expect(runs).toBeGreaterThanOrEqual(400);
  const made = await page.evaluate(async (f) => {
    const headers = { 'Content-Type': 'application/json' };
    const answer = await fetch('/api/sites/import', { method: 'POST', headers, body: f });
    return (await answer.json()) as { pours: { id: string }[] };
  }, file);
  const id = made.pours[0]?.id ?? '';
  const button = (name: string) => page.getByRole('button', { name, exact: true });

  await visit(page, `${server.url}/pours/${id}/setout?run=R1`);
  await page.locator('[data-run="R200"]').click();
  await expect(page.locator('[data-run="R200"]')).toHaveAttribute('aria-pressed', 'true');
  for (const tab of ['Schedule', 'Levels', 'Square', 'Lists', 'Here']) {
    await button(tab).click();
    await expect(button(tab)).toHaveAttribute('aria-pressed', 'true');
  }
  await page.getByRole('button', { name: 'rolled out' }).click();
  const rolled = page.getByRole('group', { name: /^Rolled out/ });
  await expect(rolled.getByRole('button', { name: /^R\d+, / }).first()).toBeVisible();
  await page.getByRole('button', { name: 'from above' }).click();
  await expect(page.locator('[data-run="R200"]')).toBeVisible();

  await button('Change the plan').click();
  const length = page.getByLabel(/^Length/);
  const before = await length.inputValue();
  await length.fill(`12' 4`);
  await length.press('Enter');
  await expect(button('Undo')).toBeEnabled();
  await expect(length).not.toHaveValue(before);
  await button('Undo').click();
  await expect(length).toHaveValue(before);
  await button('Done').click();

  await visit(page, `${server.url}/pours/${id}/check?run=R1&check=R1/width&place=0`);
  const pad = page.locator('.bench').getByLabel('Reading', { exact: true });
  const wanted = /^\d+/.exec(await page.locator('.bench dd').first().innerText())?.[0] ?? '';
  expect(wanted).not.toBe('');
  await pad.fill(wanted);
  await pad.press('Enter');
  await expect(page.locator('[data-place="R1/width#0"]')).toHaveCount(0);
  await allSent(page);
  expect((await logOf(page, id)).map((e) => e.body.checkId)).toEqual(['R1/width']);
});

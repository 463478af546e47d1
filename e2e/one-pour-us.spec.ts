import { expect, forward, gone, logOf, pourId, signIn, test, visit, workedOut } from './server.ts';
import { allSent, place, placedElsewhere, takeLoad, truckEmpty } from './walk.ts';

test('P1 of the clinic shows its whole record, and takes a failed reading, its fix and the re-reading', async ({
  page,
  server,
}) => {
  // The demo's people sign in by a press.
  await visit(page, server.url);
  await page.getByRole('button', { name: /I\. Brandvold/ }).click();
  await page.locator('[data-pour="P1"]').click();
  const id = await pourId(page, 'P1');
  await page.getByRole('link', { name: /Set out/ }).click();
  await page.getByRole('button', { name: 'Run FS' }).click();
  await expect(page.getByRole('img', { name: 'Section of FS: 24 in by 12 in' })).toBeVisible();
  // 36 ft × 2 ft × 1 ft along the centre line of a closed ring.
  await expect(page.locator('.bench dl')).toContainText('2.67');

  await page.getByRole('link', { name: /^Cure/ }).click();
  await page.getByRole('button', { name: 'Open again' }).click();
  await page.getByLabel('Why').fill('South footing uncovered again to look at the chairs');
  await page.getByRole('button', { name: 'Open P1 again' }).click();

  await page.getByRole('link', { name: /^Check/ }).click();
  await page.getByRole('button', { name: 'FS Bottom cover: good' }).click();
  const bench = page.locator('.bench');
  const pad = bench.getByLabel('Reading', { exact: true });
  // What is typed is judged before it is taken.
  await pad.fill('2 3/8');
  await expect(bench.locator('[data-verdict]')).toHaveAttribute('data-verdict', 'out');
  await expect(bench.locator('[data-verdict]')).toContainText('1⁄8 in short');
  await pad.fill('2-7/8"');
  await expect(bench.locator('[data-verdict]')).toHaveAttribute('data-verdict', 'good');
  await pad.fill('about three');
  await pad.press('Enter');
  await expect(bench.getByText(/cannot be read as a measure\. Write it as/)).toBeVisible();
  await pad.fill('2 3/8');
  await pad.press('Enter');
  await expect(page.locator('[data-gate="held"]')).toBeVisible();
  await bench.getByRole('button', { name: /^Done: Lift on chairs/ }).click();
  await expect(bench.getByText(/Fixed: Lift on chairs\. Read it again\./)).toBeVisible();
  await bench.getByLabel('Reading', { exact: true }).fill('3');
  await bench.getByLabel('Reading', { exact: true }).press('Enter');
  await expect(page.locator('[data-gate="ready"]')).toBeVisible();
  await allSent(page);
  const kinds = (await logOf(page, id)).slice(-4).map((e) => e.kind);
  expect(kinds).toEqual(['reopen', 'reading', 'fix', 'reading']);

  // The figure opens to its working.
  await page.getByRole('button', { name: 'FS Bottom cover: good' }).click();
  await bench.getByRole('button', { name: 'Working' }).click();
  await expect(page.getByRole('dialog')).toContainText('ACI 117');
  await expect(page.getByRole('dialog')).toContainText('76.2 − 12.7');
});

test('P3 goes on against the gate, is poured with a load sent back, cured and closed, in US units', async ({
  page,
  server,
}) => {
  await signIn(page, server);
  await page.locator('[data-pour="P3"]').click();
  const id = await pourId(page, 'P3');
  await forward(page, 9 * 24 * 60 + 45);
  await page.getByRole('button', { name: 'Pour anyway' }).click();
  await page
    .getByRole('dialog')
    .getByRole('textbox')
    .fill('Read on paper in the rain, sheet 3, copied in later');
  await page.getByRole('button', { name: 'Go on', exact: true }).click();
  await expect(page.getByText(/This stays on the report/)).toBeVisible();

  // Plan: what the foreman sets moves the plan, and is kept.
  await page.getByRole('link', { name: /^Plan/ }).click();
  const big = page.locator('.bench .big').first();
  await expect(big).toContainText('12.25');
  for (let i = 0; i < 3; i += 1) {
    const before = await page
      .locator('.bench')
      .getByText(/waste, \d+ in 100/)
      .textContent();
    await workedOut(page);
    await page.getByRole('button', { name: 'More: waste in 100' }).click();
    await expect(page.locator('.bench').getByText(/waste, \d+ in 100/)).not.toHaveText(
      before ?? '',
    );
  }
  await expect(page.locator('.bench')).toContainText('waste, 10 in 100');
  await expect(big).not.toContainText('12.25');
  // What is shown is on its way: once it is there it is kept.
  await expect
    .poll(() =>
      page.evaluate(
        async (p) =>
          (
            (await (await fetch(`/api/pours/${p}`)).json()) as {
              pour: { settings: { wasteRatio: number } };
            }
          ).pour.settings.wasteRatio,
        id,
      ),
    )
    .toBeCloseTo(0.1, 6);
  await page.reload();
  await expect(page.locator('.bench')).toContainText('waste, 10 in 100');
  // The first truck would have to leave before the plant can be asked: another time is offered.
  await expect(page.locator('.next')).toContainText('too late for 07:30. First load from 10:05');
  await page.locator('[data-next]').click();
  await expect(
    page.getByRole('button', { name: '10:05, the first that can be had' }),
  ).toBeVisible();
  await visit(page, `${server.url}/pours/${id}/plan?sheet=order`);
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Order/ })
    .click();
  // Asked all the same, the plant says no, and the foreman rings.
  await expect(page.locator('[data-plant-said="false"]')).toContainText('that is past');
  await page.getByRole('button', { name: 'It was settled by telephone' }).click();
  await expect(page.locator('.bench').getByText('ordered', { exact: true })).toBeVisible();

  await page.getByRole('link', { name: /^Pour/ }).click();
  await takeLoad(page, 1, '90211', '6 1/2');
  await expect(page.locator('[data-load-verdict="tooWet"]')).toBeVisible();
  // One reading that is out is tried once more on a new sample, before it goes back.
  await expect(page.locator('.next')).toContainText('new sample');
  await page.locator('[data-next]').click();
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).fill('6 1/4');
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).press('Enter');
  await gone(page);
  await expect(page.locator('.next')).toContainText('Decide before it goes in');
  await page.locator('[data-next]').click();
  await page.getByRole('dialog').getByRole('button', { name: 'Send back' }).click();
  await expect(page.getByText(/more to order/)).toBeVisible();
  await forward(page, 20);
  await takeLoad(page, 2, '90212', '4');
  // It is the first that stays: the air that was ordered is read.
  await expect(page.locator('.next')).toContainText('Read its air');
  await page.locator('[data-next]').click();
  await page.getByRole('dialog').getByLabel(/^Air/).fill('6');
  await page.getByRole('dialog').getByRole('button', { name: 'Log', exact: true }).click();
  await gone(page);
  await expect(page.locator('[data-load-verdict="accept"]')).toBeVisible();
  for (const run of ['SN1', 'SN2']) await place(page, run, 'full', () => forward(page, 2));
  await placedElsewhere(page, id, ['SN3', 'SE1', 'SE2', 'SS2']);
  // A slip of the thumb is taken back, and stays in the log.
  await allSent(page);
  const before = (await logOf(page, id)).length;
  await page.getByRole('button', { name: 'Note' }).click();
  await page.getByLabel('What happened').fill('Wrong pour');
  await page.getByRole('dialog').getByRole('button', { name: 'Log' }).click();
  await gone(page);
  await page.keyboard.press('z');
  await expect(page.getByText(/Taken back: your last note/)).toBeVisible();
  await allSent(page);
  const log = await logOf(page, id);
  expect(log.length).toBe(before + 2);
  expect(log.at(-1)?.kind).toBe('supersede');

  await truckEmpty(page);
  await takeLoad(page, 3, '90213', '4 1/4');
  await placedElsewhere(page, id, ['SS1', 'SW3', 'SW2', 'SW1', 'SM', 'K1', 'K2']);
  for (const run of ['K4', 'K3']) await place(page, run, 'full', () => forward(page, 1));
  await truckEmpty(page);
  await expect(page.getByText(/All placed at/)).toBeVisible();
  await page.getByRole('link', { name: /^Cure/ }).click();
  await forward(page, 4 * 24 * 60);
  await page.getByRole('button', { name: 'Read temperature' }).first().click();
  await page.getByRole('dialog').getByLabel(/^Read/).fill('58');
  await page.getByRole('button', { name: 'Log temperature' }).click();
  await expect(page.getByText('Forms may come off.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Close the pour' }).click();
  await page.getByLabel('Remark').fill('Forms stay on for the frost, strip Monday');
  await page.getByRole('button', { name: 'Close P3' }).click();
  await expect(page.getByText('P3 is closed, its log is whole.')).toBeVisible();
  await allSent(page);
  expect(
    (await page.request.get(`${server.url}/api/pours/${id}/report.pdf`, { timeout: 40_000 })).ok(),
  ).toBe(true);
});

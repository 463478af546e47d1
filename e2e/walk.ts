import { expect, type Page } from '@playwright/test';

/** The walk through one pour, by the real interface: used in US and in metric. */

/** Looks at every change of type once; answers the presses it took. */
export async function seeChanges(page: Page): Promise<number> {
  let presses = 0;
  while (await page.locator('.next').getByText(/takes over from/).isVisible()) {
    const sentence = await page.locator('.next p').textContent();
    await page.locator('[data-next]').click();
    await page.getByRole('dialog').getByRole('button', { name: /^Seen/ }).click();
    await expect(page.locator('.next p')).not.toHaveText(sentence ?? '');
    presses += 2;
  }
  return presses;
}

/** Reads every place of every check, as wanted, with the tape pad and the keys a foreman would press; counts the presses. */
export async function readEverything(page: Page, good: (what: { wanted: string; title: string }) => string): Promise<{ readings: number; presses: number }> {
  let presses = 0;
  let readings = 0;
  const unread = async () => Number((await page.locator('[data-gate]').getByText(/\d+ readings? to take/).textContent({ timeout: 3000 }).catch(() => '0'))?.match(/\d+/)?.[0] ?? 0);
  presses += await seeChanges(page);
  // The page goes to the next wanted place by itself; "N" only starts the walk.
  await page.locator('[data-next]').click();
  presses += 1;
  for (let left = await unread(); left > 0; left -= 1) {
    const bench = page.locator('.bench');
    const chip = bench.getByRole('group', { name: /^Checks of/ }).locator('[aria-pressed="true"]').first();
    const title = (await chip.textContent()) ?? '';
    const at = await bench.locator('[data-place]').getAttribute('data-place');
    const pad = bench.getByLabel('Reading', { exact: true });
    const look = bench.getByRole('button', { name: 'Good', exact: true });
    const byEye = await look.isVisible();
    // What only an eye can judge has no wanted figure.
    // A fraction is set in a face of its own, without a space before it.
    const wanted = byEye ? '' : await bench.locator('dd').first().evaluate((el) => el.innerHTML.replace(/<span class="fr">/g, ' ').replace(/<[^>]+>/g, ''));
    if (byEye) { await look.click(); presses += 1; }
    else if (await bench.locator('[data-pad="count"]').isVisible()) { await bench.locator('[data-pad="count"]').getByRole('button', { name: wanted.replace(/\D/g, ''), exact: true }).click(); presses += 1; }
    else if (await bench.getByRole('button', { name: 'There', exact: true }).isVisible()) { await bench.getByRole('button', { name: 'There', exact: true }).click(); presses += 1; }
    else if (await bench.locator('[data-bolt-step]').isVisible()) { presses += await measureBolt(page); }
    else if (await bench.getByRole('group', { name: 'Bar size read' }).isVisible()) { await bench.getByRole('group', { name: 'Bar size read' }).getByRole('button', { name: wanted, exact: true }).click(); presses += 1; }
    else { const text = good({ wanted, title }); await pad.fill(text); await pad.press('Enter'); presses += text.length + 1; }
    readings += 1;
    // Polled at every frame: eighty readings in a row should not wait for a slower poll.
    if (left > 1) await page.waitForFunction((before) => { const now = document.querySelector('[data-place]')?.getAttribute('data-place'); return now !== undefined && now !== null && now !== before; }, at, { polling: 'raf', timeout: 10_000 }).catch(async () => { throw new Error(`the page stays at ${at ?? ''}, wanted ${wanted}: ${(await bench.locator('[data-verdict]').textContent()) ?? ''}`); });
  }
  return { readings, presses };
}

/** Reads the count of things sent, and waits until nothing is left unsent. */
export const allSent = (page: Page) => expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '0', { timeout: 15_000 });

export async function signOwn(page: Page): Promise<void> {
  await page.locator('[data-next]').click();
  await page.getByRole('button', { name: /Sign as/ }).click();
}

export async function inspect(page: Page): Promise<void> {
  await page.locator('[data-next]').click();
  await page.getByLabel('Inspector’s name').fill('R. Halloran');
  await page.getByLabel('Inspector’s PIN').fill('8642');
  await page.getByRole('button', { name: 'Pass', exact: true }).click();
  await expect(page.locator('[data-gate="ready"]')).toBeVisible();
}

/** One load from its ticket to its slump. */
export async function takeLoad(page: Page, n: number, ticket: string, slump: string): Promise<void> {
  await page.getByRole('button', { name: 'Load is here' }).first().click();
  await page.getByLabel('Ticket number').fill(ticket);
  await page.getByRole('button', { name: 'Log load' }).click();
  await expect(page.getByRole('heading', { name: new RegExp(`Load ${n} at the chute`) })).toBeVisible();
  await page.getByRole('button', { name: 'Slump', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).fill(slump);
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
}

export async function place(page: Page, run: string, part: 'full' | 25 | 50 | 75 | 90, during: () => Promise<void>): Promise<void> {
  await page.getByRole('button', { name: 'Start placing' }).first().click();
  await page.getByRole('dialog').getByRole('button', { name: new RegExp(`^${run}\\b`) }).click();
  await expect(page.getByRole('button', { name: 'Stop placing' })).toBeVisible();
  await during();
  await page.getByRole('button', { name: 'Stop placing' }).click();
  await page.getByRole('dialog').getByRole('button', { name: part === 'full' ? `${run} is full` : String(part), exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

export async function truckEmpty(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Truck is empty' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

/** Measures a bolt of the round that is wanted deep and high, by keys; how many presses that took. */
export async function measureBolt(page: Page): Promise<number> {
  const bench = page.locator('.bench');
  let presses = 0;
  for (const step of ['deep', 'out']) {
    const line = bench.locator(`[data-bolt-step="${step}"]`);
    // A fraction is set in a face of its own, without a space before it.
    const text = /([\d][\d /]*) (?:in|mm)/.exec(await line.evaluate((el) => el.innerHTML.replace(/<span class="fr">/g, ' ').replace(/<[^>]+>/g, '')))?.[1]?.trim() ?? '';
    const pad = bench.getByLabel('Reading', { exact: true });
    await pad.fill(text);
    await pad.press('Enter');
    presses += text.length + 1;
  }
  return presses;
}

import type { Locator, Page } from '@playwright/test';
import { expect, testFromNothing as test, visit } from './server.ts';

/** Whoever begins has an empty folder and no file. */

/** A hand that counts: a press on a control, a field that is gone to and typed in, Enter. */
class Hand {
  presses = 0;
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }
  async press(control: Locator): Promise<void> {
    await control.click();
    this.presses += 1;
  }
  async type(field: Locator, text: string): Promise<void> {
    await field.fill(text);
    this.presses += 1;
  }
  async enter(field: Locator, text: string): Promise<void> {
    await this.type(field, text);
    await field.press('Enter');
    this.presses += 1;
  }
  button(name: string | RegExp): Promise<void> {
    return this.press(this.page.getByRole('button', { name }).first());
  }
  link(name: string | RegExp): Promise<void> {
    return this.press(this.page.getByRole('link', { name }).first());
  }
}

async function firstAccount(hand: Hand, url: string): Promise<void> {
  const { page } = hand;
  await visit(page, url);
  await hand.type(page.getByLabel('Your name'), 'M. Ostrander');
  await hand.enter(page.getByLabel(/^A PIN/), '482913');
  await page.getByRole('heading', { name: 'No site yet' }).waitFor();
}

/** A ring of walls on footings, 10 by 8 m to the outside, in metric. */
async function firstSite(hand: Hand): Promise<void> {
  const { page } = hand;
  await hand.link('New site');
  await hand.type(page.getByLabel('Name of the site'), 'Ostrander Stable');
  await hand.type(page.getByLabel('Where it is'), '47.1 N 6.2 E');
  await hand.button('metres, mm');
  await hand.button('EN, metric');
  await hand.button('both');
  await hand.button('outside');
  await hand.enter(page.getByLabel('north side'), '10');
  await expect(page.getByText('so far', { exact: false }).first()).toBeVisible();
  await hand.enter(page.getByLabel('east side'), '8');
  await page.waitForURL(/\/setout/);
}

const bench = (page: Page) => page.locator('.bench');

test.use({ locale: 'en-GB' });

test('account, site, two pours, a colleague, an inspector, a reading and an order: without a file', async ({
  page,
  server,
}) => {
  const hand = new Hand(page);
  await firstAccount(hand, server.url);
  await firstSite(hand);

  // 250 mm walls, 10 by 8 m outside: 2 × (9.75 + 7.75) m of middle line on 0.6 × 0.3 m footings.
  await expect(page.getByRole('table').getByText('6.30 m³')).toBeVisible();

  // What stands as usual is compared with the drawing once.
  await hand.press(page.getByRole('button', { name: 'Schedule' }));
  await hand.button(/^Compared/);
  await expect(page.getByRole('button', { name: /^Compared/ })).toHaveCount(0);

  // A reading on the first pour.
  await hand.press(page.getByRole('link', { name: /^Check/ }));
  await hand.press(bench(page).getByRole('button', { name: 'Good', exact: true }));
  // No grade was given: the trench is looked at all the same.
  await expect(bench(page).getByText('Trench sides and way out').first()).toBeVisible();
  await hand.press(bench(page).getByRole('button', { name: 'Good', exact: true }));
  await hand.enter(bench(page).getByRole('textbox').first(), '600');
  await expect(page.getByRole('link', { name: /^Check 3 of/ })).toBeVisible();

  // The first pour gets its day, and a third is made of one wall.
  await hand.press(page.getByRole('link', { name: 'All pours' }));
  await hand.button('Change P1');
  const sheet = page.getByRole('dialog');
  await hand.press(
    sheet.getByRole('group', { name: 'Day of the pour' }).getByRole('button').nth(3),
  );
  await hand.press(sheet.getByRole('button', { name: 'Keep' }));
  await expect(sheet.getByRole('button', { name: 'Keep' })).toBeDisabled();
  await hand.press(sheet.getByRole('button', { name: 'Close' }));

  // A colleague and an inspector.
  await hand.button('M. Ostrander');
  await hand.link('People');
  const add = page.getByRole('form', { name: 'Add somebody' });
  await hand.type(add.getByLabel('Name'), 'K. Aldous');
  await hand.enter(add.getByLabel('First PIN'), '1122');
  await page.getByRole('button', { name: /K\. Aldous/ }).waitFor();
  await expect(add.getByLabel('Name')).toHaveValue('');
  await hand.press(add.getByRole('button', { name: 'inspector' }));
  await hand.type(add.getByLabel('Name'), 'R. Quill');
  await hand.type(add.getByLabel('First PIN'), '335577');
  await add.getByLabel('Signs').selectOption({ label: 'Inspection' });
  hand.presses += 2;
  await hand.press(add.getByRole('button', { name: /^Add/ }));
  await expect(page.getByRole('button', { name: /R\. Quill/ })).toContainText('inspection');

  // The order of the first pour.
  await hand.link('Pours');
  await hand.press(page.locator('[data-pour="P1"]'));
  await hand.press(page.getByRole('link', { name: /^Plan/ }));
  // Until it has come the station before stands, with its own next line.
  await page.locator('.frame[data-stage="plan"]').waitFor();
  await hand.press(page.locator('[data-next]'));
  await expect(page.getByRole('dialog')).toContainText('The plant is a usual plant');
  await hand.press(page.getByRole('dialog').getByRole('button', { name: /^Order/ }));
  await expect(page.getByRole('dialog')).toContainText(/Told by telephone/);
  console.log(`${hand.presses} presses from an empty folder to an order`);
  expect(hand.presses).toBeLessThan(120);
});

test('on a phone the first figure stands after a handful of acts', async ({
  anotherPage,
  server,
}) => {
  const page = await anotherPage({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    locale: 'en-US',
  });
  const hand = new Hand(page);
  await firstAccount(hand, server.url);
  await hand.link('New site');
  await hand.enter(page.getByLabel('north side'), '36');
  // 36 ft of footing, 24 × 12 in
  await expect(page.getByText('2.7', { exact: false }).first()).toBeVisible();
  expect(hand.presses).toBeLessThan(10);
  // What is typed is there still after the page is gone.
  await page.reload();
  await expect(page.getByLabel('north side')).toHaveValue('36 ft 0 in');
  await hand.enter(page.getByLabel('east side'), '28');
  await hand.button(/Make the site/);
  await expect(page.getByText('Give it a name.').first()).toBeVisible();
  await hand.type(page.getByLabel('Name of the site'), 'Quarry Barn');
  await hand.type(page.getByLabel('Where it is'), '45.2, -92.6');
  await hand.button(/Make the site/);
  await page.waitForURL(/\/setout/);
});

test('a pour is copied, cut, called off and archived; a site is archived and removed; another’s lists are taken over', async ({
  page,
  server,
}) => {
  const hand = new Hand(page);
  await firstAccount(hand, server.url);
  await firstSite(hand);
  await visit(page, server.url);
  const sheet = page.getByRole('dialog');

  // Cut in two in the west wall, three metres from its first node.
  await hand.button('Change P2');
  await hand.press(sheet.getByRole('button', { name: 'Runs', exact: true }));
  await hand.press(
    sheet.getByRole('listitem').filter({ hasText: 'West wall' }).getByText('Cut here'),
  );
  await hand.type(sheet.getByLabel(/in W, so far/i), '3');
  await hand.press(sheet.getByRole('button', { name: /^Cut W at/ }));
  await expect(page.locator('[data-pour="P3"]')).toBeAttached();
  // What lies on the other side is taken back over.
  await hand.press(sheet.getByRole('button', { name: 'S, from P3' }));
  await expect(sheet.getByRole('listitem').filter({ hasText: 'South wall' })).toBeVisible();
  await hand.press(sheet.getByRole('button', { name: 'Standing' }));
  await hand.type(sheet.getByLabel(/Call it off for good/), 'The owner builds in timber');
  await hand.press(sheet.getByRole('button', { name: 'Call off', exact: true }));
  await expect(sheet.getByText(/Called off by M\. Ostrander/)).toBeVisible();
  await hand.press(sheet.getByRole('button', { name: 'Close' }));
  await expect(page.locator('[data-pour="P2"]')).toHaveCount(0);
  await hand.button(/Show 1 pour called off/);
  await expect(page.locator('[data-pour="P2"]')).toContainText('timber');

  // Another like the first, of the two walls that no pour has now.
  await hand.button('Change P1');
  await hand.press(sheet.getByRole('button', { name: 'Standing' }));
  await hand.press(sheet.getByRole('link', { name: 'Another pour like it' }));
  await hand.button('all that no pour has');
  await expect(page.getByLabel('Title')).toHaveValue('Walls');
  await hand.button(/^Make P4/);
  await page.waitForURL(/\/setout/);

  // A made-up site beside it, whose plant and crew are taken over.
  await visit(page, server.url);
  await page.evaluate(() => fetch('/api/sites/made-up', { method: 'POST' }));
  await page.reload();
  await hand.button(/^Ostrander Stable/);
  await hand.link(/^The site/);
  await hand.button('Take over from another site');
  await expect(sheet.getByRole('button', { name: /^orrin/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await hand.press(sheet.getByRole('button', { name: /^F3/ }));
  await hand.press(sheet.getByRole('button', { name: /^Take over \d+ things/ }));
  await expect(page.getByRole('list', { name: 'Lists of the site' })).toContainText(
    'Orrin Falls plant',
  );

  // Somebody else's file: its site is not wanted, one of its mixes is.
  await visit(page, server.url);
  await hand.button(/^Ostrander Stable/);
  await page.getByLabel('Bring in a site file').setInputFiles('demo/sites/kestrel.json');
  await hand.press(sheet.getByRole('button', { name: 'Ostrander Stable', exact: true }));
  await hand.press(sheet.getByRole('button', { name: /^C30S3/ }));
  await hand.press(sheet.getByRole('button', { name: /^C30S3/ }));
  await hand.press(sheet.getByRole('button', { name: /^Take over \d+ things/ }));
  await expect(page.getByRole('button', { name: /^Kestrel/ })).toHaveCount(0);
  await hand.link(/^The site/);
  await expect(page.getByRole('list', { name: 'Lists of the site' })).toContainText('C30S3');

  // Archived it is read only and brought back; the made-up one goes whole.
  await hand.button('Archive');
  await hand.button('Bring it back');
  await visit(page, server.url);
  await hand.button(/^Quillback/);
  await hand.link(/^The site/);
  await hand.button('Remove for good');
  await hand.button(/^Yes, remove/);
  await page.getByRole('heading', { name: 'Pours' }).waitFor();
  await expect(page.getByRole('button', { name: /^Quillback/ })).toHaveCount(0);
});

test('a drawing is laid under the plan and scaled by two presses; a tablet changes hands by name and PIN', async ({
  page,
  server,
}) => {
  const hand = new Hand(page);
  await firstAccount(hand, server.url);
  await firstSite(hand);
  await hand.button('Change the plan');
  const panel = page.getByRole('region', { name: 'Drawing under the plan' });
  await panel.locator('input[type=file]').setInputFiles({
    name: 'sheet.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from(ONE_PAGE_PDF),
  });
  await expect(panel.getByRole('button', { name: 'shown' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.locator('image')).toBeAttached();
  const before = await page.locator('image').getAttribute('transform');
  await hand.press(panel.getByRole('button', { name: 'Scale it' }));
  const paper = page.getByRole('button', { name: /two points of the drawing/ });
  await paper.click({ position: { x: 200, y: 250 } });
  await paper.click({ position: { x: 400, y: 250 } });
  await hand.enter(panel.getByLabel(/between the two/i), '4');
  await expect(page.locator('image')).not.toHaveAttribute('transform', before ?? '');
  await hand.press(panel.getByRole('button', { name: 'shown' }));
  await expect(page.locator('image')).toHaveCount(0);

  await page.evaluate(() =>
    fetch('/api/accounts', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: 'K. Aldous', pin: '1122', role: 'crew' }),
    }),
  );
  await page.reload();
  await page.getByRole('button', { name: 'M. Ostrander' }).click();
  const account = page.getByRole('dialog');
  await account.getByRole('button', { name: /^K\. Aldous/ }).click();
  await account.getByLabel('PIN of K. Aldous').fill('9999');
  await account.getByLabel('PIN of K. Aldous').press('Enter');
  await expect(account.getByText('Name or PIN is not right.')).toBeVisible();
  // It is said a moment before the next PIN is taken.
  await expect(account.getByRole('button', { name: 'Take over' })).toBeEnabled();
  await account.getByLabel('PIN of K. Aldous').fill('1122');
  await account.getByLabel('PIN of K. Aldous').press('Enter');
  await expect(page.getByRole('button', { name: 'K. Aldous', exact: true })).toBeVisible();
});

/** A page with one line on it. */
const ONE_PAGE_PDF = `%PDF-1.4
1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 400 300]/Contents 4 0 R>>endobj
4 0 obj<</Length 30>>stream
4 w 50 50 m 350 250 l S
endstream
endobj
trailer<</Root 1 0 R>>
`;

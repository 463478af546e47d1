import type { Page } from '@playwright/test';
import type { PourAnswer } from '../contract/index.ts';
import { openScreen, violations } from './axe.ts';
import {
  type DemoServer,
  expect,
  gone,
  logOf,
  openOwn,
  openPour,
  ownSite,
  pourId,
  sharedTest as test,
  signIn,
  visit,
  workedOut,
} from './server.ts';

/** The screens by themselves: accessible in both themes, usable on a phone, by keys, and clear about bad input. */

const CHECKED: Record<
  string,
  { paths: string[]; pressed: [path: string, ...buttons: (string | RegExp)[]][] }
> = {
  'no station': {
    paths: ['setout', 'check?run=E1&check=E1/cover-inside', 'pour', 'cure'],
    pressed: [],
  },
  'no part of Plan': {
    paths: [
      'plan',
      'plan?tab=when',
      'plan?tab=how',
      'plan?tab=way',
      'plan?tab=who',
      'plan?sheet=order',
    ],
    pressed: [],
  },
  'no tool of Set out': {
    paths: [
      'setout?tab=schedule',
      'setout?tab=levels',
      'setout?tab=square',
      'setout?tab=lists',
      'setout?sheet=import',
    ],
    pressed: [
      ['setout?tab=schedule', 'Change cells', 'Change A3'],
      // The plan is being changed still.
      ['setout?run=N', /crawl space inside/],
    ],
  },
  'no sheet of Pour': {
    paths: ['pour?sheet=day', 'pour?sheet=hands', 'pour?sheet=load:L1', 'pour?sheet=line:N/line-0'],
    pressed: [],
  },
  'no round or sheet of Check': {
    paths: [
      'check?run=N&check=N/bolts',
      'check?run=W&check=W/braces',
      'check?sheet=sign:inspection',
      'check?sheet=question',
      'check?sheet=item:N',
      'check?sheet=change:C3:W2>W2T',
    ],
    pressed: [
      ['check', 'Fixes'],
      ['check', /^Put off free until/],
      ['check?run=N', /^Checks of N/],
    ],
  },
};

test('the list of pours has no accessibility violation in either theme', async ({
  page,
  server,
}) => {
  await signIn(page, server);
  await page.locator('[data-pour]').first().waitFor();
  expect(await violations(page, 'pours')).toEqual([]);
});

test('no screen or sheet of a site has an accessibility violation in either theme', async ({
  page,
  server,
}) => {
  await signIn(page, server);
  const sites = await page.evaluate(
    async () => (await fetch('/api/sites')).json() as Promise<{ id: string; name: string }[]>,
  );
  const site = `${server.url}/sites/${sites.find((s) => s.name.startsWith('Quill'))?.id ?? ''}`;
  const look = async (url: string, name: string, role: 'button' | 'dialog' | 'list' = 'button') => {
    await visit(page, url);
    await page.getByRole(role, { name }).first().waitFor();
    expect(await violations(page, url)).toEqual([]);
  };
  await visit(page, `${server.url}/new`);
  await page.getByLabel('north side').fill('12');
  expect(await violations(page, 'a new site')).toEqual([]);
  await look(site, 'Lists of the site', 'list');
  await look(`${site}/pour`, 'all pads');
  await look(`${site}?sheet=plants`, 'Plants', 'dialog');
  await visit(page, server.url);
  await page.getByRole('button', { name: 'Change P2' }).click();
  const sheet = page.getByRole('dialog');
  for (const part of ['What and when', 'Runs', 'Order and stripping', 'Standing']) {
    await sheet.getByRole('button', { name: part, exact: true }).click();
    expect(await violations(page, `a pour, ${part}`)).toEqual([]);
  }
});

for (const [what, { paths, pressed }] of Object.entries(CHECKED)) {
  test(`${what} has an accessibility violation in either theme`, async ({ page, server }) => {
    // What a press changes is changed on a site of its own; the others look at the demo's, and its log.
    const id =
      what === 'no tool of Set out'
        ? (await openOwn(page, server, 'P2', 'setout')).id
        : await openPour(page, server, 'P2', 'setout');
    for (const path of paths) {
      await openScreen(page, `${server.url}/pours/${id}/${path}`);
      expect(await violations(page, path)).toEqual([]);
    }
    // What has no address of its own is opened by its button.
    for (const [path, ...buttons] of pressed) {
      // By way of another station, where nothing is left of what was pressed before.
      await visit(page, `${server.url}/pours/${id}/cure`);
      await visit(page, `${server.url}/pours/${id}/${path}`);
      for (const button of buttons) await page.getByRole('button', { name: button }).click();
      expect(await violations(page, `${path}, ${String(buttons.at(-1))}`)).toEqual([]);
    }
  });
}

test('on a phone a reading is taken with the keys of the pad, none under the edge of the screen', async ({
  anotherPage,
  server,
}) => {
  const page = await anotherPage({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await openOwn(page, server, 'P4', 'check?run=R&check=R/cover-inside&place=0');
  const key = (name: string) => page.locator('.bench').getByRole('button', { name, exact: true });
  for (const name of ['1', '2', '7/8', 'Back']) {
    const box = await key(name).boundingBox();
    expect(box && box.y + box.height).toBeLessThanOrEqual(844 - 96);
    expect(box?.height).toBeGreaterThanOrEqual(48);
  }
  await key('1').tap();
  await key('1/2').tap();
  await expect(page.locator('[data-reading]')).toContainText('1⁄2');
  await page.locator('.bench').getByRole('button', { name: /^Take/ }).locator('visible=true').tap();
  await expect(page.getByText(/^1 of \d+ read$/)).toBeVisible();
});

/** At the first cover of the ramp wall, with a good figure typed and not taken yet. */
async function firstCover(page: Page, server: DemoServer) {
  const { id } = await openOwn(page, server, 'P4', 'check?run=R&check=R/cover-inside&place=0');
  const reading = page.locator('.bench').getByLabel('Reading', { exact: true });
  await reading.fill('1 1/2');
  return { id, reading };
}

test('who types on while the next place is on its way loses no key, and takes nothing twice', async ({
  page,
  server,
}) => {
  const { id, reading } = await firstCover(page, server);
  // Enter twice, as in gloves, and the next figure at once: one straight after the other, before
  // the page can have moved on.
  await page.evaluate(async () => {
    const task = () =>
      new Promise((r) => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = r;
        port2.postMessage(0);
      });
    const field = document.querySelector<HTMLInputElement>('.bench input[aria-label="Reading"]');
    if (!field) throw new Error('no field');
    const enter = () => {
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    };
    enter();
    await task();
    enter();
    await task();
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, '1 5/8');
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  await expect(page.locator('[data-place="R/cover-inside#1"]')).toBeVisible();
  await expect(reading).toHaveValue('1 5/8');
  await expect(page.locator('[data-reading]')).toContainText('5⁄8');
  await reading.press('Enter');
  await expect(page.getByText(/^2 of \d+ read$/)).toBeVisible();
  await expect(reading).toHaveValue('');
  const taken = async () =>
    (await logOf(page, id)).map(
      ({ body }) => `${String(body.place)}: ${(body.value as { mm: number }).mm.toFixed(3)}`,
    );
  // Shown is not sent yet.
  await expect.poll(taken).toEqual(['0: 38.100', '1: 41.275']);
  // What is half typed here is not carried to a place that is picked by hand.
  await reading.fill('7');
  await page.getByRole('group', { name: 'Places' }).getByRole('button').last().click();
  await expect(page.locator('[data-place$="#1"]')).toBeVisible();
  await expect(reading).toHaveValue('');
});

test('what is typed at the very moment the next place comes up stays', async ({ page, server }) => {
  const { reading } = await firstCover(page, server);
  // Typed as soon as it stands in the page, before the page has done anything more.
  await page.evaluate(() => {
    new MutationObserver((_, observer) => {
      const field = document.querySelector<HTMLInputElement>('.bench input[aria-label="Reading"]');
      if (!field || !document.querySelector('[data-place="R/cover-inside#1"]')) return;
      observer.disconnect();
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(
        field,
        '1 5/8',
      );
      field.dispatchEvent(new Event('input', { bubbles: true }));
    }).observe(document.body, { subtree: true, childList: true, attributes: true });
  });
  await reading.press('Enter');
  await expect(page.locator('[data-place="R/cover-inside#1"]')).toBeVisible();
  await expect(page.locator('[data-reading]')).toContainText('5⁄8');
  await expect(reading).toHaveValue('1 5/8');
  await reading.press('Enter');
  await expect(page.getByText(/^2 of \d+ read$/)).toBeVisible();
});

test('keys walk the stations, do the next line, and keep still while a field has the focus', async ({
  page,
  server,
}) => {
  await openOwn(page, server, 'P4', 'setout');
  await expect(page.getByRole('heading', { name: 'R', exact: true })).toBeVisible();
  await page.keyboard.press('3');
  await expect(page).toHaveURL(/\/plan$/);
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog', { name: 'Weather now' })).toBeVisible();
  await page.getByLabel(/Wind/).fill('2');
  await expect(page).toHaveURL(/\/pour\?sheet=weather$/);
  await page.keyboard.press('Escape');
  await gone(page);
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { name: 'R', exact: true })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/check\?run=R/);
});

test('anything with a name is found by its words, by key or press', async ({ page, server }) => {
  await openPour(page, server, 'P2', 'setout');
  await page.getByRole('heading', { name: 'N', exact: true }).waitFor();
  await page.keyboard.press('/');
  const field = page.getByLabel('A run, a check, a question or a load');
  await field.fill('cover e1 inside');
  await expect(page.getByText('1 found. Enter goes to the first.')).toBeVisible();
  await field.press('Enter');
  await expect(page).toHaveURL(/check\?run=E1&check=E1%2Fcover-inside&place=0/);
  await expect(page.locator('[data-verdict="out"]')).toBeVisible();
  await page.getByRole('button', { name: 'Find anything' }).click();
  await field.fill('question 7');
  await page.getByRole('button', { name: /^Question 7/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Detail 6 draws bars on both faces');
  // From here it hears keys.
  await expect(page.getByLabel('Answer')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Find anything' }).click();
  await field.fill('zebra');
  await expect(page.getByText('Nothing has these words in it.')).toBeVisible();
});

test('lines go from what holds the gate to its place, and with their row when the list is scrolled', async ({
  page,
  server,
}) => {
  await openPour(page, server, 'P2', 'check?run=N');
  const leaders = page.locator('[data-leader]');
  await expect(leaders).toHaveCount(2);
  const first = await leaders.first().getAttribute('data-leader');
  const line = page.locator(`[data-leader="${first ?? ''}"]`);
  /** How far the line begins from the middle of its row, px. */
  const off = async () => {
    const [row, path] = await Promise.all([
      page.locator(`[data-row="${first ?? ''}"]`).boundingBox(),
      line.evaluate(
        (p: SVGPathElement) =>
          p.getPointAtLength(0).y + (p.ownerSVGElement?.getBoundingClientRect().top ?? 0),
      ),
    ]);
    return Math.abs((row?.y ?? 0) + (row?.height ?? 0) / 2 - path);
  };
  expect(await off()).toBeLessThan(1);
  const list = page.getByRole('group', { name: 'What holds it' });
  await list.evaluate((el) => {
    el.scrollTop = 10;
  });
  await expect.poll(off).toBeLessThan(1);
  await page.getByRole('button', { name: /^\d+ more$/ }).click();
  await expect(leaders).toHaveCount(0);
  await list.evaluate((el) => {
    el.scrollTop = 0;
  });
  await expect(leaders).toHaveCount(2);
});

test('a broken site file names where it is wrong and stores nothing', async ({ page, server }) => {
  await signIn(page, server);
  const bring = (text: string) =>
    page.locator('input[type=file]').setInputFiles({
      name: 'yard.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });
  await bring('{\n "format": "jactum.site/1",\n "name": oops\n}');
  await expect(page.getByRole('alert')).toContainText(
    'yard.json is not JSON: something is wrong on line 3',
  );
  const site = {
    format: 'jactum.site/1',
    name: 'Yard',
    units: 'us',
    latitude: 45,
    longitude: -92,
    timeZone: 'America/Chicago',
    ruleProfile: 'us-aci',
    nodes: [
      { id: 'a', xM: 0, yM: 0 },
      { id: 'b', xM: 5, yM: 0 },
    ],
    runs: [{ id: 'r', kind: 'footing', type: 'F9', from: 'a', to: 'b', bottomM: 0 }],
  };
  await bring(JSON.stringify(site));
  await expect(page.getByRole('alert')).toContainText('runs.0.type names F9');
  await expect(page.getByRole('button', { name: /Yard/ })).toHaveCount(0);
  await bring(JSON.stringify({ ...site, runs: [] }));
  await page.getByRole('button', { name: 'A site of its own' }).click();
  await expect(page.getByRole('button', { name: /Yard/ })).toBeVisible();
});

test('a plan written over by somebody else is shown, not lost', async ({ server, anotherPage }) => {
  const page = await anotherPage();
  await signIn(page, server);
  const id = (await ownSite(page, server, 'quillback')).pourOf('P4');
  const old = await page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).text(), id);
  // It does not hear of the other's change until it makes its own.
  let heard = false;
  await page.route(`**/api/pours/${id}`, (route) =>
    heard ? route.continue() : route.fulfill({ body: old, contentType: 'application/json' }),
  );
  await visit(page, `${server.url}/pours/${id}/plan`);
  await expect(page.locator('.bench')).toContainText('waste, 4 in 100');
  const other = await anotherPage();
  await signIn(other, server);
  await visit(other, `${server.url}/pours/${id}/plan`);
  await workedOut(other);
  await other.getByRole('button', { name: 'More: waste in 100' }).click();
  await expect(other.locator('.bench')).toContainText('waste, 5 in 100');
  // What is shown there is on its way: the other's change is the first once the server has it.
  await expect
    .poll(async () => {
      const answer = await other.request.get(`${server.url}/api/pours/${id}`);
      return ((await answer.json()) as PourAnswer).pour.settings.wasteRatio;
    })
    .toBeCloseTo(0.05, 6);
  await expect(page.locator('.bench')).toContainText('waste, 4 in 100');
  page.on('request', (r) => {
    if (r.method() !== 'GET') heard = true;
  });
  await page.getByRole('button', { name: 'More: min between loads' }).click();
  await expect(page.getByText(/Somebody changed this plan while you were at it/)).toBeVisible();
  await expect(page.locator('.bench')).toContainText('waste, 5 in 100');
});

test('a fault in one part of a screen leaves the other parts, the stations and the log working', async ({
  anotherPage,
  server,
}) => {
  // A page of its own: the forecast must not have been read before.
  const page = await anotherPage();
  await signIn(page, server);
  const id = await pourId(page, 'P2');
  // A forecast that is none, for the chart alone: two days of it are asked for, and twelve hours for the rail.
  await page.route('**/api/sites/*/weather*', async (route) => {
    const query = new URL(route.request().url()).searchParams;
    const hours =
      (Date.parse(query.get('to') ?? '') - Date.parse(query.get('from') ?? '')) / 3_600_000;
    if (hours > 24) await route.fulfill({ json: { hours: 5 } });
    else await route.continue();
  });
  await visit(page, `${server.url}/pours/${id}/plan`);
  await expect(page.getByRole('alert').getByText('This part cannot be shown')).toBeVisible();
  await expect(page.locator('.bench').getByRole('button', { name: /^Firm/ })).toBeVisible();
  await page.unroute('**/api/sites/*/weather*');
  await page.getByRole('link', { name: /^Check/ }).click();
  await expect(page.locator('[data-gate]')).toBeVisible();
  await expect(page.getByRole('alert').getByText('This part cannot be shown')).toBeHidden();
  // Once there is a forecast, a press reads it and shows the chart.
  await page.getByRole('link', { name: /^Plan/ }).click();
  await page.getByRole('button', { name: 'Show it again' }).click();
  await expect(page.getByRole('img', { name: /^March chart/ })).toBeVisible();
});

import fs from 'node:fs';
import path from 'node:path';
import Drawing from 'dxf-writer';
import type { Page } from '@playwright/test';
import { expect, openOwn, sharedTest as test, visit } from './server.ts';

interface Run {
  id: string;
  type: string;
  from: string;
  to: string;
  openings: { mark?: string; atM: number }[];
}
interface Pour {
  siteVersion: number;
  pour: { elements: string[] };
  site: {
    nodes: { id: string; xM: number; yM: number }[];
    runs: Run[];
    footingTypes: { mark: string; widthM: number }[];
    planChanges: { what: string }[];
  };
}
const stored = (page: Page, id: string): Promise<Pour> =>
  page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).json() as Promise<Pour>, id);
const settled = (page: Page) => expect(page.getByText('stored', { exact: true })).toBeVisible();

test('runs are drawn, typed, cut, dragged and joined; every act is stored, and taken back', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'P4', 'setout?run=R');
  await page.getByRole('button', { name: 'Change the plan' }).click();
  const run = async (name: string) => (await stored(page, id)).site.runs.find((r) => r.id === name);
  const length = async (name: string) => {
    const { site } = await stored(page, id);
    const r = site.runs.find((x) => x.id === name);
    const [a, b] = [
      site.nodes.find((n) => n.id === r?.from),
      site.nodes.find((n) => n.id === r?.to),
    ];
    return Math.hypot((a?.xM ?? 0) - (b?.xM ?? 0), (a?.yM ?? 0) - (b?.yM ?? 0));
  };

  // Typed: a length in feet and inches.
  await page.getByLabel(/^Length/).fill("21' 6");
  await page.keyboard.press('Enter');
  await expect.poll(() => length('R')).toBeCloseTo(21.5 * 0.3048, 4);
  // Typed wrongly: it says how, and nothing is stored.
  await page.getByLabel(/^Length/).fill('long');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Write it as' })).toBeVisible();
  await page.keyboard.press('Escape');
  // A window; one past the end stops at the end of its wall.
  await page.getByRole('button', { name: 'window', exact: true }).click();
  await page.getByRole('button', { name: /^window/, expanded: false }).click();
  await page.getByLabel(/^from its end/).fill('60');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect
    .poll(async () => (await run('R'))?.openings[0]?.atM)
    .toBeCloseTo(21.5 * 0.3048 - 1, 3);
  // Cut in two through the window is refused, in words; beside it it is done.
  await page.getByLabel(/^Cut it at/).fill('20');
  await page.getByRole('button', { name: 'Cut', exact: true }).click();
  await expect(page.getByText(/lies across the cut/)).toBeVisible();
  await page.getByLabel(/^Cut it at/).fill('9');
  await page.getByRole('button', { name: 'Cut', exact: true }).click();
  await expect.poll(async () => (await stored(page, id)).pour.elements).toEqual(['R', 'R.1']);

  // Dragged by its node: it catches level with the others, and a round length.
  const node = page.getByRole('button', { name: /^Node R1/ });
  const box = await node.boundingBox();
  if (!box) throw new Error('no node');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2 + 4, { steps: 6 });
  await page.mouse.up();
  await settled(page);
  await expect.poll(async () => length('R.1')).toBeGreaterThan(12.7 * 0.3048);
  const after = await stored(page, id);
  expect(after.site.nodes.find((n) => n.id === 'R1')?.yM).toBe(
    after.site.nodes.find((n) => n.id === 'B5')?.yM,
  );

  // Undo, as far back as it went; redo; and after a reload it stands as stored.
  for (let i = 0; i < 5; i += 1) {
    const { siteVersion } = await stored(page, id);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await stored(page, id)).siteVersion).toBe(siteVersion + 1);
  }
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect.poll(async () => length('R')).toBeCloseTo(20 * 0.3048, 3);
  expect((await stored(page, id)).pour.elements).toEqual(['R']);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(async () => length('R')).toBeCloseTo(21.5 * 0.3048, 3);
  // A new run by two presses on the paper, of the kind and type of the one in hand.
  await page.getByRole('button', { name: 'Add runs' }).click();
  const paper = page.getByRole('button', { name: /^Paper/ });
  const at = await paper.boundingBox();
  if (!at) throw new Error('no paper');
  await page.mouse.click(at.x + at.width * 0.3, at.y + at.height * 0.8);
  await page.mouse.click(at.x + at.width * 0.7, at.y + at.height * 0.8);
  await expect.poll(async () => (await stored(page, id)).pour.elements.length).toBe(2);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.reload();
  await expect(page.locator('[data-run]')).toHaveCount(2);
  // What was done can be taken back after a reload too, and stands rolled out as it stands in plan.
  await page.getByRole('button', { name: 'Change the plan' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await stored(page, id)).pour.elements.length).toBe(1);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(async () => (await stored(page, id)).pour.elements.length).toBe(2);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'rolled out' }).click();
  await expect(page.locator('[data-unrolled]')).toBeVisible();
  const faces = await page
    .locator('[data-face]')
    .evaluateAll((els) => els.map((el) => el.getAttribute('data-face')));
  expect(faces.slice().sort()).toEqual((await stored(page, id)).pour.elements.slice().sort());
  await page.locator(`[data-face="${faces[1] ?? ''}"]`).click();
  await expect(page.locator('.bench h2').first()).toHaveText(faces[1] ?? '');
  await page.reload();
  await expect(page.locator('[data-unrolled]')).toBeVisible();
  expect((await stored(page, id)).site.planChanges.map((c) => c.what).join()).toContain(
    'R is now 21 ft 6 in long',
  );
});

test('forms are described as their maker does and given to a pour: ties, braces and pressure follow; taken back, they are as they were', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'P2', 'setout?tab=schedule');
  const forms = page.getByRole('region', { name: 'Forms' });
  await expect(forms.locator('[data-forms="A3"]')).toContainText('P2 stands in these');
  await page.getByRole('button', { name: 'Change cells' }).click();
  await expect(page.getByRole('toolbar', { name: 'Change the plan' })).toBeVisible();
  await expect(forms.getByRole('button', { name: 'Remove A3' })).toHaveCount(0);
  await forms.getByRole('button', { name: 'forms', exact: true }).click();
  await expect(forms.locator('[data-forms="A1"]')).toContainText('5 ties a joint');
  const type = async (label: RegExp, text: string) => {
    await forms.getByLabel(label).fill(text);
    await page.keyboard.press('Enter');
  };
  await type(/^What A1 is/, 'Steel ply, 2 ft');
  await type(/^Ties a joint/, '4');
  await type(/^Holds/, '750');
  await type(/^Walers/, '1.5');
  await expect(page.getByText(/A1 walers must be a whole number/)).toBeVisible();
  await forms.getByRole('button', { name: 'they only push' }).click();
  await forms
    .locator('[data-forms="A1"]')
    .getByRole('button', { name: 'P2 stands in these' })
    .click();
  interface Stands {
    pour: { forms?: string; settings: { ratingKPa: number } };
    site: {
      formSystems: {
        mark: string;
        label?: string;
        tiesPerJoint: number;
        walers: number;
        ratingKPa: number;
      }[];
    };
  }
  const now = () =>
    page.evaluate(async (p) => (await fetch(`/api/pours/${p}`)).json() as Promise<Stands>, id);
  await expect.poll(async () => (await now()).pour.forms).toBe('A1');
  expect((await now()).pour.settings.ratingKPa).toBeCloseTo(750 * 0.0478803, 3);
  expect((await now()).site.formSystems[1]).toMatchObject({
    mark: 'A1',
    label: 'Steel ply, 2 ft',
    tiesPerJoint: 4,
    walers: 2,
  });
  // The round asks for their ties, and holds the pressure against them.
  await visit(page, `${server.url}/pours/${id}/check?run=N&check=N/ties&place=0`);
  await expect(page.locator('.bench dd').first()).toContainText('4');
  await expect(page.locator('[data-pressure]')).toContainText('rated 750 psf');
  // Undone, after the page was left, the pour stands in what it stood in.
  await page.goto(`${server.url}/pours/${id}/setout?tab=schedule`);
  await page.getByRole('button', { name: 'Change cells' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await now()).pour.forms).toBe('A3');
});

test('a drawing written by another library becomes runs, in the unit that is said, on the layers that are chosen', async ({
  page,
  server,
}) => {
  const drawing = new Drawing();
  drawing.setUnits('Inches');
  drawing.addLayer('S-FOOTING-F2', Drawing.ACI.BLUE, 'CONTINUOUS').setActiveLayer('S-FOOTING-F2');
  drawing.drawPolyline(
    [
      [1200, 0],
      [1680, 0],
      [1680, 360],
      [1200, 360],
    ],
    true,
  );
  drawing.addLayer('TREES', Drawing.ACI.GREEN, 'CONTINUOUS').setActiveLayer('TREES');
  drawing.drawLine(0, 0, 500, 500);
  drawing.drawCircle(100, 100, 30);
  const file = path.join(server.dataDir, 'other.dxf');
  fs.writeFileSync(file, drawing.toDxfString());

  const { id, siteId } = await openOwn(page, server, 'P4', 'setout?tab=lists');
  await page.getByRole('button', { name: 'Bring in a file' }).click();
  await page.getByRole('dialog').locator('input[type=file]').setInputFiles(file);
  await expect(page.getByLabel('Layer S-FOOTING-F2 becomes')).toHaveValue('F2');
  await expect(page.getByLabel('Layer TREES becomes')).toHaveValue('');
  await expect(page.getByRole('button', { name: 'Say the unit first' })).toBeDisabled();
  await page.getByRole('button', { name: /^inches/ }).click();
  await expect(page.getByText('140 ft 0 in by', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Put 4 runs in' }).click();
  await expect.poll(async () => (await stored(page, id)).pour.elements.length).toBe(5);
  const { site } = await stored(page, id);
  const own = site.runs.slice(-4);
  expect(own.every((r) => r.type === 'F2')).toBe(true);
  expect(new Set(own.flatMap((r) => [r.from, r.to])).size).toBe(4);
  // And out again: our own drawing can be read back, with a layer a type.
  const dxf = await page.evaluate(
    async (s) => (await fetch(`/api/sites/${s}/plan.dxf`)).text(),
    siteId,
  );
  for (const held of ['FOOTING-F2', 'PAD-F4', 'OPENINGS', 'ANCHOR-BOLT', 'LEVELS', 'top 95.50 ft'])
    expect(dxf).toContain(held);
  const back = path.join(server.dataDir, 'ours.dxf');
  fs.writeFileSync(back, dxf);
  await page.getByRole('button', { name: 'Bring in a file' }).click();
  await page.getByRole('dialog').locator('input[type=file]').setInputFiles(back);
  await expect(page.getByLabel('Layer FOOTING-F2 becomes')).toHaveValue('F2');
  await expect(page.getByLabel('Layer OUTLINE becomes')).toHaveValue('');
  await page.getByRole('button', { name: /^m\??$/ }).click();
  // Every line of it lies on a run that is there already.
  await expect(page.getByText(/^0 runs, \d+ lines lie on others/)).toBeVisible();
});

test('a pier with its cage and a drain are put in; the pier is checked, the drain is read for its fall', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'K1', 'setout');
  await page.getByRole('button', { name: 'Change the plan' }).click();
  await page.getByRole('button', { name: 'Add a pier' }).click();
  await page
    .getByLabel('Paper: press where the pier stands')
    .click({ position: { x: 330, y: 300 } });
  await expect(page.locator('.bench h2').first()).toHaveText('PR1');
  await page.getByLabel('Uprights').fill('4 of 12');
  await page.keyboard.press('Enter');
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: '“4 of 12” is not so many bars of a size, as 4 × 12 mm' }),
  ).toBeVisible();
  await page.getByLabel('Uprights').fill('4 12 mm');
  await page.keyboard.press('Enter');
  await page.getByLabel('Ties').fill('8 mm at 200');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.getByLabel(/^Across/).fill('350 mm');
  await page.keyboard.press('Enter');
  await settled(page);
  await expect(page.locator('.bench')).toContainText(/4 × 12 mm up/);
  // A drain along the first run, to its far end.
  const first = (await stored(page, id)).pour.elements[0] ?? '';
  await visit(page, `${server.url}/pours/${id}/setout?run=${first}`);
  await page.getByRole('button', { name: 'drain', exact: true }).click();
  await page.getByRole('button', { name: /^drain / }).click();
  await page.getByLabel(/^at/).fill('1');
  await page.keyboard.press('Enter');
  await page.getByLabel(/^to/).fill('11');
  await page.keyboard.press('Enter');
  await settled(page);
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Levels', exact: true }).click();
  const laser = page.getByRole('button', { name: 'Laser' });
  await laser.click();
  await expect(page.getByText(/^Instrument on/)).toBeVisible();
  for (const n of [1, 2, 3]) {
    const row = page
      .locator('.bench')
      .getByRole('button', { name: new RegExp(`^(unread )?invert of .*no\\. ${n}`) });
    await row.click();
    await expect(page.locator('.bench .head').first()).toContainText(`no. ${n}`);
    await laser.click();
    await expect(row.locator('.tnum').last()).not.toHaveText('');
  }
  await expect(page.locator('[data-drain="good"]')).toContainText(/falls 1(\.\d)? in 100 along/);
  // Where nothing on the plan is in sight the instrument is moved on a turning point of its own.
  await page.getByRole('button', { name: /A turning point, TP1/ }).click();
  await laser.click();
  await page.getByRole('button', { name: /Instrument moved: back-sight on TP1/ }).click();
  await expect(page.getByText(/^Instrument on TP1/)).toBeVisible();
  await page.getByRole('link', { name: /^Check/ }).click();
  await visit(page, `${server.url}/pours/${id}/check?run=PR1&check=PR1/cover-side`);
  await expect(page.locator('[data-place]')).toHaveAttribute('data-place', 'PR1/cover-side#0');
});

test('a wall over a crawl space wants its height inside, and no longer once there is none', async ({
  page,
  server,
}) => {
  const { id } = await openOwn(page, server, 'P2', 'setout?run=N');
  await page.getByRole('button', { name: 'Change the plan' }).click();
  await page.getByRole('button', { name: 'crawl space inside' }).click();
  await settled(page);
  const ground = page.getByLabel(/^Crawl ground/);
  await ground.fill('101');
  await page.keyboard.press('Enter');
  await expect(
    page.getByText('The joists have to be above the ground of the crawl space.'),
  ).toBeVisible();
  await ground.fill('99.25');
  await page.keyboard.press('Enter');
  await settled(page);
  await visit(page, `${server.url}/pours/${id}/check?run=N&check=N/crawl&place=0`);
  // 15 in on the drawing, 18 in wanted.
  const pad = page.locator('.bench').getByLabel('Reading', { exact: true });
  await pad.fill('15');
  await pad.press('Enter');
  // Taken once its fix is asked for: before, the verdict is of what is typed.
  await expect(page.getByRole('group', { name: 'Fix' })).toBeVisible();
  await visit(page, `${server.url}/pours/${id}/check?run=N&check=N/crawl&place=0`);
  await expect(page.locator('[data-verdict]').first()).toHaveText(/out, 3 in short/);
  await expect(
    page.getByText('The drawing itself leaves too little: ask before the line is snapped.', {
      exact: true,
    }),
  ).toBeVisible();
  await visit(page, `${server.url}/pours/${id}/setout?run=N`);
  await page.getByRole('button', { name: 'no crawl space' }).click();
  await settled(page);
  await visit(page, `${server.url}/pours/${id}/check?run=N`);
  await page.getByRole('button', { name: /^Checks of N/ }).click();
  await expect(page.getByRole('dialog').getByText('Top line above the ground')).toBeVisible();
  await expect(page.getByRole('dialog').getByText('Crawl height')).toBeHidden();
});

import type { Locator, Page } from '@playwright/test';
import sharp from 'sharp';
import {
  expect,
  gone,
  readyWithoutSignal,
  logOf,
  openOwn,
  openPour,
  sharedTest,
  test,
  visit,
} from './server.ts';
import {
  allSent,
  deskHand,
  keyHand,
  readCount,
  readElsewhere,
  readEverything,
  seeChanges,
  thumbHand,
  type Hand,
} from './walk.ts';

const inches = (text: string): number =>
  text
    .trim()
    .split(' ')
    .reduce((s, p) => {
      const [a = '0', b] = p.split('/');
      return s + Number(a) / Number(b ?? 1);
    }, 0);
/** What a tape reads that is as wanted, for every title of the list. */
const good = ({ wanted, title }: { wanted: string; title: string }): string => {
  const plain = wanted
    .replace(/(\d+)⁄(\d+)/g, ' $1/$2')
    .replace('−', '-')
    .replace('- ', '-')
    .replace(/ (in|mm)$/, '')
    .trim();
  if (/^Spacing of uprights/.test(title)) return String(inches(plain) * 6);
  if (/^Spacing of bars across/.test(title)) return String(inches(plain) * 4);
  if (/^Lap$/.test(title)) return '33';
  return plain;
};

interface Inspection {
  /** How many places somebody else has read already. */
  before?: number;
  page: Page;
  url: string;
  id: string;
  hand: Hand;
  type: (field: Locator, text: string) => Promise<number>;
}

/**
 * P2 from an empty log to an open gate: a question asked and answered, two fails fixed, everything
 * read, dowels inspected, signed.
 */
async function inspectP2({
  page,
  url,
  id,
  hand,
  type,
  before = 0,
}: Inspection): Promise<{ readings: number; presses: number }> {
  const bench = page.locator('.bench');
  const dialog = page.getByRole('dialog');
  const next = () => hand.press(page.locator('[data-next]'));
  await visit(page, `${url}/pours/${id}/check`);
  let presses = await seeChanges(page, hand);

  // A question on E2 holds the pour until the engineer has answered.
  presses += await hand.press(page.getByRole('button', { name: 'Ask a question' }));
  await expect(dialog.getByLabel('What is unclear')).toBeVisible();
  presses += await hand.press(dialog.getByRole('button', { name: 'E2', exact: true }));
  presses += await type(dialog.getByLabel('What is unclear'), 'One mat or two?');
  presses += await hand.press(dialog.getByRole('button', { name: 'Ask', exact: true }));
  await expect(dialog.getByText('One mat or two?')).toBeVisible();
  presses += await hand.press(dialog.getByRole('button', { name: 'Close' }));

  // Two that fail: each is fixed and read again where it failed.
  for (const [check, bad, better] of [
    ['E1/cover-inside', '7/8', '1 1/2'],
    ['S/lap', '22', '33'],
  ] as const) {
    await visit(
      page,
      `${url}/pours/${id}/check?run=${check.split('/')[0] ?? ''}&check=${check}&place=0`,
    );
    presses += 2 + (await hand.measure(bad));
    await expect(bench.locator('[data-verdict="out"]')).toBeVisible();
    presses += await hand.press(bench.getByRole('button', { name: /^Done:/ }));
    await expect(bench.getByText(/^Fixed:/)).toBeVisible();
    presses += await hand.measure(better);
    // Once it is kept the next place comes up; before that, leaving the page would drop it.
    await expect(bench.locator(`[data-place="${check}#0"]`)).toHaveCount(0);
  }
  presses += await hand.press(bench.getByRole('button', { name: 'Fixes' }));
  await expect(page.locator('[data-fixes="2"]').getByText('read again, good')).toHaveCount(2);
  presses += await hand.press(bench.getByRole('button', { name: 'Fixes' }));

  const { wanted } = await readCount(page);
  const walked = await readEverything(page, good, hand);
  presses += walked.presses;
  expect(before + walked.readings + 2).toBe(wanted);
  expect(wanted).toBeGreaterThanOrEqual(44);

  // The answer, the foreman's own check, the dowels and the building inspection: then the gate is open.
  presses += await next();
  presses += await type(dialog.getByLabel('Answer'), 'One mat');
  presses += await type(dialog.getByLabel(/^Name of the engineer/), 'M. Sand');
  presses += await hand.press(dialog.getByRole('button', { name: 'Keep the answer' }));
  await gone(page);
  presses += (await next()) + (await hand.press(dialog.getByRole('button', { name: /Sign as/ })));
  await gone(page);
  for (const hold of ['dowels', 'inspection']) {
    await expect(page.locator('.next')).toContainText(
      hold === 'dowels' ? 'special inspector' : 'inspector passes',
    );
    presses += await next();
    await expect(page.getByRole('region', { name: 'What was measured' })).toBeVisible();
    // Who inspected the dowels is a press away for the rest.
    presses +=
      hold === 'dowels'
        ? await type(page.getByLabel('Inspector’s name'), 'R. Halloran')
        : await hand.press(page.getByRole('button', { name: 'R. Halloran' }));
    presses += await type(page.getByLabel('Inspector’s PIN'), '8642');
    presses += await hand.press(page.getByRole('button', { name: 'Pass', exact: true }));
    await gone(page);
  }
  await expect(page.locator('[data-gate="ready"]')).toBeVisible();
  await allSent(page);
  const log = await logOf(page, id);
  const of = (...kinds: string[]) => log.filter((e) => kinds.includes(e.kind));
  // Every place once, and the two that failed once more.
  expect(of('reading', 'mark')).toHaveLength(wanted + 2);
  expect(of('fix')).toHaveLength(2);
  expect(of('sign').map((e) => [e.body.hold, e.body.result, e.actor])).toEqual([
    ['own', 'pass', 'I. Brandvold'],
    ['dowels', 'pass', 'R. Halloran'],
    ['inspection', 'pass', 'R. Halloran'],
  ]);
  return { readings: wanted - before, presses };
}

sharedTest(
  'an inspection of P2 from its first fail to an open gate, in under four presses a reading',
  async ({ page, server }) => {
    const { id } = await openOwn(page, server, 'P2', 'check');
    // Bolts are read by the keyboard alone; here a wall and a lap are left.
    const before = await readElsewhere(page, id, 'P2', ['W', 'E2', 'S', 'N'], 'S/lap');
    const { readings, presses } = await inspectP2({
      page,
      url: server.url,
      id,
      hand: deskHand(page),
      before,
      type: async (field, text) => {
        await field.fill(text);
        return text.length;
      },
    });
    console.log(
      `P2: ${readings} readings, ${presses} presses, ${(presses / readings).toFixed(2)} a reading`,
    );
    expect(presses / readings).toBeLessThan(4);

    // A change of a wall opens what was signed, and says why; one elsewhere does not.
    await visit(page, `${server.url}/pours/${id}/setout?run=N`);
    await page.getByRole('button', { name: 'Change the plan' }).click();
    await page.getByLabel('Top', { exact: false }).first().fill('100.4');
    await page.keyboard.press('Enter');
    await expect(page.getByText('stored', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: /^Check/ }).click();
    await expect(page.locator('[data-gate="held"]')).toContainText(
      /open again: signed on plan 1; since then N top at 100\.40 ft, openings of N, by I\. Brandvold/,
    );
  },
);

sharedTest(
  'the same inspection on a phone, by thumb, in under four taps a reading',
  async ({ anotherPage, server }) => {
    const page = await anotherPage({
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    });
    const { id } = await openOwn(page, server, 'P2', 'check');
    const before = await readElsewhere(page, id, 'P2', ['W', 'E2', 'S', 'N'], 'S/lap');
    const thumb = thumbHand(page);
    // Whatever is pressed, nothing lies beside the screen.
    const hand: Hand = {
      ...thumb,
      press: async (button) => {
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
          390,
        );
        return thumb.press(button);
      },
    };
    const { readings, presses } = await inspectP2({
      page,
      url: server.url,
      id,
      hand,
      before,
      type: async (field, text) => {
        await field.tap();
        await field.fill(text);
        return 1 + text.length;
      },
    });
    console.log(
      `P2 on a phone: ${readings} readings, ${presses} taps, ${(presses / readings).toFixed(2)} a reading`,
    );
    expect(presses / readings).toBeLessThan(4);
  },
);

test('the keyboard alone fixes, reads, asks, answers, signs, and opens the gate', async ({
  page,
  server,
}) => {
  const id = await openPour(page, server, 'P2', 'check');
  const hand = keyHand(page);
  const key = (k: string) => page.keyboard.press(k);
  const dialog = page.getByRole('dialog');
  /** Out of whatever field has the focus, and on with what is next. */
  const next = async () => {
    await key('Escape');
    await key('n');
    return 2;
  };
  const tabTo = async (target: Locator) => {
    for (
      let i = 0;
      i < 60 && !(await target.evaluate((el) => el === document.activeElement));
      i += 1
    )
      await key('Tab');
    await expect(target).toBeFocused();
  };
  const typeIn = async (field: Locator, text: string) => {
    await field.waitFor();
    await tabTo(field);
    await page.keyboard.type(text);
  };
  const enterOn = async (button: Locator) => {
    await button.waitFor();
    await tabTo(button);
    await key('Enter');
    await gone(page);
  };

  await expect(page.locator('.next')).toContainText(/is out/);
  for (const better of ['33', '1 1/2']) {
    const sentence = await page.locator('.next p').textContent();
    await next();
    await hand.press(page.getByRole('button', { name: /^Done:/ }));
    await hand.measure(better);
    await expect(page.locator('.next p')).not.toHaveText(sentence ?? '');
    await expect(page.locator('.next p')).not.toContainText('Fixed:');
  }
  while (
    await page
      .locator('.next')
      .getByText(/takes over from/)
      .isVisible()
  ) {
    const sentence = await page.locator('.next p').textContent();
    await next();
    await enterOn(dialog.getByRole('button', { name: /^Seen/ }));
    await expect(page.locator('.next p')).not.toHaveText(sentence ?? '');
  }
  const walked = await readEverything(page, good, hand, next);
  expect(walked.readings).toBeGreaterThan(30);
  // Another question is asked; it and the one from before are answered.
  await key('Escape');
  await key('h');
  await typeIn(dialog.getByLabel('What is unclear'), 'Which face of W is the mat on?');
  await tabTo(dialog.getByRole('button', { name: 'Ask', exact: true }));
  await key('Enter');
  // Once it is kept the question stands there to be answered.
  await expect(dialog.getByRole('button', { name: 'Keep the answer' })).toBeVisible();
  await enterOn(dialog.getByRole('button', { name: 'Close' }));
  for (const answer of ['One mat', 'The inside face']) {
    await expect(page.locator('.next')).toContainText('A question holds the pour');
    await next();
    await typeIn(dialog.getByLabel('Answer'), answer);
    await typeIn(dialog.getByLabel(/^Name of the engineer/), 'M. Sand');
    await enterOn(dialog.getByRole('button', { name: 'Keep the answer' }));
  }
  await expect(page.locator('.next')).toContainText('Sign your own check');
  await next();
  await enterOn(dialog.getByRole('button', { name: /Sign as/ }));
  for (const hold of ['special inspector', 'inspector passes']) {
    await expect(page.locator('.next')).toContainText(hold);
    await next();
    await typeIn(page.getByLabel('Inspector’s name'), 'R. Halloran');
    await typeIn(page.getByLabel('Inspector’s PIN'), '8642');
    await enterOn(page.getByRole('button', { name: 'Pass', exact: true }));
  }
  await expect(page.locator('[data-gate="ready"]')).toBeVisible();
  // A look given by Enter is in the log like any other, and none was given twice but the two that failed.
  await allSent(page);
  const marks = (await logOf(page, id))
    .filter((e) => e.kind === 'reading' || e.kind === 'mark')
    .map((e) => JSON.stringify([e.body.checkId, e.body.place]))
    // Form tops were read in the evening and again in the morning, before any key was pressed here.
    .filter((mark) => !mark.includes('/level"'));
  expect(marks.length - new Set(marks).size).toBe(2);
});

test.describe('without signal', () => {
  test.use({ serviceWorkers: 'allow' });

  test('photos: taken by the stand-in, seen before they are sent, kept over a reload without signal, tied to their reading', async ({
    page,
    context,
    server,
  }) => {
    const id = await openPour(page, server, 'P2', 'check?run=E1&check=E1/cover-inside&place=0');
    const bench = page.locator('.bench');
    await bench.getByRole('button', { name: 'Photo before' }).click();
    await page.getByRole('button', { name: /Stand-in camera/ }).click();
    await expect(bench.locator('[data-photo][data-sent="true"]')).toHaveCount(1);
    // Without signal a file is taken all the same, and is there after a reload.
    await readyWithoutSignal(page);
    await expect(bench.locator('[data-photo][data-sent="true"]')).toHaveCount(1);
    await context.setOffline(true);
    await bench.getByRole('button', { name: 'Photo before' }).click();
    const png = await sharp({
      create: { width: 640, height: 480, channels: 3, background: '#8a7760' },
    })
      .png()
      .toBuffer();
    await page
      .getByLabel('Picture file')
      .setInputFiles({ name: 'lap.png', mimeType: 'image/png', buffer: png });
    await expect(bench.locator('[data-photo][data-sent="false"]')).toHaveCount(1);
    await page.reload();
    await expect(bench.locator('[data-photo][data-sent="false"]')).toHaveCount(1);
    await context.setOffline(false);
    await expect(bench.locator('[data-photo][data-sent="true"]')).toHaveCount(2);
    await allSent(page);
    const photos = (await logOf(page, id)).filter((e) => e.kind === 'photo');
    expect(photos.map((p) => p.body.about)).toEqual([
      { type: 'place', checkId: 'E1/cover-inside', place: 0, moment: 'before' },
      { type: 'place', checkId: 'E1/cover-inside', place: 0, moment: 'before' },
    ]);
    // Both are printed in the report.
    const pdf = await page.request.get(`${server.url}/api/pours/${id}/report.pdf`, {
      timeout: 40_000,
    });
    expect((await pdf.body()).toString('latin1').match(/\/Subtype \/Image/g)).toHaveLength(2);
    // What is no picture is said at once, and goes nowhere.
    await bench.getByRole('button', { name: 'Photo before' }).click();
    await page
      .getByLabel('Picture file')
      .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('hello') });
    await expect(page.getByText(/not a picture/)).toBeVisible();
    expect((await logOf(page, id)).filter((e) => e.kind === 'photo')).toHaveLength(2);
  });
});

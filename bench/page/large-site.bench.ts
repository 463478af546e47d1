import { bigSite } from '../../e2e/big-site.ts';
import { expect, signIn, test } from '../../e2e/server.ts';
import { stopwatch } from './stopwatch.ts';

/** How soon a large site answers a press: measured and printed with what misses its goal, judged by who reads it. */

test('a site of 400 runs, with the processor slowed to a quarter', async ({ page, server }) => {
  // Some hundred acts and more, each waited out until nothing is left to do.
  test.setTimeout(900_000);
  await signIn(page, server);
  const { file, runs } = bigSite(20, 11);
  expect(runs).toBeGreaterThanOrEqual(400);
  const made = await page.evaluate(
    async (f) =>
      (await (
        await fetch('/api/sites/import', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: f,
        })
      ).json()) as { pours: { id: string }[] },
    file,
  );
  const id = made.pours[0]?.id ?? '';
  const { listen, slow, measure, press, key, round, say } = await stopwatch(page);
  const settle = () => page.waitForTimeout(1200);
  const button = (name: string) => page.getByRole('button', { name, exact: true });

  await page.goto(`${server.url}/pours/${id}/setout?run=R1`);
  await page.locator('[data-run="R200"]').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(3000);
  await listen();
  const picked = ['R200', 'R210', 'R120', 'R130', 'R220'];
  await round(['pick a run'], async (time) => {
    const run = picked[time % picked.length] ?? '';
    await measure('pick a run', () => press(page.locator(`[data-run="${run}"]`)), {
      name: 'a run is picked',
      selector: `[data-run="${run}"][aria-pressed="true"]`,
    });
  });
  const tabs = ['Schedule', 'Levels', 'Square', 'Lists', 'Here'];
  await round(
    tabs.map((tab) => `open ${tab}`),
    async () => {
      for (const tab of tabs) await measure(`open ${tab}`, () => press(button(tab)));
    },
  );
  const ways = ['rolled out', 'from above'];
  await round(
    ways.map((way) => `see it ${way}`),
    async () => {
      for (const way of ways)
        await measure(`see it ${way}`, () => press(page.getByRole('button', { name: way })));
    },
  );

  await settle();
  const length = page.getByLabel(/^Length/);
  const open = async () => {
    await press(button('Change the plan'));
    await length.waitFor({ timeout: 30_000 });
  };
  const done = async () => {
    await press(button('Done'));
    await button('Change the plan').waitFor();
  };
  await round(['open it to change', 'done with it'], async () => {
    await measure('open it to change', open);
    await settle();
    await measure('done with it', done);
    await settle();
  });
  await open();
  await round(['change a length', 'take it back'], async (time) => {
    await slow(1);
    await length.fill(`13' ${time + 4}`);
    await settle();
    await measure('change a length', () => key('Enter'));
    await settle();
    await measure('take it back', async () => {
      await press(button('Undo'));
      await settle();
    });
  });

  const read = Array.from({ length: 20 }, (_, i) => `R${i * 2 + 1}`);
  await round(['type a figure', 'take a reading'], async (time) => {
    const run = read[time % read.length] ?? '';
    await page.goto(`${server.url}/pours/${id}/check?run=${run}&check=${run}/width&place=0`);
    const pad = page.locator('.bench').getByLabel('Reading', { exact: true });
    await pad.waitFor({ timeout: 60_000 });
    await page.waitForTimeout(2000);
    await listen();
    await pad.focus();
    // As wide as it is to be: it is good, and the next place comes up.
    const wanted = /^\d+/.exec(await page.locator('.bench dd').first().innerText())?.[0] ?? '';
    for (const figure of wanted) await measure('type a figure', () => key(figure));
    await measure('take a reading', () => key('Enter'), {
      name: 'the next place is up',
      selector: `[data-place]:not([data-place="${run}/width#0"])`,
    });
  });
  await round(['look at another run'], () =>
    measure('look at another run', () => press(button('Next run'))),
  );

  console.log(`${runs} runs, slowed to a quarter.`);
  say({ pictureMs: 100, answerMs: 500 });
});

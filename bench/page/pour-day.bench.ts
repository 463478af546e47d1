import { expect, forward, pourId, signIn, test } from '../../e2e/server.ts';
import { stopwatch } from './stopwatch.ts';

/** How soon the pour day answers a press with a long log behind it: measured and printed, judged by who reads it. */

const ENTRIES = 3000;
/** So many are sent at once. */
const BATCH = 250;

test('pour day with 3 000 entries in the log, the processor slowed to a quarter', async ({
  page,
  server,
}) => {
  test.setTimeout(900_000);
  await signIn(page, server);
  const id = await pourId(page, 'P2');
  await forward(page, 60);
  const sent = await page.evaluate(
    async ([pour, all, size]) => {
      const { now } = (await (await fetch('/api/clock')).json()) as { now: string };
      const from = Date.parse(now) - 50 * 60_000;
      let kept = 0;
      for (let i = 0; i < all; i += size) {
        const events = Array.from({ length: size }, (_, k) => ({
          id: crypto.randomUUID(),
          at: new Date(from + (i + k) * 900).toISOString(),
          kind: 'weather',
          body: { airTempC: 14 + ((i + k) % 9), humidity: 0.6, windKmH: 9, sky: 'clear' },
        }));
        const res = await fetch(`/api/pours/${pour}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ events }),
        });
        if (res.ok) kept += size;
      }
      return kept;
    },
    [id, ENTRIES, BATCH] as const,
  );
  expect(sent).toBe(ENTRIES);
  await page.goto(`${server.url}/pours/${id}/pour`);
  await page.getByRole('button', { name: 'Load is here' }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(3000);
  const { listen, measure, press, round, say } = await stopwatch(page);
  await listen();
  const dialog = page.getByRole('dialog');
  await round(['open weather', 'log weather'], async () => {
    await measure('open weather', () =>
      press(page.getByRole('button', { name: 'Weather', exact: true })),
    );
    await measure('log weather', () => press(dialog.getByRole('button', { name: 'Log weather' })));
    await dialog.waitFor({ state: 'hidden' });
  });
  console.log(`${ENTRIES} entries, slowed to a quarter.`);
  say({ pictureMs: 100, answerMs: 500 });
});

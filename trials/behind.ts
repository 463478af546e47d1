import { chromium, type Page } from '@playwright/test';
import fs from 'node:fs';
import { browserPath } from './network.ts';
import { sleep, TrialServer, Verdicts } from './server.ts';

const PEOPLE = [/Brandvold/, /Oakes/];
const NOTES = 3;

async function note(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What happened').fill(text);
  await page.getByRole('dialog').getByRole('button', { name: 'Log' }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
}

/** The log of a pour as a device has it: what it says, by its place. */
const kept = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const open = indexedDB.open('jactum');
        open.onerror = () => {
          reject(new Error('no store'));
        };
        open.onsuccess = () => {
          const all = open.result.transaction('log').objectStore('log').getAll();
          all.onsuccess = () => {
            const rows = all.result as { seq: number; hash: string }[];
            resolve(rows.sort((a, b) => a.seq - b.seq).map((r) => `${r.seq} ${r.hash}`));
            open.result.close();
          };
        };
      }),
  );

interface Entry {
  seq: number;
  hash: string;
  body: { text?: string };
}
async function logOf(server: TrialServer, pour: string): Promise<Entry[]> {
  const cookie = await server.signIn('foreman');
  const res = await server.call(cookie, 'GET', `/api/pours/${pour}/events?after=0`);
  return (await res.json()) as Entry[];
}
async function until(what: string, so: () => Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 120; tries += 1) {
    if (await so()) return;
    await sleep(500);
  }
  throw new Error(`never: ${what}`);
}

/** A server is set back behind so many devices: all logs are equal in the end, and nothing of theirs is lost. */
export async function behind(devices: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const pour = await server.pourId(await server.signIn('foreman'), 'P4');
  const browser = await chromium.launch({
    ...browserPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const pages: Page[] = [];
    for (let i = 0; i < devices; i += 1) {
      const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
      await page.goto(`${server.url}/pours/${pour}/pour`);
      await page.getByRole('button', { name: PEOPLE[i % PEOPLE.length] as RegExp }).click();
      await note(page, `before, device ${i}`);
      pages.push(page);
    }
    await until('all sent', async () => (await logOf(server, pour)).length === devices);
    await server.stop();
    const copy = `${server.dataDir}-copy`;
    fs.cpSync(server.dataDir, copy, { recursive: true });
    await server.start();
    for (let k = 0; k < NOTES; k += 1)
      for (const [i, page] of pages.entries()) await note(page, `after ${k}, device ${i}`);
    const all = devices * (NOTES + 1);
    await until('all sent', async () => (await logOf(server, pour)).length === all);
    await server.stop();
    fs.rmSync(server.dataDir, { recursive: true });
    fs.renameSync(copy, server.dataDir);
    await server.start();
    let asked = 0;
    for (const page of pages) {
      const again = page
        .locator('[data-set-back]')
        .getByRole('button', { name: /^Send mine again/ });
      // Another device of the same person may have sent them already.
      if (
        await again.click({ timeout: 30_000 }).then(
          () => true,
          () => false,
        )
      )
        asked += 1;
    }
    await until('all of it is there again', async () => (await logOf(server, pour)).length >= all);
    const log = await logOf(server, pour);
    const theirs = new Set(log.map((e) => e.body.text));
    const chain = log.map((e) => `${e.seq} ${e.hash}`).join();
    verdicts.say('devices ahead of a server that was set back', devices);
    verdicts.say('that were asked', asked, asked > 0);
    verdicts.say(
      'entries there again, each once',
      `${theirs.size} of ${all}`,
      theirs.size === all && log.length === all,
    );
    let equal = 0;
    for (const page of pages) {
      const is = async () => (await kept(page)).join() === chain;
      if (
        await until('the same', is).then(
          () => true,
          () => false,
        )
      )
        equal += 1;
    }
    verdicts.say('devices with the same log as the server', equal, equal === devices);
  } finally {
    await browser.close();
  }
  verdicts.end();
  await server.end();
}

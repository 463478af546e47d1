import {
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  expect,
  test as base,
  type Page,
} from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

/** A demo server of its own for every test, on a free port, so that tests cannot disturb each other. */
export class DemoServer {
  readonly port: number;
  readonly dataDir: string;
  #child: ChildProcess | null = null;
  constructor(port: number, dataDir: string) {
    this.port = port;
    this.dataDir = dataDir;
  }
  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(keep = false, more: Record<string, string> = {}, args: string[] = []): Promise<void> {
    await this.run(['--demo', ...(keep ? ['--keep'] : []), ...args], more);
  }

  /** The program as it is, on whatever the folder holds: on nothing it begins with nothing. */
  async run(args: string[] = [], more: Record<string, string> = {}): Promise<void> {
    this.#child = spawn(process.execPath, ['dist/server/main.js', ...args], {
      env: {
        ...process.env,
        PORT: String(this.port),
        DATA_DIR: this.dataDir,
        LOG_LEVEL: 'silent',
        SIGN_IN_LIMIT: '1000',
        ...more,
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    for (let i = 0; i < 600; i += 1) {
      try {
        // By https it is asked through the page for phones: its own certificate is nobody's here.
        const health = more.HELP_PORT
          ? `http://127.0.0.1:${more.HELP_PORT}/`
          : `${this.url}/api/health`;
        if ((await fetch(health)).ok) return;
      } catch {
        /* not up yet */
      }
      await new Promise((r) => setTimeout(r, 100));
    }
    throw new Error('the demo server did not start');
  }

  async stop(signal: NodeJS.Signals): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null) return;
    const gone = new Promise((r) => child.once('exit', r));
    child.kill(signal);
    await gone;
    this.#child = null;
  }
}

/**
 * Ports are counted up in a range of each worker's own: a port that was free a moment ago may be
 * another worker's restarted server.
 */
const PORTS = { first: 21_000, aWorker: 1000 };
let taken = 0;
async function freePort(worker: number): Promise<number> {
  for (;;) {
    const port = PORTS.first + worker * PORTS.aWorker + (taken % PORTS.aWorker);
    taken += 1;
    const free = await new Promise<boolean>((resolve) => {
      const s = net
        .createServer()
        .once('error', () => {
          resolve(false);
        })
        .listen(port, '127.0.0.1', () => {
          s.close(() => {
            resolve(true);
          });
        });
    });
    if (free) return port;
  }
}

/** A server with the demo in a folder of its own, as long as it is used. */
async function withDemo(worker: number, use: (server: DemoServer) => Promise<void>): Promise<void> {
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-e2e-'));
  fs.cpSync(process.env.JACTUM_SEEDED ?? '', dataDir, { recursive: true });
  const server = new DemoServer(await freePort(worker), dataDir);
  await server.start(true);
  await use(server);
  await server.stop('SIGKILL');
  fs.rmSync(dataDir, { recursive: true, force: true });
}
/**
 * At rest a page fetches all that is not open yet, two hundred files: half of what reading it takes.
 * Here it does so only where a test opens a browser by itself, to see just that.
 */
async function neverAtRest(context: BrowserContext): Promise<void> {
  await context.addInitScript(() => {
    const atRest = window.requestIdleCallback.bind(window);
    window.requestIdleCallback = (then, options) => (options ? atRest(then, options) : 0);
  });
}
async function pageOf(browser: Browser, options?: BrowserContextOptions): Promise<Page> {
  const context = await browser.newContext(options);
  await neverAtRest(context);
  return context.newPage();
}
const unrested = base.extend<{ anotherPage: (options?: BrowserContextOptions) => Promise<Page> }>({
  context: async ({ context }, use) => {
    await neverAtRest(context);
    await use(context);
  },
  // Another device in the same test: it knows nothing of the first, and goes with the test.
  anotherPage: async ({ browser }, use) => {
    const pages: Page[] = [];
    await use(async (options) => {
      const page = await pageOf(browser, options);
      pages.push(page);
      return page;
    });
    for (const page of pages) await page.context().close();
  },
});
export const test = unrested.extend<{ server: DemoServer }>({
  // oxlint-disable-next-line no-empty-pattern -- Playwright wants the pattern
  server: async ({}, use, { parallelIndex }) => {
    await withDemo(parallelIndex, use);
  },
});
/**
 * The same server and page for all tests of a worker that use it: to start one and to read the page
 * into it costs more than most of them. Such a test works on a site of its own (`openOwn`), or only
 * looks; it leaves the clock alone. After a test that fails, Playwright begins with new ones.
 */
export const sharedTest = unrested.extend<
  { server: DemoServer },
  { sharedServer: DemoServer; sharedPage: Page }
>({
  sharedServer: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright wants the pattern
    async ({}, use, { parallelIndex }) => {
      await withDemo(parallelIndex, use);
    },
    { scope: 'worker' },
  ],
  sharedPage: [
    async ({ browser }, use) => {
      const page = await pageOf(browser, { viewport: DESK, serviceWorkers: 'block' });
      await use(page);
      await page.context().close();
    },
    { scope: 'worker' },
  ],
  server: async ({ sharedServer }, use) => {
    await use(sharedServer);
  },
  page: async ({ sharedPage: page }, use) => {
    await use(page);
    page.removeAllListeners('pageerror');
    await page.unrouteAll();
    await page.emulateMedia({ media: null });
    await page.setViewportSize(DESK);
  },
});
const DESK = { width: 1280, height: 800 };
/** The same without a demo: an empty folder, as whoever begins has it. */
export const testFromNothing = unrested.extend<{ server: DemoServer }>({
  // oxlint-disable-next-line no-empty-pattern -- Playwright wants the pattern
  server: async ({}, use, { parallelIndex }) => {
    const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-e2e-'));
    const server = new DemoServer(await freePort(parallelIndex), dataDir);
    await server.run();
    await use(server);
    await server.stop('SIGKILL');
    fs.rmSync(dataDir, { recursive: true, force: true });
  },
});
export { expect };

/**
 * Goes to an address of the app. Where the app stands already it goes there by itself, as by a
 * link: to read a page anew is a thing of its own, and takes ten times as long.
 */
export async function visit(page: Page, url: string): Promise<void> {
  const stands =
    page.url().startsWith(new URL(url).origin) && (await page.locator('#root > *').count()) > 0;
  if (!stands) {
    await page.goto(url);
    return;
  }
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, url);
  // The screen before stands until this one has come.
  const stage = /\/pours\/[^/]+\/(\w+)/.exec(url)?.[1];
  if (stage) await page.locator(`.frame[data-stage="${stage}"]`).waitFor();
}

/** Gives a page the session of one of the demo's people; how one signs in is tested for itself. */
async function asPerson(page: Page, server: DemoServer, person: string): Promise<void> {
  const sessions = JSON.parse(process.env.JACTUM_SESSIONS ?? '{}') as Record<string, string>;
  const [name, value] = (sessions[person] ?? '').split('=');
  if (!name || !value) throw new Error(`${person} is nobody of the demo`);
  await page.context().addCookies([{ name, value, url: server.url }]);
}

/** The pours of the demo, for one of its people. */
export async function signIn(page: Page, server: DemoServer, person = FOREMAN): Promise<void> {
  await asPerson(page, server, person);
  await page.goto(server.url);
  await page.getByRole('heading', { name: 'Pours' }).waitFor();
}
const FOREMAN = 'I. Brandvold';

/** Opens a screen of a pour for one of the demo's people; answers the id of the pour. */
export async function openPour(
  page: Page,
  server: DemoServer,
  code: string,
  path: string,
  person = FOREMAN,
): Promise<string> {
  await asPerson(page, server, person);
  const pours = await page.request.get(`${server.url}/api/pours`);
  const id = idOf((await pours.json()) as PourRow[], code);
  await visit(page, `${server.url}/pours/${id}/${path}`);
  return id;
}

interface Imported {
  id: string;
  pours: { id: string; code: string }[];
}
/** Brings a site of the demo in once more, without a log: whoever opens a pour of it disturbs nobody. */
export async function ownSite(
  page: Page,
  server: DemoServer,
  name: 'quillback' | 'kestrel',
): Promise<{ siteId: string; pourOf: (code: string) => string }> {
  const answer = await page.request.post(`${server.url}/api/sites/import`, {
    headers: { 'Content-Type': 'application/json' },
    data: fs.readFileSync(`demo/sites/${name}.json`, 'utf8'),
  });
  expect(answer.status()).toBe(201);
  const { id, pours } = (await answer.json()) as Imported;
  return { siteId: id, pourOf: (code) => idOf(pours, code) };
}

/** Opens a screen of a pour of a site of its own, for the foreman; answers the ids of both. */
export async function openOwn(
  page: Page,
  server: DemoServer,
  code: string,
  path: string,
): Promise<{ id: string; siteId: string }> {
  await asPerson(page, server, FOREMAN);
  const { siteId, pourOf } = await ownSite(
    page,
    server,
    code.startsWith('K') ? 'kestrel' : 'quillback',
  );
  const id = pourOf(code);
  await visit(page, `${server.url}/pours/${id}/${path}`);
  return { id, siteId };
}

/** Brings what moves on the page to its end, and waits until the browser has nothing left to do. */
export async function atRest(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await document.fonts.ready;
    for (const a of document.getAnimations())
      if (a.effect?.getTiming().iterations !== Infinity) a.finish();
    for (let times = 0; times < 2; times += 1)
      await new Promise((done) => {
        requestIdleCallback(done, { timeout: 100 });
      });
  });
}

/**
 * Waits until no sheet is open. An expectation would describe the page each time it does not hold
 * yet, and sheets close by the hundred.
 */
export const gone = (page: Page): Promise<void> =>
  page.getByRole('dialog').waitFor({ state: 'hidden' });

/**
 * What is worked out beside the page stands on How much: coming, it moves all that is under it down,
 * away from a press that is on its way.
 */
export const workedOut = (page: Page): Promise<void> =>
  page.locator('[data-what-if="hotter"]').waitFor();

interface PourRow {
  id: string;
  code: string;
}
function idOf(pours: PourRow[], code: string): string {
  const found = pours.find((p) => p.code === code);
  if (!found) throw new Error(`no pour ${code}`);
  return found.id;
}
/** The id of a pour by its code, through the signed-in page. */
export async function pourId(page: Page, code: string): Promise<string> {
  const pours = await page.evaluate(
    async () => (await fetch('/api/pours')).json() as Promise<PourRow[]>,
  );
  return idOf(pours, code);
}

interface Entry {
  id: string;
  seq: number;
  kind: string;
  body: Record<string, unknown>;
  at: string;
  actor: string;
}
/** The log of a pour as the server has it. */
export const logOf = (page: Page, id: string): Promise<Entry[]> =>
  page.evaluate(
    async (p) => (await fetch(`/api/pours/${p}/events`)).json() as Promise<Entry[]>,
    id,
  );

/** Puts the demo's clock forward, and waits until the page has heard of it. */
export async function forward(page: Page, minutes: number): Promise<void> {
  const heard = page.waitForResponse(
    (r) => r.url().endsWith('/api/clock') && r.request().method() === 'GET',
  );
  const ok = await page.evaluate(
    async (m) =>
      (
        await fetch('/api/clock', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ advanceMin: m }),
        })
      ).ok,
    minutes,
  );
  if (!ok) throw new Error('the clock did not move');
  await (await heard).finished();
}

/** Waits until the page says that its pour goes on without signal on this device. */
export const readyWithoutSignal = (page: Page): Promise<void> =>
  page
    .locator('[data-without-signal="ready"]')
    .first()
    .waitFor({ state: 'attached', timeout: 60_000 });

/** Takes the pictures of docs/screenshots/ from the demo data: `npm run build && npm run screenshots`. */
import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuid } from 'uuid';
import type { PourAnswer, PourSummary } from '../contract/index.ts';
import { mixNamed } from '#core/view';
import { planPour } from '#core/pourplan';
import { midnightMs } from '#core/weather';

const OUT = 'docs/screenshots';
const PORT = 4391;
const base = `http://127.0.0.1:${PORT}`;
fs.mkdirSync(OUT, { recursive: true });
const server = spawn(process.execPath, ['dist/server/main.js', '--demo'], {
  env: {
    ...process.env,
    PORT: String(PORT),
    DATA_DIR: fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-shots-')),
  },
  stdio: 'inherit',
});
for (let i = 0; i < 100; i += 1) {
  try {
    if ((await fetch(`${base}/api/health`)).ok) break;
  } catch {
    /* not up yet */
  }
  await new Promise((r) => setTimeout(r, 100));
}
const executablePath = [
  process.env.CHROMIUM_PATH,
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
].find((p) => p && fs.existsSync(p));
const browser = await chromium.launch({
  ...(executablePath ? { executablePath } : {}),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});

async function open(width: number, height: number, theme = 'sun'): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width, height } })).newPage();
  await page.addInitScript((t) => {
    localStorage.setItem('jactum-theme', t);
  }, theme);
  await page.goto(base);
  await page.getByRole('button', { name: /Brandvold/ }).click();
  await page.getByRole('heading', { name: 'Pours' }).waitFor();
  return page;
}
const get = <T>(page: Page, url: string): Promise<T> =>
  page.evaluate(async (u) => (await fetch(u)).json() as Promise<unknown>, url) as Promise<T>;
const post = (page: Page, url: string, body: unknown) =>
  page.evaluate(
    async ([u, b]) => {
      const r = await fetch(u as string, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(b),
      });
      if (!r.ok) throw new Error(await r.text());
    },
    [url, body],
  );

const desk = await open(1280, 800);
const pours = await get<PourSummary[]>(desk, '/api/pours');
const id = (code: string) => pours.find((p) => p.code === code)?.id ?? '';
async function shot(page: Page, name: string, code: string, rest: string): Promise<void> {
  await page.goto(code ? `${base}/pours/${id(code)}/${rest}` : base);
  await page.waitForTimeout(2200);
  await page.screenshot({ path: `${OUT}/${name}.png` });
}

/** The middle of P2: three lifts, one load stiff at the chute, the seam's clock running. */
async function pourP2(page: Page): Promise<void> {
  const record = await get<PourAnswer>(page, `/api/pours/${id('P2')}`);
  const { site, pour } = record;
  const mix = mixNamed(site, pour.mix);
  const plant = site.plants.find((p) => p.id === pour.plant);
  if (!mix || !plant) throw new Error('demo site');
  const plan = planPour(site, pour, mix, plant, record.duskMin);
  const day = midnightMs(pour.date ?? '', site.timeZone);
  const events: object[] = [];
  const log = (minute: number, kind: string, body: object) => {
    events.push({ id: uuid(), at: new Date(day + minute * 60_000).toISOString(), kind, body });
  };
  log(430, 'override', { reason: 'Two readings fixed on paper, engineer answered by telephone' });
  log(440, 'weather', { airTempC: 14, humidity: 0.62, windKmH: 12, sky: 'clear' });
  const late = [5, 9, 14];
  plan.trucks.result.loads.slice(0, 3).forEach((l, i) => {
    const loadId = plan.loadIds[i] ?? '';
    const at = l.arriveMin + (late[i] ?? 0);
    log(at, 'load-arrived', {
      loadId,
      ticket: String(88210 + i),
      volumeM3: l.volumeM3,
      batchedAt: new Date(day + (at - 37) * 60_000).toISOString(),
      concreteTempC: 23,
    });
    log(at + 2, 'slump', { loadId, measuredMm: [140, 127, 89][i] ?? 140, where: 'truck' });
    if (i < 2) log(at + 20, 'load-end', { loadId, returnedM3: 0 });
  });
  let t = 458;
  const end = plan.trucks.result.loads[1]!.arriveMin + 9 + 19;
  outer: for (let lift = 0; lift < 3; lift += 1)
    for (const leg of plan.route.legs) {
      const minutes = (leg.volumeM3 / 3 / pour.settings.placingRateM3PerH) * 63;
      const share = Math.min(1, (end - t) / minutes);
      if (share <= 0.05) break outer;
      log(t, 'place-start', { elementId: leg.elementId, lift, loadId: t < 478 ? 'L1' : 'L2' });
      log(t + minutes * share, 'place-stop', {
        elementId: leg.elementId,
        lift,
        filledRatio: Math.round(share * 100) / 100,
      });
      t += minutes * share + 0.4;
      if (share < 1) break outer;
    }
  // Nothing is logged ahead of the clock.
  await post(page, '/api/clock', { advanceMin: 108 });
  await post(page, `/api/pours/${id('P2')}/order`, {
    volumeM3: plan.orderedM3,
    loads: plan.loadIds.length,
    byTelephone: true,
  });
  await post(page, `/api/pours/${id('P2')}/events`, { events });
}

const phone = await open(390, 844);
await shot(
  desk,
  'workbench',
  'P2',
  'workbench/form-pressure?in=%7B%22placementHeightM%22%3A2.7432%2C%22cement%22%3A%22plain%22%2C%22rateMPerH%22%3A1.2%7D',
);
await desk.goto(`${base}/pours/${id('P2')}/plan?tab=way`);
await desk.getByRole('button', { name: /Look through/ }).click();
await desk.getByRole('heading', { name: 'Not taken' }).waitFor({ timeout: 60_000 });
await desk.screenshot({ path: `${OUT}/search.png` });
await shot(desk, 'pours', '', '');
const siteId = pours.find((p) => p.code === 'P2')?.siteId ?? '';
await desk.goto(`${base}/sites/${siteId}`);
await desk.getByRole('list', { name: 'Lists of the site' }).waitFor();
await desk.screenshot({ path: `${OUT}/site.png` });
await desk.goto(`${base}/sites/${siteId}/pour`);
await desk.getByRole('button', { name: 'all pads' }).click();
await desk.getByRole('button', { name: 'Wednesday 30 September' }).click();
await desk.waitForTimeout(1200);
await desk.screenshot({ path: `${OUT}/new-pour.png` });
await desk.goto(`${base}/new`);
await desk.getByRole('button', { name: 'feet and inches' }).click();
await desk.getByRole('button', { name: 'US, ACI and IRC' }).click();
await desk.getByLabel('Name of the site').fill('Ostrander Stable');
await desk.getByLabel('Where it is').fill('44.9 N 91.4 W');
await desk.getByLabel('north side').fill('36');
await desk.getByLabel('east side').fill('28');
await desk.waitForTimeout(1200);
await desk.screenshot({ path: `${OUT}/new-site.png` });
await desk.goto(`${base}/people`);
await desk.getByRole('button', { name: /T\. Oakes/ }).click();
await desk.screenshot({ path: `${OUT}/people.png` });
await shot(desk, 'setout', 'P3', 'setout?run=SE2');
await desk.getByRole('button', { name: 'Change the plan' }).click();
await desk.waitForTimeout(1200);
await desk.screenshot({ path: `${OUT}/setout-change.png` });
await shot(desk, 'rolled-out', 'P2', 'setout?run=S&view=unrolled');
await shot(desk, 'check', 'P2', 'check?run=E1&check=E1/cover-inside&place=0');
await shot(desk, 'check-metric', 'K1', 'check?run=SE1&check=SE1/cover-bottom&place=0');
await shot(desk, 'plan', 'P2', 'plan');
await shot(desk, 'plan-when', 'P3', 'plan?tab=when');
await shot(desk, 'plan-how', 'P2', 'plan?tab=how');
await shot(desk, 'cure', 'P1', 'cure');
await shot(phone, 'check-phone', 'P2', 'check?run=W&check=W/cover-inside&place=1');
await pourP2(desk);
await shot(desk, 'pour', 'P2', 'pour');
await shot(await open(1280, 800, 'dusk'), 'pour-dusk', 'P2', 'pour');
await browser.close();
server.kill('SIGTERM');

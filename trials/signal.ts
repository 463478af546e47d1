import { chromium, type Page } from '@playwright/test';
import { browserPath, Network, type Mode, type Pace } from './network.ts';
import { sleep, TrialServer, Verdicts } from './server.ts';

/** A phone that comes new to the pour of the day: when its signal goes, s after the station showed. */
const CUTS_S = [0.5, 1, 2, 4, 8, 15];
const NETWORKS: { name: string; pace: Pace; becomes: Mode }[] = [
  { name: 'fast', pace: { bytesPerS: 20e6, latencyMs: 5 }, becomes: 'cut' },
  { name: 'slow', pace: { bytesPerS: 120e3, latencyMs: 150 }, becomes: 'cut' },
  { name: 'swallowing', pace: { bytesPerS: 1e6, latencyMs: 60 }, becomes: 'swallow' },
];
/** Sheets of the pour day, by the button that opens each. */
const SHEETS = ['Note', 'Weather', 'Who is here', 'Trouble', 'Hurt'];
/** A sheet is open, or says what it lacks, within this, ms. */
const ANSWER_MS = 11_000;
const LACKS = /not on this device yet|On its way/;

/** What a press on a sheet came to. */
type Answer = 'open' | 'said' | 'nothing';

async function press(page: Page, sheet: string, waitMs: number): Promise<Answer> {
  await page.getByRole('button', { name: sheet, exact: true }).click({ timeout: 3000 });
  const opened = page.getByRole('dialog').or(page.locator('.bench form')).first();
  const said = page.getByText(LACKS).first();
  const come = (what: typeof opened, answer: Answer) =>
    what.waitFor({ timeout: waitMs }).then(() => answer);
  return Promise.any([come(opened, 'open'), come(said, 'said')]).catch(() => 'nothing');
}

/** Writes a note where its sheet is open. */
async function note(page: Page, text: string): Promise<boolean> {
  const field = page.getByLabel('What happened');
  if (!(await field.isVisible().catch(() => false))) return false;
  await field.fill(text);
  await page.getByRole('dialog').getByRole('button', { name: 'Log' }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached', timeout: ANSWER_MS });
  return true;
}

interface Tried {
  answers: Answer[];
  after: Answer[];
  noted: boolean;
  arrived: boolean;
}

async function tryOne(
  server: TrialServer,
  pour: string,
  { pace, becomes }: (typeof NETWORKS)[number],
  cutS: number,
): Promise<Tried> {
  const network = new Network(server.port, pace);
  await network.listen();
  const browser = await chromium.launch({
    ...browserPath(),
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await (
      await browser.newContext({ viewport: { width: 390, height: 844 } })
    ).newPage();
    await page.goto(`${network.url}/pours/${pour}/pour`, { timeout: 120_000 });
    await page.getByRole('button', { name: /Oakes/ }).click({ timeout: 120_000 });
    await page.getByRole('button', { name: 'Note', exact: true }).waitFor({ timeout: 120_000 });
    await sleep(cutS * 1000);
    network.become(becomes);
    const text = `Without signal ${pace.bytesPerS} ${cutS}`;
    const answers: Answer[] = [];
    let noted = false;
    for (const sheet of SHEETS) {
      answers.push(await press(page, sheet, ANSWER_MS));
      if (sheet === 'Note') noted = await note(page, text);
      await page.keyboard.press('Escape');
      await page.keyboard.press('Escape');
    }
    network.become('open');
    const after: Answer[] = [];
    for (const sheet of SHEETS) {
      const opened = page.getByRole('dialog').or(page.locator('.bench form')).first();
      await page
        .getByRole('button', { name: sheet, exact: true })
        .click({ timeout: 5000 })
        .catch(() => undefined);
      after.push(
        await opened.waitFor({ timeout: 30_000 }).then(
          () => 'open' as const,
          () => 'nothing' as const,
        ),
      );
      await page.keyboard.press('Escape');
      await page.keyboard.press('Escape');
    }
    const arrived = noted ? await hasArrived(server, pour, text) : true;
    return { answers, after, noted, arrived };
  } finally {
    await browser.close();
    network.close();
  }
}

async function hasArrived(server: TrialServer, pour: string, text: string): Promise<boolean> {
  const cookie = await server.signIn('foreman');
  for (let tries = 0; tries < 120; tries += 1) {
    const res = await server.call(cookie, 'GET', `/api/pours/${pour}/events?after=0`);
    const log = (await res.json()) as { body: { text?: string } }[];
    const times = log.filter((e) => e.body.text === text).length;
    if (times > 0) return times === 1;
    await sleep(500);
  }
  return false;
}

/** Cuts the signal of a phone that has just opened the pour: every sheet opens, or says what it lacks, and nothing pressed is lost. */
export async function signal(cuts: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const pour = await server.pourId(await server.signIn('foreman'), 'P4');
  for (const network of NETWORKS)
    for (const cutS of CUTS_S.slice(0, cuts)) {
      const tried = await tryOne(server, pour, network, cutS);
      verdicts.say(
        `${network.name}, cut after ${cutS} s`,
        `without signal ${tried.answers.join(' ')}; with it again ${tried.after.join(' ')}; note ${tried.noted ? (tried.arrived ? 'arrived once' : 'LOST OR DOUBLED') : 'not possible'}`,
        !tried.answers.includes('nothing') && !tried.after.includes('nothing') && tried.arrived,
      );
    }
  verdicts.end();
  await server.end();
}

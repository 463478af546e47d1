import { expect, type Locator, type Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { checkList } from '#core/check';
import { planOf, type PourRecord } from '#core/view';
import { asWanted } from '../core/testdata/as-wanted.ts';
import { demoPour } from '../core/testdata/demo.ts';
import { forward, gone } from './server.ts';

/** The walk through one pour, by the real interface: used in US and in metric. */

/** Somebody at work: how they press a button and enter a measure on the pad; each answers the presses it took. */
export interface Hand {
  press: (button: Locator) => Promise<number>;
  measure: (text: string) => Promise<number>;
}

/** At a desk: the mouse for buttons, the keyboard for measures. */
export const deskHand = (page: Page): Hand => ({
  press: async (button) => {
    await button.click();
    return 1;
  },
  measure: async (text) => {
    const pad = padOf(page);
    await pad.fill(text);
    await pad.press('Enter');
    return text.length + 1;
  },
});

/** On a phone: a finger on the keys of the pad. */
export function thumbHand(page: Page): Hand {
  const bench = page.locator('.bench');
  const key = async (name: string) => {
    await bench
      .locator('button.key')
      .and(page.getByRole('button', { name, exact: true }))
      .tap();
  };
  return {
    press: async (button) => {
      const pressed = button.locator('visible=true').first();
      // Taps on one spot count each other: one that comes at once could be the second of a double
      // one, and is not taken.
      if ((await pressed.getAttribute('data-likeliest')) !== null)
        await expect(pressed).toHaveAttribute('data-ready');
      await pressed.tap();
      return 1;
    },
    measure: async (text) => {
      const keys = text
        .replace('-', '')
        .split(' ')
        .flatMap((part) => (part.includes('/') ? eighths(part) : [...part]));
      for (const k of keys) await key(k);
      if (text.startsWith('-')) await key('Below or above the mark');
      await bench
        .getByRole('button', { name: /^(Take|Next(?! run))/ })
        .locator('visible=true')
        .first()
        .tap();
      return keys.length + (text.startsWith('-') ? 1 : 0) + 1;
    },
  };
}
/** Keys of a fraction: an eighth once, the sixteenth above it by a second press. */
function eighths(part: string): string[] {
  const [n = 0, d = 1] = part.split('/').map(Number);
  const NAMES = ['1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];
  const sixteenths = Math.round((n / d) * 16);
  const name = NAMES[Math.floor(sixteenths / 2) - 1] ?? '1/8';
  return sixteenths % 2 ? [name, name] : [name];
}

/** With the keyboard alone: the answer that is likeliest has the focus, and Enter gives it. */
export const keyHand = (page: Page): Hand => ({
  press: async (button) => {
    await expect(button).toBeFocused();
    // A press that comes at once could still be meant for the place before, and is not taken.
    await expect(button).toHaveAttribute('data-ready');
    await page.keyboard.press('Enter');
    return 1;
  },
  measure: async (text) => {
    await expect(padOf(page)).toBeFocused();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    return text.length + 1;
  },
});

const padOf = (page: Page): Locator =>
  page.locator('.bench').getByLabel('Reading', { exact: true });
/** A fraction is set in a face of its own, without a space before it. */
const plainText = (el: Locator): Promise<string> =>
  el.evaluate((x) => x.innerHTML.replace(/<span class="fr">/g, ' ').replace(/<[^>]+>/g, ''));

/** Looks at every change of type once; answers the presses it took. */
export async function seeChanges(
  page: Page,
  hand: Hand = deskHand(page),
  next = () => hand.press(page.locator('[data-next]')),
): Promise<number> {
  let presses = 0;
  await expect(page.locator('.next p')).not.toBeEmpty();
  while (
    await page
      .locator('.next')
      .getByText(/takes over from/)
      .isVisible()
  ) {
    const sentence = await page.locator('.next p').textContent();
    presses += await next();
    presses += await hand.press(page.getByRole('dialog').getByRole('button', { name: /^Seen/ }));
    await expect(page.locator('.next p')).not.toHaveText(sentence ?? '');
  }
  return presses;
}

/** How many readings the rail says are taken and wanted. */
export async function readCount(page: Page): Promise<{ read: number; wanted: number }> {
  const [, read = '', wanted = ''] =
    /(\d+) of (\d+) read/.exec(
      (await page
        .locator('header')
        .getByText(/^\d+ of \d+ read$/)
        .first()
        .textContent()) ?? '',
    ) ?? [];
  return { read: Number(read), wanted: Number(wanted) };
}

/** Reads every place of every check that is left, as wanted, the way `hand` works; counts the presses. */
export async function readEverything(
  page: Page,
  good: (what: { wanted: string; title: string }) => string,
  hand: Hand = deskHand(page),
  begin = () => hand.press(page.locator('[data-next]')),
): Promise<{ readings: number; presses: number }> {
  let readings = 0;
  // The page goes to the next wanted place by itself; the next line only starts the walk.
  let presses = await begin();
  const bench = page.locator('.bench');
  const button = (name: string | RegExp) => bench.getByRole('button', { name, exact: true });
  const { read, wanted: all } = await readCount(page);
  let at: Place | null = null;
  for (let left = all - read; left > 0; left -= 1) {
    at = await nextPlace(page, at);
    const { pad, wanted, title } = at;
    if (pad === 'eye') presses += await hand.press(button('Good'));
    else if (pad === 'there') presses += await hand.press(button('There'));
    else if (pad === 'bolt') presses += await measureBolt(page, hand);
    else if (pad === 'count')
      presses += await hand.press(
        bench
          .locator('[data-pad="count"]')
          .getByRole('button', { name: wanted.replace(/\D/g, ''), exact: true }),
      );
    else if (pad === 'bar')
      presses += await hand.press(
        bench.locator('[data-pad="bar"]').getByRole('button', { name: wanted, exact: true }),
      );
    else presses += await hand.measure(good({ wanted, title }));
    readings += 1;
  }
  await expect.poll(async () => (await readCount(page)).read).toBe(all);
  return { readings, presses };
}

/** A place that waits to be read: where, what of it, by which pad, and what is wanted. */
interface Place {
  place: string;
  title: string;
  pad: string;
  wanted: string;
}

/**
 * The place that the page has gone to by itself since `before`. All of it is told by one question,
 * asked at every frame: hundreds of readings in a row should not wait for a slower one.
 */
async function nextPlace(page: Page, before: Place | null): Promise<Place> {
  const found = await page
    .waitForFunction(
      (was) => {
        const bench = document.querySelector('.bench');
        const place = bench?.querySelector('[data-place]')?.getAttribute('data-place');
        if (!bench || !place || place === was) return null;
        // A fraction is set in a face of its own, without a space before it.
        const wanted = (bench.querySelector('dd')?.innerHTML ?? '')
          .replace(/<span class="fr">/g, ' ')
          .replace(/<[^>]+>/g, '');
        const pads = [...bench.querySelectorAll('[data-pad]')].map((x) =>
          x.getAttribute('data-pad'),
        );
        return {
          place,
          wanted,
          title: bench.querySelector('[data-check]')?.getAttribute('data-check') ?? '',
          pad: bench.querySelector('[data-bolt-step]') ? 'bolt' : (pads[0] ?? 'measure'),
        };
      },
      before?.place ?? '',
      { polling: 'raf', timeout: 40_000 },
    )
    .catch(async () => {
      const said = await page.locator('.bench [data-verdict]').allTextContents();
      throw new Error(
        `the page stays at ${before?.place ?? 'nothing'}, ${before?.title ?? ''}: ${said.join(' ')}`,
      );
    });
  return (await found.jsonValue()) as Place;
}

/**
 * Runs of a pour of the demo that somebody else reads, everything as wanted: they come into the log
 * from another device. One check may be left. Answers how many places that were.
 */
export async function readElsewhere(
  page: Page,
  id: string,
  code: 'P2' | 'K1',
  runs: string[],
  left?: string,
): Promise<number> {
  const { site, pour, mix } = demoPour(code === 'K1' ? 'kestrel' : 'quillback', code);
  const events = checkList({ site, pour, mix })
    .filter((point) => runs.includes(point.elementId) && point.id !== left)
    .flatMap((point) =>
      point.places.map((_, place) => {
        const value = asWanted(point, place);
        const of = { checkId: point.id, place };
        return {
          id: uuid(),
          at: '2026-09-23T11:40:00Z',
          ...(value
            ? { kind: 'reading', body: { ...of, value } }
            : { kind: 'mark', body: { ...of, result: 'pass' } }),
        };
      }),
    );
  const answer = await page.request.post(new URL(`/api/pours/${id}/events`, page.url()).href, {
    data: { events },
  });
  expect(answer.status()).toBe(200);
  return events.length;
}

/** Measures a bolt of the round that is wanted deep and high; how many presses that took. */
async function measureBolt(page: Page, hand: Hand): Promise<number> {
  let presses = 0;
  for (const step of ['deep', 'out'])
    presses += await hand.measure(
      /([\d][\d /]*) (?:in|mm)/
        .exec(await plainText(page.locator('.bench').locator(`[data-bolt-step="${step}"]`)))?.[1]
        ?.trim() ?? '',
    );
  return presses;
}

/** Reads the count of things sent, and waits until nothing is left unsent. */
export const allSent = (page: Page) =>
  expect(page.locator('[data-unsent]').first()).toHaveAttribute('data-unsent', '0');

export async function signOwn(page: Page): Promise<void> {
  await page.locator('[data-next]').click();
  await page.getByRole('button', { name: /Sign as/ }).click();
}

export async function inspect(page: Page): Promise<void> {
  await page.locator('[data-next]').click();
  await page.getByLabel('Inspector’s name').fill('R. Halloran');
  await page.getByLabel('Inspector’s PIN').fill('8642');
  await page.getByRole('button', { name: 'Pass', exact: true }).click();
  await expect(page.locator('[data-gate="ready"]')).toBeVisible();
}

/** The order as the foreman has settled it by telephone. */
export async function orderedByTelephone(page: Page, id: string): Promise<void> {
  const record = (await (
    await page.request.get(new URL(`/api/pours/${id}`, page.url()).href)
  ).json()) as PourRecord;
  const plan = planOf(record);
  const answer = await page.request.post(new URL(`/api/pours/${id}/order`, page.url()).href, {
    data: { volumeM3: plan?.orderedM3, loads: plan?.loadIds.length, byTelephone: true },
  });
  expect(answer.status()).toBe(200);
}

/** One load from its ticket to its slump. */
export async function takeLoad(
  page: Page,
  n: number,
  ticket: string,
  slump: string,
): Promise<void> {
  await page.getByRole('button', { name: 'Load is here' }).first().click();
  await page.getByLabel('Ticket number').fill(ticket);
  await page.getByRole('button', { name: 'Log load' }).click();
  await expect(
    page.getByRole('heading', { name: new RegExp(`Load ${n} at the gate`) }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Slump', exact: true }).click();
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).fill(slump);
  await page.getByRole('dialog').getByLabel('Reading', { exact: true }).press('Enter');
  await gone(page);
}

export async function place(
  page: Page,
  run: string,
  part: 'full' | 25 | 50 | 75 | 90,
  during: () => Promise<void>,
): Promise<void> {
  await page.getByRole('button', { name: 'Start placing' }).first().click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`^${run}\\b`) })
    .click();
  await expect(page.getByRole('button', { name: 'Stop placing' })).toBeVisible();
  await during();
  await page.getByRole('button', { name: 'Stop placing' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', {
      name: part === 'full' ? new RegExp(`^${run}(, lift \\d+)? is full$`) : String(part),
      exact: true,
    })
    .click();
  await gone(page);
}

/** Runs that somebody else has filled meanwhile, one after another: they come into the log from another device. */
export async function placedElsewhere(page: Page, id: string, runs: string[]): Promise<void> {
  const EACH_MIN = 2;
  await forward(page, runs.length * EACH_MIN);
  const { now } = (await (
    await page.request.get(new URL('/api/clock', page.url()).href)
  ).json()) as { now: string };
  const began = Date.parse(now) - runs.length * EACH_MIN * 60_000;
  const entry = (kind: string, min: number, body: object) => ({
    id: uuid(),
    at: new Date(began + min * 60_000).toISOString(),
    kind,
    body,
  });
  const events = runs.flatMap((elementId, i) => [
    entry('place-start', i * EACH_MIN, { elementId, lift: 0 }),
    entry('place-stop', (i + 1) * EACH_MIN, { elementId, lift: 0, filledRatio: 1 }),
  ]);
  const answer = await page.request.post(new URL(`/api/pours/${id}/events`, page.url()).href, {
    data: { events },
  });
  expect(answer.status()).toBe(200);
}

export async function truckEmpty(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Truck is empty' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Log', exact: true }).click();
  await gone(page);
}

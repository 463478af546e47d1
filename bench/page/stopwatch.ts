import fs from 'node:fs';
import type { Locator, Page } from '@playwright/test';

/** Measures how long acts take on a page, with the processor slowed to a quarter. */

/** What the yardstick takes on a machine of two cores at rest, slowed to a quarter, ms. */
const YARD_MS = 105;
/** How long a finger stays down, ms. */
const PRESS_MS = 60;
/** An act counts where the host took less than this from the machine meanwhile, ms. */
const LEFT_ALONE_MS = 50;
/** As many acts of a kind count; it is done so many times at most until the machine was left alone as often. */
const COUNTED = 5;
const MOST = 12;

/**
 * How long the host has given the cores of this machine to others since it started, ms; nothing
 * where the system does not tell.
 */
const stolenMs = (): number => {
  try {
    return (
      Number(/^cpu +(?:\d+ +){7}(\d+)/.exec(fs.readFileSync('/proc/stat', 'utf8'))?.[1] ?? 0) * 10
    );
  } catch {
    return 0;
  }
};

interface Sample {
  ms: number;
  stolen: number;
}
const middle = (list: readonly number[]): number =>
  [...list].sort((p, q) => p - q)[Math.floor((list.length - 1) / 2)] ?? 0;
/** The times the machine was most left alone: what a neighbour takes says nothing of the page. */
const counted = (all: readonly Sample[]): number[] =>
  [...all]
    .sort((p, q) => p.stolen - q.stolen)
    .slice(0, COUNTED)
    .map((s) => s.ms);

/** A line an act: the middle of what counts, against its goal, and every time it was done. */
const lines = (of: Map<string, Sample[]>, goalMs: number): string =>
  [...of]
    .map(([what, all]) => {
      const ms = middle(counted(all));
      const times = all.map((s) => `${Math.round(s.ms)}${s.stolen ? ` (${s.stolen} taken)` : ''}`);
      const missed = ms < goalMs ? '' : `  MISSES its goal of ${Math.round(goalMs)} ms`;
      return `  ${what}: ${Math.round(ms)} ms, of ${times.join(', ')}${missed}`;
    })
    .join('\n');

export async function stopwatch(page: Page) {
  const browser = await page.context().newCDPSession(page);
  /**
   * Slowed only from a press until its picture stands: what the test looks for in the page itself
   * is not to take four times as long.
   */
  const slow = (rate: number) => browser.send('Emulation.setCPUThrottlingRate', { rate });
  /** Pictures after presses and keys, and answers that the page draws after its first picture. */
  const pictures = new Map<string, Sample[]>();
  const answers = new Map<string, Sample[]>();
  const note = (to: Map<string, Sample[]>, what: string, sample: Sample) => {
    to.set(what, [...(to.get(what) ?? []), sample]);
  };

  /** A yardstick of the same run: how long one piece of plain work takes just before each act, slowed like it. */
  const yard: number[] = [];
  const yardstick = () =>
    page.evaluate(() => {
      const from = performance.now();
      let x = 1;
      for (let i = 0; i < 4_000_000; i += 1) x = (x * 31 + i) % 1_000_003;
      return x < 0 ? 0 : performance.now() - from;
    });

  /**
   * Listens to a page that was just opened: time from a press or a key to the next picture, as the
   * browser itself measures it. What it makes up when the page moves under a still pointer is no
   * act.
   */
  const listen = () =>
    page.evaluate(() => {
      const w = window as unknown as { slowest: number[] };
      w.slowest = [];
      new PerformanceObserver((list) => {
        for (const e of list.getEntries() as PerformanceEventTiming[])
          if (e.interactionId) w.slowest.push(e.duration);
      }).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
    });
  /** Starts a watch that runs from the press to the moment the answer stands on the screen. */
  const expecting = (answer: string) =>
    page.evaluate((selector) => {
      const w = window as unknown as { stood: Promise<number> };
      w.stood = new Promise((done) => {
        let from = 0;
        const look = () => {
          if (from && document.querySelector(selector)) {
            seen.disconnect();
            requestAnimationFrame(() => {
              done(performance.now() - from);
            });
          }
        };
        const seen = new MutationObserver(look);
        seen.observe(document.body, { subtree: true, childList: true, attributes: true });
        for (const type of ['pointerup', 'keydown'])
          window.addEventListener(
            type,
            (e) => {
              from ||= e.timeStamp;
            },
            { capture: true, once: true },
          );
      });
    }, answer);

  /** Does an act once; with an answer it also waits until that stands. */
  const measure = async (
    what: string,
    act: () => Promise<void>,
    answer?: { name: string; selector: string },
  ) => {
    await slow(4);
    yard.push(await yardstick());
    await slow(1);
    if (answer) await expecting(answer.selector);
    await page.evaluate(() => {
      (window as unknown as { slowest: number[] }).slowest = [];
    });
    const before = stolenMs();
    await act();
    const stood = answer
      ? await page.evaluate(() => (window as unknown as { stood: Promise<number> }).stood)
      : 0;
    // The browser tells of an event once the picture after it stands: wait until nothing else is left to do.
    await page.evaluate(
      () =>
        new Promise((r) => {
          requestAnimationFrame(() => {
            void (
              window as unknown as {
                scheduler: { postTask: (task: () => void, options: object) => Promise<void> };
              }
            ).scheduler.postTask(
              () => {
                r(undefined);
              },
              { priority: 'background' },
            );
          });
        }),
    );
    const stolen = stolenMs() - before;
    await page.waitForTimeout(500);
    await slow(1);
    note(pictures, what, {
      ms: await page.evaluate(() =>
        Math.max(0, ...(window as unknown as { slowest: number[] }).slowest),
      ),
      stolen,
    });
    if (answer) note(answers, answer.name, { ms: stood, stolen });
  };

  const enough = (what: string): boolean => {
    const all = pictures.get(what) ?? [];
    return all.length >= MOST || all.filter((s) => s.stolen < LEFT_ALONE_MS).length >= COUNTED;
  };

  return {
    listen,
    slow,
    measure,
    /** Pressed by the mouse alone, where it lies: looking for it in the page would be counted too. */
    press: async (locator: Locator) => {
      const box = await locator.boundingBox();
      if (!box) throw new Error('nothing to press');
      await slow(4);
      await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2, { delay: PRESS_MS });
    },
    key: async (k: string) => {
      await slow(4);
      await page.keyboard.press(k);
    },
    /** Goes round the acts, one after another, until each of them was done often enough. */
    round: async (acts: readonly string[], turn: (time: number) => Promise<void>) => {
      for (let time = 0; !acts.every(enough); time += 1) await turn(time);
    },
    /**
     * Says what was measured, and what misses its goal (ms). A machine that is slower takes longer
     * for the same work, and so may an act.
     */
    say: (goal: { pictureMs: number; answerMs: number }) => {
      const slower = Math.max(1, middle(yard) / YARD_MS);
      console.log(
        `The yardstick took ${middle(yard).toFixed(0)} ms, ${slower.toFixed(2)} times as long as at rest`,
      );
      console.log(`To the next picture:\n${lines(pictures, goal.pictureMs * slower)}`);
      console.log(`Until the answer stands:\n${lines(answers, goal.answerMs * slower)}`);
    },
  };
}

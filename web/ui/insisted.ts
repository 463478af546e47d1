import { say, sayWrong } from './say.ts';

/** A part that takes longer says that it is on its way, ms. */
const SLOW_MS = 1000;
/** A network that swallows what is asked is none, ms. */
const LOST_MS = 8000;
/** What could not be had is asked for again so soon, and at once when there is signal, ms. */
const AGAIN_MS = 4000;

/** Nothing but reading the page again helps. */
export class EarlierVersion extends Error {}

/** The server has another version than this page, and no more what the page asks for. */
const EARLIER = 'This page is of an earlier version than the server: read it again.';

/** Waits for signal to come back, or a while. */
const aWhile = (): Promise<unknown> =>
  new Promise((go) => {
    setTimeout(go, AGAIN_MS);
    window.addEventListener('online', go, { once: true });
  });

const withinTime = <T>(work: Promise<T>): Promise<T> =>
  new Promise((done, fail) => {
    setTimeout(fail, LOST_MS);
    work.then(done, fail);
  });

/** Whether the server answers at all: then what it does not have is gone, and not on its way. */
const isThere = (): Promise<boolean> =>
  withinTime(fetch('/api/health')).then(
    (res) => res.ok,
    () => false,
  );

/**
 * Fetches a part of the app until it is here: without signal it says so once, keeps the rest of the
 * screen, and is asked for again when there is some. One that the server has no more fails.
 */
export async function insisted<T>(load: () => Promise<T>): Promise<T> {
  const slow = setTimeout(() => {
    say('On its way.');
  }, SLOW_MS);
  let told = false;
  try {
    for (let gone = 0; ;) {
      try {
        return await withinTime(load());
      } catch (e) {
        clearTimeout(slow);
        if (await isThere()) gone += 1;
        if (gone > 1) throw new EarlierVersion(EARLIER, { cause: e });
        if (!told && gone === 0)
          sayWrong('No signal: that is not on this device yet. It comes when there is.');
        told = true;
        await aWhile();
      }
    }
  } finally {
    clearTimeout(slow);
  }
}

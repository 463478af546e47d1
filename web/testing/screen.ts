import { afterEach } from '@jest/globals';
import { cleanup, configure } from '@testing-library/react';
import { rereadClock } from '../sync/clock.ts';

/** A desk's screen for component tests, where nothing is laid out or scrolls; it is cleared after each. */
window.matchMedia = (query: string) =>
  ({
    matches: true,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }) as unknown as MediaQueryList;

class QuietObserver {
  observe(): void {
    // Nothing is laid out here.
  }
  unobserve(): void {
    // Nothing is laid out here.
  }
  disconnect(): void {
    // Nothing is laid out here.
  }
}
globalThis.ResizeObserver = QuietObserver;
Element.prototype.scrollIntoView = () => undefined;

const NOBODY_ANSWERS = () => Promise.reject(new TypeError('Failed to fetch'));
globalThis.fetch = NOBODY_ANSWERS;

/** Nobody works anything out beside the page here. */
class SilentWorker extends EventTarget {
  postMessage(): void {
    // It never answers.
  }
  terminate(): void {
    // There is nothing to end.
  }
}
globalThis.Worker = SilentWorker as unknown as typeof Worker;

/**
 * What is hidden is hidden by style sheets, which are not read here: to ask for the style of every
 * element above each that is looked for takes a fifth of these tests, and tells nothing.
 */
configure({
  defaultHidden: true,
  // A host may take the cores for half a minute: what is looked for comes all the same.
  asyncUtilTimeout: 40_000,
});

/**
 * So an element's own style is all there is to be told of it; asking jsdom takes a tenth of these
 * tests. Of its own sheet only `hidden` counts here.
 */
const nothingShown = document.createElement('div').style;
nothingShown.display = 'none';
window.getComputedStyle = (element) => {
  const { hidden, style } = element as HTMLElement;
  return hidden ? nothingShown : style;
};

afterEach(() => {
  cleanup();
  localStorage.clear();
  sessionStorage.clear();
  rereadClock();
  globalThis.fetch = NOBODY_ANSWERS;
});

import { afterEach } from '@jest/globals';
import { cleanup, configure } from '@testing-library/react';

/** A desk's screen for component tests, cleared after each. */
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

/**
 * What is hidden is hidden by style sheets, which are not read here: to ask for the style of every
 * element above each that is looked for takes a fifth of these tests, and tells nothing.
 */
configure({ defaultHidden: true });

afterEach(cleanup);

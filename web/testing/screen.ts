import { afterEach } from '@jest/globals';
import { cleanup } from '@testing-library/react';

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

afterEach(cleanup);

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

afterEach(cleanup);

import { defineConfig } from '@playwright/test';
import e2e from '../../playwright.config.ts';

/**
 * What the page takes on a large site, one browser alone on the machine. `npm run bench:page`
 * prints it and judges nothing.
 */
export default defineConfig({
  ...e2e,
  testDir: '.',
  testMatch: '*.bench.ts',
  globalSetup: '../../e2e/seed.ts',
  workers: 1,
  reporter: [['list']],
});

import fs from 'node:fs';
import { defineConfig } from '@playwright/test';

/** Debian's Chromium: nothing is downloaded. Without a window it takes a fifth less of the cores. */
const chromium =
  process.env.CHROMIUM_PATH ??
  [
    '/usr/bin/chromium-headless-shell',
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
  ].find((p) => fs.existsSync(p));

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/seed.ts',
  // Every test has a server of its own.
  fullyParallel: true,
  workers: 2,
  retries: 0,
  timeout: 300_000,
  // Two browsers share two cores with their servers, and the host may take those for half a minute:
  // wait, rather than call a slow answer a wrong one. What is to be fast is measured in the large
  // site's test and in bench/.
  expect: { timeout: 40_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 40_000,
    // Where it is about going on without signal the worker is let in; elsewhere it would fetch the
    // whole app anew for each test.
    serviceWorkers: 'block',
    // What a failed test saw and did is kept; taking pictures all along would cost a fifth of the time.
    screenshot: 'only-on-failure',
    trace: { mode: 'retain-on-failure', screenshots: false, snapshots: false, sources: false },
    launchOptions: {
      ...(chromium ? { executablePath: chromium } : {}),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});

// Makes sure there is a Chromium for the end-to-end tests (Debian's package, needs root). CHROMIUM_PATH overrides.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';

const found = [
  process.env.CHROMIUM_PATH,
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
].find((p) => p && fs.existsSync(p));
if (!found) {
  if (process.getuid?.() !== 0) {
    console.error('No Chromium found. Install one, or set CHROMIUM_PATH to it.');
    process.exit(1);
  }
  const apt = (...args) => {
    const r = spawnSync('apt-get', args, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    return r.status ?? 1;
  };
  const install = (name) => apt('install', '-y', '-qq', '--no-install-recommends', name);
  apt('update', '-qq');
  // Without a window it is quicker; where Debian has none of these the whole one does.
  const status = install('chromium-headless-shell') && install('chromium');
  if (status !== 0) process.exit(status);
}

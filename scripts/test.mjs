// The one test command: set-up, Jest, Playwright with the checks beside it; ends with a plain line of counts.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';

process.chdir(path.resolve(import.meta.dirname, '..'));
const node = process.execPath;
/** Runs beside others; what it says is shown when it ends, or as it is said. */
const beside = (title, args, { by: [command, ...before] = [node], stdio = 'pipe' } = {}) =>
  new Promise((resolve) => {
    const from = Date.now();
    const child = spawn(command, [...before, ...args], {
      stdio: ['ignore', stdio, stdio],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (chunk) => {
        said += chunk;
      });
    child.on('close', (code) => {
      console.log(
        `\n== ${title}: ${code === 0 ? 'good' : 'FAILED'}, ${((Date.now() - from) / 1000).toFixed(0)} s\n${said.trim()}`,
      );
      resolve(code === 0);
    });
  });

// Packages compile while Chromium is fetched: neither needs the other.
if (
  !(
    await Promise.all([
      beside('Set-up', ['scripts/setup.mjs', '--build']),
      beside('Chromium', ['scripts/chromium.mjs']),
    ])
  ).every(Boolean)
) {
  console.log('0 passed, 1 failed');
  process.exit(1);
}

let passed = 0;
let failed = 0;
const count = (ok) => {
  if (ok) passed += 1;
  else failed += 1;
};
const TSC = 'node_modules/typescript7/bin/tsc';
const ROOMS = ['core', 'contract', 'server', 'web'];
/** Projects of Jest; their counts are added up. */
async function unit(title, projects) {
  const file = `test-results/jest-${projects[0]}.json`;
  fs.rmSync(file, { force: true });
  const ok = await beside(title, [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    '--config=jest.together.config.js',
    '--silent',
    '--maxWorkers=1',
    '--json',
    `--outputFile=${file}`,
    '--reporters=default',
    '--selectProjects',
    ...projects,
  ]);
  const jest = read(file);
  passed += jest?.numPassedTests ?? 0;
  failed += jest?.numFailedTests ?? 0;
  if (!jest || (!ok && jest.numFailedTests === 0)) failed += 1;
}
/** One after another. */
async function lane(...steps) {
  for (const step of steps) await step();
}
/** A check takes what the browser leaves of the cores: it may wait, which a test may not for long. */
async function check(title, args) {
  count(await beside(title, args, { by: ['nice', '-n', '10', node] }));
}
async function browser() {
  fs.rmSync('test-results/e2e.json', { force: true });
  const ok = await beside('Playwright', ['node_modules/@playwright/test/cli.js', 'test'], {
    stdio: 'inherit',
  });
  const e2e = read('test-results/e2e.json');
  passed += e2e?.stats.expected ?? 0;
  failed += (e2e?.stats.unexpected ?? 0) + (e2e?.stats.flaky ?? 0);
  if (!e2e || (!ok && e2e.stats.unexpected === 0)) failed += 1;
}

fs.mkdirSync('test-results', { recursive: true });
const read = (file) => (fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : null);
const checks = () =>
  lane(
    () => check('Lock file', ['scripts/lockcheck.mjs']),
    () => check('First load', ['scripts/first-load.mjs']),
    () => check('Types', [TSC, '--noEmit']),
    () => check('Types of core/', [TSC, '-p', 'tsconfig.core.json']),
    () => check('Lint', ['node_modules/oxlint/bin/oxlint', '--deny-warnings']),
    () => check('Rooms', ['node_modules/dependency-cruiser/bin/dependency-cruise.mjs', ...ROOMS]),
    () => check('Unused', ['node_modules/knip/bin/knip.js', '--no-config-hints']),
    () => check('Format', ['node_modules/prettier/bin/prettier.cjs', '--check', '.']),
  );
// Two cores: the screens on one, all else on the other; the checks begin on the one that is free
// first, and go on in what the browser leaves.
const screens = unit('Jest of the screens', ['components']);
const checked = screens.then(checks);
await lane(
  () => unit('Jest of the core', ['core', 'contract', 'bench', 'web']),
  () => unit('Jest of the server', ['server']),
);
await screens;
await browser();
await checked;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);

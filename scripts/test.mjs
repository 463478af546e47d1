// The one test command: set-up, types, lint, lock file, Jest, Playwright; ends with a plain line of counts.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';

process.chdir(path.resolve(import.meta.dirname, '..'));
const node = process.execPath;
const run = (title, args, env = {}) => {
  console.log(`\n== ${title}`);
  const from = Date.now();
  const ok =
    spawnSync(node, args, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    }).status === 0;
  console.log(
    `== ${title}: ${ok ? 'good' : 'FAILED'}, ${((Date.now() - from) / 1000).toFixed(0)} s`,
  );
  return ok;
};
/** Runs beside others; what it says is shown when it ends. */
const beside = (title, args) =>
  new Promise((resolve) => {
    const from = Date.now();
    const child = spawn(node, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
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
/** One after another; each of them counts. */
async function lane(...steps) {
  for (const step of steps) {
    const ok = await step();
    if (ok !== undefined) count(ok);
  }
}

fs.mkdirSync('test-results', { recursive: true });
const read = (file) => (fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : null);
// Two lanes for two cores, of about the same length.
await Promise.all([
  lane(
    () => beside('Lint', ['node_modules/oxlint/bin/oxlint', '--deny-warnings']),
    () => unit('Jest of the screens', ['components']),
    () => unit('Jest of the server', ['server']),
  ),
  lane(
    () => beside('Lock file', ['scripts/lockcheck.mjs']),
    () => beside('First load', ['scripts/first-load.mjs']),
    () => beside('Types', [TSC, '--noEmit']),
    () => beside('Types of core/', [TSC, '-p', 'tsconfig.core.json']),
    () => beside('Format', ['node_modules/prettier/bin/prettier.cjs', '--check', '.']),
    () =>
      beside('Rooms', [
        'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
        'core',
        'contract',
        'server',
        'web',
      ]),
    () => beside('Unused', ['node_modules/knip/bin/knip.js', '--no-config-hints']),
    () => unit('Jest of the core', ['core', 'contract', 'bench', 'web']),
  ),
]);

fs.rmSync('test-results/e2e.json', { force: true });
const e2eOk = run('Playwright', ['node_modules/@playwright/test/cli.js', 'test']);
const e2e = read('test-results/e2e.json');
passed += e2e?.stats.expected ?? 0;
failed += (e2e?.stats.unexpected ?? 0) + (e2e?.stats.flaky ?? 0);
if (!e2e || (!e2eOk && e2e.stats.unexpected === 0)) failed += 1;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);

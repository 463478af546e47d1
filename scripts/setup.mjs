// One-command set-up: Node built-ins only, since it runs before node_modules exists.
//   node scripts/setup.mjs            installs packages when the lock file or Node changed
//   node scripts/setup.mjs --build    and builds page and server when a source is newer than the build
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';

const root = path.resolve(import.meta.dirname, '..');
process.chdir(root);
const quiet = process.argv.includes('--quiet');
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Node 20.19 or newer is needed; this is ${process.version}.`);
  process.exit(1);
}

function npm(args) {
  const env = { ...process.env };
  // Debian's own node ships its headers in /usr/include/node: let node-gyp use them instead of downloading.
  if (
    !env.npm_config_nodedir &&
    process.execPath === '/usr/bin/node' &&
    fs.existsSync('/usr/include/node/node.h')
  )
    env.npm_config_nodedir = '/usr';
  const exe = process.env.npm_execpath;
  const stdio = ['ignore', quiet ? 2 : 'inherit', 'inherit'];
  const r = exe
    ? spawnSync(process.execPath, [exe, ...args], { stdio, env })
    : spawnSync('npm', args, { stdio, env, shell: process.platform === 'win32' });
  if (r.status !== 0) process.exit(r.status ?? 1);
}

const stamp = 'node_modules/.setup-stamp';
const want = createHash('sha256')
  .update(fs.readFileSync('package-lock.json'))
  .update(process.versions.modules)
  .digest('hex');
const have = fs.existsSync(stamp) ? fs.readFileSync(stamp, 'utf8') : '';
if (want !== have) {
  console.error(
    'Installing packages (the first time two to four minutes: the database is compiled) …',
  );
  npm(['ci', '--include=dev', '--no-audit', '--no-fund']);
  fs.writeFileSync(stamp, want);
}

if (process.argv.includes('--build')) {
  const newest = (p) =>
    fs.statSync(p).isDirectory()
      ? Math.max(0, ...fs.readdirSync(p).map((f) => newest(path.join(p, f))))
      : fs.statSync(p).mtimeMs;
  const inputs = Math.max(
    ...[
      'core',
      'contract',
      'server',
      'web',
      'index.html',
      'vite.config.ts',
      'package-lock.json',
    ].map(newest),
  );
  const built = ['dist/web/index.html', 'dist/server/main.js'].map((f) =>
    fs.existsSync(f) ? fs.statSync(f).mtimeMs : 0,
  );
  if (Math.min(...built) < inputs) {
    console.error('Building …');
    npm(['run', '-s', 'build']);
  }
}

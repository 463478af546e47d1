// Starts a command line over the core quickly: a bundle of scripts/NAME.ts, made anew when the core,
// the contract or the script is newer. `node scripts/bundled.mjs NAME [arguments]`.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';

const root = path.resolve(import.meta.dirname, '..');
const [name] = process.argv.splice(2, 1);
const source = path.join(root, `scripts/${name}.ts`);
const bundle = path.join(root, `dist/${name}.mjs`);
const newest = (p) =>
  fs.statSync(p).isDirectory()
    ? Math.max(0, ...fs.readdirSync(p).map((f) => newest(path.join(p, f))))
    : fs.statSync(p).mtimeMs;
const sources = Math.max(
  ...['core', 'contract'].map((folder) => newest(path.join(root, folder))),
  newest(source),
);
if (!fs.existsSync(bundle) || fs.statSync(bundle).mtimeMs < sources) {
  if (!fs.existsSync(path.join(root, 'node_modules/esbuild'))) {
    const r = spawnSync(process.execPath, [path.join(root, 'scripts/setup.mjs'), '--quiet'], {
      stdio: ['ignore', 2, 'inherit'],
    });
    if (r.status !== 0) process.exit(r.status ?? 1);
  }
  const { build } = await import('esbuild');
  await build({
    entryPoints: [source],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outfile: bundle,
    logLevel: 'error',
  });
}
await import(pathToFileURL(bundle).href);

// In development and in tests the worker is put together from its TypeScript source, as a build
// does it: read file by file it would take three times as long, for every thread anew.
import { build } from 'esbuild';
import fs from 'node:fs';
import path from 'node:path';
import process from 'node:process';
import { pathToFileURL } from 'node:url';
import { threadId } from 'node:worker_threads';

const source = path.join(import.meta.dirname, 'heavy-worker.ts');
// Under node_modules, from where packages are found.
const outfile = path.resolve(
  import.meta.dirname,
  '../../node_modules/.cache/jactum',
  `heavy-worker-${process.pid}-${threadId}.mjs`,
);
await build({
  entryPoints: [source],
  outfile,
  bundle: true,
  packages: 'external',
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: 'inline',
  define: {
    'import.meta.dirname': JSON.stringify(import.meta.dirname),
    'import.meta.url': JSON.stringify(pathToFileURL(source).href),
  },
});
export const { work } = await import(pathToFileURL(outfile).href);
fs.rmSync(outfile);

// What a phone has to fetch before a screen stands: every script of it and of what it is built on,
// gzipped, held to a budget.
import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

const ROOT = path.resolve(import.meta.dirname, '../dist/web');
/** kB of script, gzipped. */
const BUDGET = { pours: 145, setout: 306, check: 295, plan: 265, pour: 250, cure: 236 };

const manifest = JSON.parse(fs.readFileSync(path.join(ROOT, '.vite/manifest.json'), 'utf8'));

/** A file of the manifest with all it imports at once. */
function withImports(key, seen = new Set()) {
  if (seen.has(key)) return seen;
  seen.add(key);
  for (const next of manifest[key].imports ?? []) withImports(next, seen);
  return seen;
}
const sizes = new Map();
function gzipped(key) {
  const { file } = manifest[key];
  if (!sizes.has(file)) sizes.set(file, gzipSync(fs.readFileSync(path.join(ROOT, file))).length);
  return sizes.get(file);
}

let good = true;
for (const [page, budget] of Object.entries(BUDGET)) {
  const keys = new Set([
    ...withImports('index.html'),
    ...withImports(`web/stages/${page}/page.tsx`),
    ...(page === 'pours' ? [] : withImports('web/app/PourLayout.tsx')),
  ]);
  const kB = [...keys].reduce((sum, key) => sum + gzipped(key), 0) / 1000;
  const within = kB <= budget;
  good &&= within;
  console.log(
    `${page.padEnd(8)} ${kB.toFixed(0).padStart(4)} kB of ${budget}${within ? '' : '  OVER ITS BUDGET'}`,
  );
}
process.exit(good ? 0 : 1);

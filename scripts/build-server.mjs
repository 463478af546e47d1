// Bundles the server and its worker. What is ours goes in, and the two packages of many small
// files, which would be most of a start; the others stay where npm put them, since some bring
// binaries and files of their own. The report's fonts are unpacked beside its worker.
import { build } from 'esbuild';
import fontverter from 'fontverter';
import fs from 'node:fs';
import path from 'node:path';

process.chdir(path.resolve(import.meta.dirname, '..'));
const BUNDLED = ['kysely', 'zod'];
const { dependencies } = JSON.parse(fs.readFileSync('package.json', 'utf8'));
await build({
  entryPoints: ['server/main.ts', 'server/workers/heavy-worker.ts'],
  outdir: 'dist/server',
  outbase: 'server',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external: Object.keys(dependencies)
    .filter((name) => !BUNDLED.includes(name))
    .flatMap((name) => [name, `${name}/*`]),
});

const PACKED = 'node_modules/@ibm/plex-sans/fonts/complete/woff';
const UNPACKED = 'dist/server/workers/fonts';
fs.mkdirSync(UNPACKED, { recursive: true });
for (const face of ['Regular', 'Bold', 'Italic', 'BoldItalic']) {
  const name = `IBMPlexSans-${face}`;
  const packed = fs.readFileSync(path.join(PACKED, `${name}.woff`));
  fs.writeFileSync(
    path.join(UNPACKED, `${name}.ttf`),
    await fontverter.convert(packed, 'truetype'),
  );
}

/**
 * Checks an exported log without the server: `npm run -s verify-log -- FILE`. Exit 0 when the chain
 * is whole, 1 when not.
 */
import fs from 'node:fs';
import { verifyExport } from '../server/log/chain.ts';

const file = process.argv[2];
if (file === undefined || !fs.existsSync(file)) {
  console.error(
    file === undefined
      ? 'Name a log file: npm run -s verify-log -- P1-log.jsonl'
      : `There is no file ${file}.`,
  );
  process.exit(2);
}
const checked = verifyExport(
  fs
    .readFileSync(file, 'utf8')
    .split('\n')
    .filter((l) => l.trim() !== ''),
);
if (checked.ok) console.log(`${checked.rows} entries, chain whole. Last hash ${checked.lastHash}`);
else {
  console.error(`Line ${checked.line} ${checked.message}.`);
  process.exitCode = 1;
}

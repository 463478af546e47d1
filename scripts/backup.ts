/**
 * `npm run backup -- FILE`: copies the store of DATA_DIR (data/own) with its photos into one file,
 * while it may be in use.
 */
import { makeBackup } from '../server/backup/backup.ts';
import { readConfig } from '../server/config.ts';

const [file] = process.argv.slice(2);
const { dataDir } = readConfig([]);
if (!file) {
  console.error('Say where to: npm run backup -- FILE');
  process.exit(2);
}
try {
  const { sites, pours, entries, photos } = await makeBackup(dataDir, file);
  console.log(
    `${file}: ${sites} sites, ${pours} pours, ${entries} entries with their chains whole, ${photos} photos.`,
  );
} catch (e) {
  console.error(`No backup was made of ${dataDir}. ${e instanceof Error ? e.message : String(e)}`);
  process.exit(1);
}

/** `npm run restore -- FILE`: brings a backup back into DATA_DIR (data/own), which must hold no store. */
import { restoreBackup } from '../server/backup/backup.ts';
import { readConfig } from '../server/config.ts';

const [file] = process.argv.slice(2);
const { dataDir } = readConfig([]);
if (!file) {
  console.error('Say what from: npm run restore -- FILE');
  process.exit(2);
}
try {
  const { sites, pours, entries, photos } = await restoreBackup(file, dataDir);
  console.log(
    `In ${dataDir}: ${sites} sites, ${pours} pours, ${entries} entries with their chains whole, ${photos} photos.`,
  );
} catch (e) {
  console.error(`Nothing was restored. ${e instanceof Error ? e.message : String(e)}`);
  process.exit(1);
}

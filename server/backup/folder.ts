import fs from 'node:fs';
import path from 'node:path';

/** Where the server keeps its own backups, in the folder of the data. */
export const backupFolder = (dataDir: string): string => path.join(dataDir, 'backups');

/** Names sort as their days do. */
export const backupName = (at: Date): string =>
  `jactum-${at.toISOString().slice(0, 10)}.jactum-backup`;

/** Backups of a data folder, oldest first. */
export function backupsIn(dataDir: string): string[] {
  const folder = backupFolder(dataDir);
  if (!fs.existsSync(folder)) return [];
  return fs
    .readdirSync(folder)
    .filter((name) => name.endsWith('.jactum-backup'))
    .sort()
    .map((name) => path.join(folder, name));
}

export const newestBackup = (dataDir: string): string | null => backupsIn(dataDir).at(-1) ?? null;

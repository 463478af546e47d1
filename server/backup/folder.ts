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

const DAY_MS = 86_400_000;
const dayOf = (file: string): number =>
  Date.parse(/\d{4}-\d{2}-\d{2}/.exec(path.basename(file))?.[0] ?? '') || 0;

/**
 * Which of a row of backups are kept: half of them the newest days, then the newest of each week
 * before those, then of each month.
 * @param files oldest first
 * @param keep how many in all
 */
export function thinned(files: readonly string[], keep: number): string[] {
  const newestFirst = [...files].reverse();
  const days = Math.ceil(keep / 2);
  const weeks = Math.ceil((keep - days) / 2);
  const kept = new Set(newestFirst.slice(0, days));
  const fill = (most: number, spanOf: (file: string) => number) => {
    const spans = new Set([...kept].map(spanOf));
    for (const file of newestFirst.slice(days)) {
      if (kept.size >= most) return;
      if (spans.has(spanOf(file))) continue;
      spans.add(spanOf(file));
      kept.add(file);
    }
  };
  fill(days + weeks, (file) => Math.floor((dayOf(file) / DAY_MS + 3) / 7));
  fill(keep, (file) => {
    const day = new Date(dayOf(file));
    return day.getUTCFullYear() * 12 + day.getUTCMonth();
  });
  return files.filter((f) => kept.has(f));
}

/** Takes away what is kept no longer, and photos that no backup left was made with. */
export function dropOld(dataDir: string, keep: number): void {
  const files = backupsIn(dataDir);
  const kept = thinned(files, keep);
  for (const file of files) if (!kept.includes(file)) fs.rmSync(file, { force: true });
  const photos = path.join(backupFolder(dataDir), 'photos');
  const oldest = kept[0];
  if (!oldest || !fs.existsSync(photos)) return;
  const sinceMs = fs.statSync(oldest).mtimeMs - DAY_MS;
  for (const name of fs.readdirSync(photos)) {
    const photo = path.join(photos, name);
    if (fs.statSync(photo).mtimeMs < sinceMs) fs.rmSync(photo, { force: true });
  }
}

import fs from 'node:fs';
import path from 'node:path';

const MB = 1024 * 1024;
/** Under this the disk is said to be nearly full, MB. */
const LOW_MB = 500;
/** A backup leaves at least this, MB. */
const LEAST_LEFT_MB = 200;

/** How much of the disk that a folder lies on is free, MB. */
export function freeMb(dir: string): number {
  const { bavail, bsize } = fs.statfsSync(dir);
  return Math.floor((bavail * bsize) / MB);
}

/** Whether it is to be said that there is little room left. */
export const isLow = (mb: number): boolean => mb < LOW_MB;

const sizeOf = (file: string): number => (fs.existsSync(file) ? fs.statSync(file).size : 0);

/** What a day's backup takes at most, MB: the database twice, and the photos that are not there yet. */
function wantedMb(dataDir: string, backups: string): number {
  const photos = path.join(dataDir, 'photos');
  const shared = path.join(backups, 'photos');
  const fresh = (fs.existsSync(photos) ? fs.readdirSync(photos) : [])
    .filter((name) => !fs.existsSync(path.join(shared, name)))
    .reduce((sum, name) => sum + sizeOf(path.join(photos, name)), 0);
  const database = ['jactum.sqlite', 'jactum.sqlite-wal'].reduce(
    (sum, name) => sum + sizeOf(path.join(dataDir, name)),
    0,
  );
  return (2 * database + fresh) / MB;
}

/**
 * Looks whether a backup has room before it is begun.
 * @throws Error that says how much is wanted and how much there is
 */
export function wantRoom(dataDir: string, backups: string, free = freeMb(dataDir)): void {
  const wanted = Math.ceil(wantedMb(dataDir, backups) + LEAST_LEFT_MB);
  if (free < wanted)
    throw new Error(
      `The disk has ${free} MB left, and a backup wants ${wanted} MB of room. Make room, or set BACKUPS lower.`,
    );
}

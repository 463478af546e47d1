import fs from 'node:fs';
import path from 'node:path';
import type { Logger } from 'pino';
import type { StoreCheck } from './verify.ts';
import { backupFolder, backupName, backupsIn } from './folder.ts';

const HOUR_MS = 3600_000;

/**
 * Keeps a backup a day beside the data, the newest so many of them. A day is begun by whoever
 * starts the server on it, or by its turning; one that fails is tried again in an hour.
 * @param keep how many; 0 for none
 * @param make makes one, away from the server's own thread
 */
export function keepDailyBackups(
  dataDir: string,
  keep: number,
  logger: Logger,
  make: (file: string) => Promise<StoreCheck>,
): () => void {
  if (keep === 0) return () => undefined;
  const today = async (): Promise<void> => {
    const file = path.join(backupFolder(dataDir), backupName(new Date()));
    if (fs.existsSync(file)) return;
    try {
      logger.info({ file, ...(await make(file)) }, 'backup kept');
      for (const old of backupsIn(dataDir).slice(0, -keep)) fs.rmSync(old, { force: true });
    } catch (e) {
      logger.error(e, 'no backup could be made today');
    }
  };
  void today();
  const timer = setInterval(() => void today(), HOUR_MS).unref();
  return () => {
    clearInterval(timer);
  };
}

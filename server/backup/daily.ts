import fs from 'node:fs';
import path from 'node:path';
import type { Logger } from 'pino';
import type { UpkeepAnswer } from '../../contract/index.ts';
import type { StoreCheck } from './verify.ts';
import { backupFolder, backupName, dropOld, newestBackup } from './folder.ts';
import { freeMb, isLow, wantRoom } from './space.ts';

const HOUR_MS = 3600_000;

/**
 * Keeps a backup a day beside the data. A day is begun by whoever starts the server on it, or by its
 * turning; one that fails is tried again in an hour, and said to the foreman.
 */
export class DailyBackups {
  readonly #dataDir: string;
  readonly #keep: number;
  readonly #logger: Logger;
  readonly #make: (file: string) => Promise<StoreCheck>;
  #problem: string | null = null;
  #timer: NodeJS.Timeout | null = null;

  /**
   * @param keep how many; 0 for none
   * @param make makes one, away from the server's own thread
   */
  constructor(
    dataDir: string,
    keep: number,
    logger: Logger,
    make: (file: string) => Promise<StoreCheck>,
  ) {
    this.#dataDir = dataDir;
    this.#keep = keep;
    this.#logger = logger;
    this.#make = make;
  }

  begin(): void {
    if (this.#keep === 0) return;
    void this.today();
    this.#timer = setInterval(() => void this.today(), HOUR_MS).unref();
  }

  stop(): void {
    clearInterval(this.#timer ?? undefined);
  }

  /** Makes the backup of today, where there is none yet. */
  async today(): Promise<void> {
    const folder = backupFolder(this.#dataDir);
    const file = path.join(folder, backupName(new Date()));
    if (fs.existsSync(file)) return;
    try {
      wantRoom(this.#dataDir, folder);
      this.#logger.info({ file, ...(await this.#make(file)) }, 'backup kept');
      dropOld(this.#dataDir, this.#keep);
      this.#problem = null;
    } catch (e) {
      this.#problem = e instanceof Error ? e.message : String(e);
      this.#logger.error(e, 'no backup could be made today');
    }
  }

  /** How the disk and the backups stand, for the foreman. */
  state(): UpkeepAnswer {
    const free = freeMb(this.#dataDir);
    const newest = newestBackup(this.#dataDir);
    return {
      freeMb: free,
      low: isLow(free),
      lastBackup: newest && (/\d{4}-\d{2}-\d{2}/.exec(path.basename(newest))?.[0] ?? null),
      problem: this.#problem,
    };
  }
}

import SqliteDatabase from 'better-sqlite3';
import fs from 'node:fs';
import path from 'node:path';
import { newestBackup } from '../backup/folder.ts';
import { openDatabase } from './database.ts';
import { MIGRATIONS } from './migrations.ts';

/** A store that cannot be opened: one line that says what it is and what to do. */
class StoreProblem extends Error {}

const withBackup = (dataDir: string): string => {
  const last = newestBackup(dataDir);
  return last
    ? `The last good backup is ${last}: npm run restore -- ${last}`
    : 'There is no backup beside it.';
};

/** What is wrong with the file before anything is written to it; null when it can be opened. */
function faultOf(file: string, dataDir: string): string | null {
  if (!fs.existsSync(file)) return null;
  let db: SqliteDatabase.Database | null = null;
  try {
    db = new SqliteDatabase(file);
    const [row] = db.pragma('quick_check(1)') as { quick_check: string }[];
    if (row?.quick_check !== 'ok')
      return `${file} is damaged (${row?.quick_check ?? 'no answer'}). ${withBackup(dataDir)}`;
    const steps = db.prepare("select name from sqlite_master where name = 'kysely_migration'").all()
      .length
      ? (db.prepare('select name from kysely_migration').all() as { name: string }[])
      : [];
    const newer = steps.find((s) => !(s.name in MIGRATIONS));
    return newer
      ? `${file} was written by a newer Jactum (${newer.name}): start that one, or name another folder in DATA_DIR.`
      : null;
  } catch (e) {
    return `${file} cannot be read (${e instanceof Error ? e.message : String(e)}). ${withBackup(dataDir)}`;
  } finally {
    db?.close();
  }
}

function makeFolder(dataDir: string): void {
  try {
    fs.mkdirSync(dataDir, { recursive: true, mode: 0o700 });
    fs.accessSync(dataDir, fs.constants.W_OK);
  } catch {
    throw new StoreProblem(
      `${dataDir} cannot be written to: give this user the folder, or name another in DATA_DIR.`,
    );
  }
}

/**
 * Takes the folder for this process alone. The lock is the operating system's, held through a file
 * of its own: it goes when the process does, however that ends, so that the next one can start at
 * once.
 */
export function takeFolder(dataDir: string): () => void {
  makeFolder(dataDir);
  const held = new SqliteDatabase(path.join(dataDir, 'in-use.sqlite'), { timeout: 0 });
  try {
    held.exec('begin exclusive');
  } catch {
    held.close();
    throw new StoreProblem(
      `Another Jactum is using ${dataDir}. Stop it, or name another folder in DATA_DIR.`,
    );
  }
  return () => {
    held.close();
  };
}

/**
 * Opens the store of a folder for this server alone.
 * @throws StoreProblem in words, with nothing changed, when it cannot be
 */
export async function openStore(dataDir: string) {
  // What is written here is its owner's to read.
  process.umask(0o077);
  const unlock = takeFolder(dataDir);
  const file = path.join(dataDir, 'jactum.sqlite');
  const fault = faultOf(file, dataDir);
  if (fault) {
    unlock();
    throw new StoreProblem(fault);
  }
  const { db, sqlite, close } = await openDatabase(dataDir);
  return {
    db,
    sqlite,
    close: async () => {
      await close();
      unlock();
    },
  };
}

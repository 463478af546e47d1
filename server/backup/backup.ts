import SqliteDatabase from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import * as tar from 'tar';
import { verifyStore, type StoreCheck } from './verify.ts';

const DATABASE = 'jactum.sqlite';
const PHOTOS = 'photos';

const scratch = (): string => fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-backup-'));
const drop = (dir: string): void => {
  fs.rmSync(dir, { recursive: true, force: true });
};

/**
 * Copies a store that may be in use into one file: the database as it is at one moment, then the
 * photos, which only ever come new. What was copied is opened and checked before it is called a
 * backup.
 * @throws Error in words when what was copied is not whole; nothing is left under the name then
 */
export async function makeBackup(dataDir: string, file: string): Promise<StoreCheck> {
  const dir = scratch();
  const part = `${file}.part`;
  try {
    const db = new SqliteDatabase(path.join(dataDir, DATABASE), { fileMustExist: true });
    try {
      // As of one moment: a copy page by page begins anew with each entry that comes in, and never ends
      // on a busy day.
      db.prepare('vacuum into ?').run(path.join(dir, DATABASE));
    } finally {
      db.close();
    }
    const photos = path.join(dataDir, PHOTOS);
    if (fs.existsSync(photos)) fs.cpSync(photos, path.join(dir, PHOTOS), { recursive: true });
    const check = await verifyStore(dir);
    fs.mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
    await tar.create({ cwd: dir, file: part, gzip: true, portable: true }, fs.readdirSync(dir));
    fs.chmodSync(part, 0o600);
    fs.renameSync(part, file);
    return check;
  } finally {
    drop(dir);
    fs.rmSync(part, { force: true });
  }
}

/**
 * Brings a backup back into a folder that holds no store.
 * @throws Error in words, with the folder as it was, when the file is no whole backup or the folder is in use
 */
export async function restoreBackup(file: string, dataDir: string): Promise<StoreCheck> {
  if (!fs.existsSync(file)) throw new Error(`There is no file ${file}.`);
  if (fs.existsSync(path.join(dataDir, DATABASE)))
    throw new Error(
      `${dataDir} holds a store already: move it away first, or name another folder in DATA_DIR.`,
    );
  fs.mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const dir = fs.mkdtempSync(path.join(dataDir, '.restoring-'));
  try {
    await tar.extract({ cwd: dir, file, strict: true }).catch((e: unknown) => {
      throw new Error(`${file} is no backup: ${e instanceof Error ? e.message : String(e)}`);
    });
    const check = await verifyStore(dir);
    for (const name of [PHOTOS, DATABASE])
      if (fs.existsSync(path.join(dir, name)))
        fs.renameSync(path.join(dir, name), path.join(dataDir, name));
    return check;
  } finally {
    drop(dir);
  }
}

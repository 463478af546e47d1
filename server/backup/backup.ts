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
  try {
    copyDatabase(dataDir, dir);
    const photos = path.join(dataDir, PHOTOS);
    if (fs.existsSync(photos)) fs.cpSync(photos, path.join(dir, PHOTOS), { recursive: true });
    const check = await verifyStore(dir);
    await pack(dir, file, fs.readdirSync(dir));
    return check;
  } finally {
    drop(dir);
  }
}

/**
 * The backup of a day: the database packed by itself, its photos once for all days in `photos`
 * beside it.
 * @throws Error in words when what was copied is not whole; nothing is left under the name then
 */
export async function makeDayBackup(dataDir: string, file: string): Promise<StoreCheck> {
  const dir = scratch();
  const shared = path.join(path.dirname(file), PHOTOS);
  try {
    copyDatabase(dataDir, dir);
    sharePhotos(path.join(dataDir, PHOTOS), shared, new Date());
    const check = await verifyStore(dir, shared);
    await pack(dir, file, [DATABASE]);
    return check;
  } finally {
    drop(dir);
  }
}

/** The database as it is at one moment. */
function copyDatabase(dataDir: string, dir: string): void {
  const db = new SqliteDatabase(path.join(dataDir, DATABASE), { fileMustExist: true });
  try {
    // A copy page by page begins anew with each entry that comes in, and never ends on a busy day.
    db.prepare('vacuum into ?').run(path.join(dir, DATABASE));
  } finally {
    db.close();
  }
}

/** Photos only ever come new: each is copied once, and says by its time when it was there last. */
function sharePhotos(from: string, to: string, now: Date): void {
  if (!fs.existsSync(from)) return;
  fs.mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const name of fs.readdirSync(from).filter((n) => n.endsWith('.jpg'))) {
    const copy = path.join(to, name);
    if (!fs.existsSync(copy)) {
      fs.copyFileSync(path.join(from, name), `${copy}.part`, fs.constants.COPYFILE_FICLONE);
      fs.renameSync(`${copy}.part`, copy);
    }
    fs.utimesSync(copy, now, now);
  }
}

async function pack(dir: string, file: string, names: string[]): Promise<void> {
  const part = `${file}.part`;
  try {
    fs.mkdirSync(path.dirname(path.resolve(file)), { recursive: true });
    await tar.create({ cwd: dir, file: part, gzip: true, portable: true }, names);
    fs.chmodSync(part, 0o600);
    fs.renameSync(part, file);
  } finally {
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
    // The photos of a day's backup lie beside it, once for all days.
    const shared = path.join(path.dirname(path.resolve(file)), PHOTOS);
    if (!fs.existsSync(path.join(dir, PHOTOS)) && fs.existsSync(shared))
      fs.cpSync(shared, path.join(dir, PHOTOS), { recursive: true });
    const check = await verifyStore(dir);
    for (const name of [PHOTOS, DATABASE])
      if (fs.existsSync(path.join(dir, name)))
        fs.renameSync(path.join(dir, name), path.join(dataDir, name));
    return check;
  } finally {
    drop(dir);
  }
}

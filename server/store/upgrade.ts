import type SqliteDatabase from 'better-sqlite3';
import { type Kysely, Migrator } from 'kysely';
import fs from 'node:fs';
import path from 'node:path';
import { backupFolder } from '../backup/folder.ts';
import { MIGRATIONS } from './migrations.ts';

/** The steps a file has been brought through. */
function stepsOf(sqlite: SqliteDatabase.Database): string[] {
  const known = sqlite
    .prepare("select name from sqlite_master where name = 'kysely_migration'")
    .all();
  return known.length === 0
    ? []
    : (sqlite.prepare('select name from kysely_migration').all() as { name: string }[]).map(
        (r) => r.name,
      );
}

/** The file as it was before an upgrade; a copy that was cut off is no copy. */
function keepAsItWas(sqlite: SqliteDatabase.Database, dataDir: string, to: string): void {
  const folder = backupFolder(dataDir);
  const file = path.join(folder, `before-${to}.sqlite`);
  if (fs.existsSync(file)) return;
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  const part = `${file}.part`;
  fs.rmSync(part, { force: true });
  sqlite.prepare('vacuum into ?').run(part);
  fs.renameSync(part, file);
}

/**
 * Brings the tables of a file up to date: all steps in one transaction, so that a start which is cut
 * off leaves the file as it was; before the first of them a copy is kept beside the backups.
 * @throws Error of the step that failed, with nothing changed
 */
export async function upgrade(
  db: Kysely<unknown>,
  sqlite: SqliteDatabase.Database,
  dataDir: string,
): Promise<void> {
  const done = stepsOf(sqlite);
  const missing = Object.keys(MIGRATIONS).filter((name) => !done.includes(name));
  const last = missing.at(-1);
  if (last === undefined) return;
  if (done.length > 0) keepAsItWas(sqlite, dataDir, last);
  sqlite.exec('begin immediate');
  try {
    const { error } = await new Migrator({
      db,
      provider: { getMigrations: () => Promise.resolve(MIGRATIONS) },
    }).migrateToLatest();
    if (error)
      throw error instanceof Error
        ? error
        : new Error('the data file could not be brought up to date');
    sqlite.exec('commit');
  } catch (e) {
    if (sqlite.inTransaction) sqlite.exec('rollback');
    throw e;
  }
}

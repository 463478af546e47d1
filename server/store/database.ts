import SqliteDatabase from 'better-sqlite3';
import { Kysely, SqliteDialect, SqliteDriver, type DatabaseConnection } from 'kysely';
import fs from 'node:fs';
import path from 'node:path';
import type { Db, Tables } from './tables.ts';
import { upgrade } from './upgrade.ts';

/** So many statements are kept ready; the one that was longest unused makes room. */
const READY = 200;

/** SQLite with its statements kept: to read the same SQL anew for every entry would take longer than to write it. */
function withReadyStatements(sqlite: SqliteDatabase.Database) {
  const ready = new Map<string, SqliteDatabase.Statement>();
  return {
    close: () => {
      ready.clear();
      sqlite.close();
    },
    prepare: (sql: string): SqliteDatabase.Statement => {
      const known = ready.get(sql);
      if (known) ready.delete(sql);
      const statement = known ?? sqlite.prepare(sql);
      ready.set(sql, statement);
      if (ready.size > READY) ready.delete(ready.keys().next().value ?? '');
      return statement;
    },
  };
}

/** SQLite itself rolls back when the disk is full: to do so again would hide why. */
class CarefulDriver extends SqliteDriver {
  readonly #sqlite: SqliteDatabase.Database;
  constructor(sqlite: SqliteDatabase.Database) {
    super({ database: withReadyStatements(sqlite) });
    this.#sqlite = sqlite;
  }
  override async rollbackTransaction(connection: DatabaseConnection): Promise<void> {
    if (this.#sqlite.inTransaction) await super.rollbackTransaction(connection);
  }
}
class CarefulDialect extends SqliteDialect {
  readonly #sqlite: SqliteDatabase.Database;
  constructor(sqlite: SqliteDatabase.Database) {
    super({ database: sqlite });
    this.#sqlite = sqlite;
  }
  override createDriver(): SqliteDriver {
    return new CarefulDriver(this.#sqlite);
  }
}

/** Opens the data file, durable before it answers (WAL, synchronous=FULL), and brings its tables up to date. */
export async function openDatabase(
  dataDir: string,
): Promise<{ db: Db; sqlite: SqliteDatabase.Database; close: () => Promise<void> }> {
  fs.mkdirSync(dataDir, { recursive: true });
  const sqlite = new SqliteDatabase(path.join(dataDir, 'jactum.sqlite'));
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  const db = new Kysely<Tables>({ dialect: new CarefulDialect(sqlite) });
  await upgrade(db as unknown as Kysely<unknown>, sqlite, dataDir);
  return {
    db,
    sqlite,
    close: async () => {
      sqlite.pragma('wal_checkpoint(TRUNCATE)');
      await db.destroy();
    },
  };
}

/** A second look at a store that is open already, for a thread that only reads. */
export function openForReading(dataDir: string): Db {
  const file = path.join(dataDir, 'jactum.sqlite');
  const sqlite = new SqliteDatabase(file, { readonly: true, fileMustExist: true });
  return new Kysely<Tables>({ dialect: new CarefulDialect(sqlite) });
}

import SqliteDatabase from 'better-sqlite3';
import { Kysely, SqliteDialect, SqliteDriver, type DatabaseConnection } from 'kysely';
import fs from 'node:fs';
import path from 'node:path';
import { upgrade } from './upgrade.ts';

/** Tables as they stand in the file; documents are JSON text checked by contract/ on their way in. */
export interface Tables {
  site: { id: string; name: string; version: number; doc: string };
  pour: { id: string; site_id: string; version: number; doc: string };
  pour_event: {
    id: string;
    pour_id: string;
    seq: number;
    at: string;
    recorded_at: string;
    /** When it was written down, where that was later than it happened. */
    written_at: string | null;
    actor: string;
    device: string;
    kind: string;
    body: string;
    supersedes: string | null;
    prev_hash: string;
    hash: string;
  };
  account: {
    id: string;
    name: string;
    role: string;
    pin_hash: string;
    /** 1 while the foreman has shut the person out. */
    locked: number;
    /** 1 when the person has gone; their name stays with their entries. */
    removed: number;
    /** The name as it looks: nobody else may look like it. */
    name_key: string;
    /** Wrong PINs since the PIN was set, and when the last was. */
    guesses: number;
    wrong_at: string | null;
    seen_at: string | null;
    /** For what they were asked here alone, as JSON. */
    invited: string | null;
  };
  /** The picture under a site's plan; its file lies among the photos. */
  underlay: {
    site_id: string;
    picture: string;
    width: number;
    height: number;
    placement: string;
  };
  session: { token_hash: string; account: string; device: string; expires_at: string };
  /** Wrong PINs in a row at a name, by where they came from; nobody is listened to from there before `wait_until`. */
  pin_try: {
    name_key: string;
    from_key: string;
    wrong: number;
    wait_until: string | null;
    at: string;
  };
  setting: { name: string; value: string };
  photo: {
    id: string;
    pour_id: string;
    width: number;
    height: number;
    bytes: number;
    sha256: string;
    stored_by: string;
    stored_at: string;
  };
}
export type Db = Kysely<Tables>;

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

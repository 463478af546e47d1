import SqliteDatabase from 'better-sqlite3';
import { Kysely, Migrator, SqliteDialect, type Migration } from 'kysely';
import fs from 'node:fs';
import path from 'node:path';

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
    actor: string;
    device: string;
    kind: string;
    body: string;
    supersedes: string | null;
    prev_hash: string;
    hash: string;
  };
  account: { name: string; role: string; pin_hash: string };
  session: { token_hash: string; account: string; device: string; expires_at: string };
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

const first: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('site')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('doc', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('pour')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('doc', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('pour_event')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('pour_id', 'text', (c) => c.notNull().references('pour.id'))
      .addColumn('seq', 'integer', (c) => c.notNull())
      .addColumn('at', 'text', (c) => c.notNull())
      .addColumn('recorded_at', 'text', (c) => c.notNull())
      .addColumn('actor', 'text', (c) => c.notNull())
      .addColumn('device', 'text', (c) => c.notNull())
      .addColumn('kind', 'text', (c) => c.notNull())
      .addColumn('body', 'text', (c) => c.notNull())
      .addColumn('supersedes', 'text')
      .addColumn('prev_hash', 'text', (c) => c.notNull())
      .addColumn('hash', 'text', (c) => c.notNull())
      .addUniqueConstraint('pour_event_seq', ['pour_id', 'seq'])
      .execute();
    await db.schema
      .createTable('account')
      .addColumn('name', 'text', (c) => c.primaryKey())
      .addColumn('role', 'text', (c) => c.notNull())
      .addColumn('pin_hash', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('session')
      .addColumn('token_hash', 'text', (c) => c.primaryKey())
      .addColumn('account', 'text', (c) => c.notNull())
      .addColumn('device', 'text', (c) => c.notNull())
      .addColumn('expires_at', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('setting')
      .addColumn('name', 'text', (c) => c.primaryKey())
      .addColumn('value', 'text', (c) => c.notNull())
      .execute();
  },
};

const photos: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('photo')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('pour_id', 'text', (c) => c.notNull().references('pour.id'))
      .addColumn('width', 'integer', (c) => c.notNull())
      .addColumn('height', 'integer', (c) => c.notNull())
      .addColumn('bytes', 'integer', (c) => c.notNull())
      .addColumn('sha256', 'text', (c) => c.notNull())
      .addColumn('stored_by', 'text', (c) => c.notNull())
      .addColumn('stored_at', 'text', (c) => c.notNull())
      .execute();
  },
};

/** Opens the data file, durable before it answers (WAL, synchronous=FULL), and brings its tables up to date. */
export async function openDatabase(
  dataDir: string,
): Promise<{ db: Db; close: () => Promise<void> }> {
  fs.mkdirSync(dataDir, { recursive: true });
  const sqlite = new SqliteDatabase(path.join(dataDir, 'jactum.sqlite'));
  sqlite.pragma('journal_mode = WAL');
  sqlite.pragma('synchronous = FULL');
  sqlite.pragma('foreign_keys = ON');
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: sqlite }) });
  const { error } = await new Migrator({
    db,
    provider: {
      getMigrations: () => Promise.resolve({ '001-first': first, '002-photos': photos }),
    },
  }).migrateToLatest();
  if (error)
    throw error instanceof Error
      ? error
      : new Error('the data file could not be brought up to date');
  return {
    db,
    close: async () => {
      sqlite.pragma('wal_checkpoint(TRUNCATE)');
      await db.destroy();
    },
  };
}

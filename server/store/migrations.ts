import { sql, type Kysely, type Migration } from 'kysely';
import { nameKey } from '#core/kit';
import { keepClosedPlans } from './kept-plans.ts';
import type { Tables } from './tables.ts';

/** Adds a column, unless an upgrade that was cut off, before upgrades were whole, has added it. */
async function addColumn(
  db: Kysely<unknown>,
  table: string,
  name: string,
  type: 'text' | 'integer' = 'text',
  standing?: number,
): Promise<void> {
  const { rows } =
    await sql`select 1 from pragma_table_info(${table}) where name = ${name}`.execute(db);
  if (rows.length > 0) return;
  await db.schema
    .alterTable(table)
    .addColumn(name, type, (c) => (standing === undefined ? c : c.notNull().defaultTo(standing)))
    .execute();
}

const first: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('site')
      .ifNotExists()
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('doc', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('pour')
      .ifNotExists()
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
      .addColumn('version', 'integer', (c) => c.notNull())
      .addColumn('doc', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('pour_event')
      .ifNotExists()
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
      .ifNotExists()
      .addColumn('name', 'text', (c) => c.primaryKey())
      .addColumn('role', 'text', (c) => c.notNull())
      .addColumn('pin_hash', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('session')
      .ifNotExists()
      .addColumn('token_hash', 'text', (c) => c.primaryKey())
      .addColumn('account', 'text', (c) => c.notNull())
      .addColumn('device', 'text', (c) => c.notNull())
      .addColumn('expires_at', 'text', (c) => c.notNull())
      .execute();
    await db.schema
      .createTable('setting')
      .ifNotExists()
      .addColumn('name', 'text', (c) => c.primaryKey())
      .addColumn('value', 'text', (c) => c.notNull())
      .execute();
  },
};

const photos: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('photo')
      .ifNotExists()
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

/** People get an id, can be shut out or gone, and wrong PINs are counted. */
const people: Migration = {
  async up(db: Kysely<unknown>) {
    await addColumn(db, 'account', 'id');
    for (const name of ['locked', 'removed', 'wrong', 'guesses'])
      await addColumn(db, 'account', name, 'integer', 0);
    for (const name of ['wrong_at', 'wait_until', 'seen_at']) await addColumn(db, 'account', name);
    await sql`update account set id = lower(hex(randomblob(16))) where id is null`.execute(db);
    await db.schema
      .createIndex('account_id')
      .ifNotExists()
      .on('account')
      .column('id')
      .unique()
      .execute();
  },
};

/** What is asked at every entry is found without looking through the log. */
const indexes: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createIndex('pour_event_kind')
      .ifNotExists()
      .on('pour_event')
      // The kind first: by the pour first it would be taken for the order of the log, which is by number.
      .columns(['kind', 'pour_id'])
      .execute();
    await db.schema
      .createIndex('pour_event_supersedes')
      .ifNotExists()
      .on('pour_event')
      .column('supersedes')
      .execute();
  },
};

/** Somebody may be here for one site or one hold point alone; a picture may lie under the plan of a site. */
const begin: Migration = {
  async up(db: Kysely<unknown>) {
    await addColumn(db, 'account', 'invited');
    await db.schema
      .createTable('underlay')
      .ifNotExists()
      .addColumn('site_id', 'text', (c) => c.primaryKey().references('site.id'))
      .addColumn('picture', 'text', (c) => c.notNull())
      .addColumn('width', 'integer', (c) => c.notNull())
      .addColumn('height', 'integer', (c) => c.notNull())
      .addColumn('placement', 'text', (c) => c.notNull())
      .execute();
  },
};

/** Few entries correct another: only those are found by what they correct, and the others cost nothing for it. */
const corrections: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema.dropIndex('pour_event_supersedes').ifExists().execute();
    await sql`create index if not exists pour_event_supersedes on pour_event (supersedes, pour_id) where supersedes is not null`.execute(
      db,
    );
  },
};

/** What is written later than it happened says both times. */
const written: Migration = {
  async up(db: Kysely<unknown>) {
    await addColumn(db, 'pour_event', 'written_at');
  },
};

/** Names are told apart by how they look; wrong PINs are counted by where they come from. */
const lookAlikes: Migration = {
  async up(db: Kysely<unknown>) {
    await addColumn(db, 'account', 'name_key');
    const typed = db as Kysely<Pick<Tables, 'account'>>;
    for (const { name } of await typed.selectFrom('account').select('name').execute())
      await typed
        .updateTable('account')
        .set({ name_key: nameKey(name) })
        .where('name', '=', name)
        .execute();
    // Those that look alike already stay: a new one is refused.
    await db.schema
      .createIndex('account_name_key')
      .ifNotExists()
      .on('account')
      .column('name_key')
      .execute();
    for (const column of ['wrong', 'wait_until'])
      await db.schema.alterTable('account').dropColumn(column).execute();
    await db.schema
      .createTable('pin_try')
      .ifNotExists()
      .addColumn('name_key', 'text', (c) => c.notNull())
      .addColumn('from_key', 'text', (c) => c.notNull())
      .addColumn('wrong', 'integer', (c) => c.notNull())
      .addColumn('wait_until', 'text')
      .addColumn('at', 'text', (c) => c.notNull())
      .addPrimaryKeyConstraint('pin_try_key', ['name_key', 'from_key'])
      .execute();
  },
};

/** What was signed, begun or closed keeps the plan it was made on. */
const keptPlans: Migration = {
  async up(db: Kysely<unknown>) {
    await addColumn(db, 'pour_event', 'plan_hash');
    await db.schema
      .createTable('kept_plan')
      .ifNotExists()
      .addColumn('hash', 'text', (c) => c.primaryKey())
      .addColumn('doc', 'text', (c) => c.notNull())
      .execute();
  },
};

/** What was closed before that keeps the plan as it is at the upgrade. */
const closedPlans: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('closed_plan')
      .ifNotExists()
      .addColumn('pour_id', 'text', (c) => c.primaryKey().references('pour.id').onDelete('cascade'))
      .addColumn('hash', 'text', (c) => c.notNull())
      .execute();
    await keepClosedPlans(db);
  },
};

/** Steps from an empty file to the tables of today, in their order. */
export const MIGRATIONS: Record<string, Migration> = {
  '001-first': first,
  '002-photos': photos,
  '003-people': people,
  '004-indexes': indexes,
  '005-begin': begin,
  '006-corrections': corrections,
  '007-written': written,
  '008-look-alikes': lookAlikes,
  '009-kept-plans': keptPlans,
  '010-closed-plans': closedPlans,
};

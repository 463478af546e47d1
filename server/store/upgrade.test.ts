import { afterAll, describe, expect, test } from '@jest/globals';
import SqliteDatabase from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { openDatabase } from './database.ts';
import { closedOn } from './kept-plans.ts';
import { MIGRATIONS } from './migrations.ts';

const dirs: string[] = [];
const fresh = (): string => {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-upgrade-'));
  dirs.push(dir);
  return dir;
};
afterAll(() => {
  for (const dir of dirs) fs.rmSync(dir, { recursive: true, force: true });
});
const STEPS = Object.keys(MIGRATIONS);
const fileIn = (dir: string) => path.join(dir, 'jactum.sqlite');

/** A folder as an earlier version left it: brought through the first so many steps. */
async function earlier(steps: number): Promise<string> {
  const dir = fresh();
  const later = Object.entries(MIGRATIONS).slice(steps);
  for (const [name] of later) delete MIGRATIONS[name];
  try {
    await (await openDatabase(dir)).close();
  } finally {
    for (const [name, step] of later) MIGRATIONS[name] = step;
  }
  const db = new SqliteDatabase(fileIn(dir));
  if (steps >= 3)
    db.prepare(
      "insert into account (name, role, pin_hash, id) values ('A. Ness', 'foreman', 'x', 'a')",
    ).run();
  db.close();
  return dir;
}
const stepsOf = (dir: string): string[] => {
  const db = new SqliteDatabase(fileIn(dir), { readonly: true });
  const rows = db.prepare('select name from kysely_migration order by name').all();
  db.close();
  return (rows as { name: string }[]).map((r) => r.name);
};

describe('an upgrade', () => {
  test('keeps the file as it was beside the backups, and brings it to today', async () => {
    const dir = await earlier(5);
    const { db, close } = await openDatabase(dir);
    expect(await db.selectFrom('account').select(['name', 'name_key']).execute()).toEqual([
      { name: 'A. Ness', name_key: 'a. ness' },
    ]);
    await close();
    expect(stepsOf(dir)).toEqual(STEPS);
    const [kept] = fs.readdirSync(path.join(dir, 'backups'));
    expect(kept).toBe(`before-${STEPS.at(-1) ?? ''}.sqlite`);
    const before = new SqliteDatabase(path.join(dir, 'backups', kept ?? ''), { readonly: true });
    expect(before.prepare('select count(*) as n from kysely_migration').get()).toEqual({ n: 5 });
    before.close();
    // A new file, and one of today, are none.
    await (await openDatabase(dir)).close();
    expect(fs.readdirSync(path.join(dir, 'backups'))).toHaveLength(1);
  });

  test.each(STEPS.map((name, i) => [i, name] as const).slice(1))(
    'that fails after step %d changes nothing, and is done whole the next time',
    async (steps, failing) => {
      const dir = await earlier(steps);
      const step = MIGRATIONS[failing];
      if (!step) throw new Error(failing);
      MIGRATIONS[failing] = {
        up: async (db) => {
          await step.up(db);
          throw new Error('cut off');
        },
      };
      await expect(openDatabase(dir)).rejects.toThrow('cut off');
      MIGRATIONS[failing] = step;
      expect(stepsOf(dir)).toEqual(STEPS.slice(0, steps));
      await (await openDatabase(dir)).close();
      expect(stepsOf(dir)).toEqual(STEPS);
    },
  );

  test('keeps the plan of a pour that was closed before: what is changed later is not its own', async () => {
    const dir = await earlier(8);
    const old = new SqliteDatabase(fileIn(dir));
    old.exec("insert into site (id, name, version, doc) values ('s', 'Old', 3, '{}')");
    const pour = old.prepare("insert into pour (id, site_id, version, doc) values (?, 's', 1, ?)");
    const entry = old.prepare(`insert into pour_event (id, pour_id, seq, at, recorded_at, actor,
      device, kind, body, prev_hash, hash, supersedes)
      values (?, ?, ?, '', '', 'A', 'd', ?, '{}', '', '', ?)`);
    for (const id of ['closed', 'open', 'opened']) pour.run(id, '{"title":"as it was"}');
    entry.run('c1', 'closed', 1, 'close', null);
    entry.run('c2', 'opened', 1, 'close', null);
    entry.run('c3', 'opened', 2, 'supersede', 'c2');
    old.close();
    const { db, close } = await openDatabase(dir);
    await db.updateTable('pour').set({ doc: '{"title":"changed"}' }).execute();
    expect(await closedOn(db, 'closed')).toMatchObject({
      siteVersion: 3,
      pour: { title: 'as it was' },
    });
    expect(await closedOn(db, 'open')).toBeNull();
    expect(await closedOn(db, 'opened')).toBeNull();
    await close();
  });

  test('that an earlier version left half done is carried on', async () => {
    const dir = await earlier(6);
    const db = new SqliteDatabase(fileIn(dir));
    db.exec('alter table pour_event add column written_at text');
    db.close();
    await (await openDatabase(dir)).close();
    expect(stepsOf(dir)).toEqual(STEPS);
  });
});

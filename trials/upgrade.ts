import SqliteDatabase from 'better-sqlite3';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { openDatabase } from '../server/store/database.ts';
import { MIGRATIONS } from '../server/store/migrations.ts';
import { sleep, Verdicts } from './server.ts';

/** The steps that the data of the first version in use had been brought through. */
const OLD_STEPS = 4;
const ROWS = 20_000;
const SITE = '00000000-0000-7000-8000-000000000001';

/** A store of an earlier version with entries in it; one of a file of its own where OLD_STORE names it. */
async function oldStore(dir: string): Promise<void> {
  const given = process.env.OLD_STORE;
  if (given) {
    fs.copyFileSync(given, path.join(dir, 'jactum.sqlite'));
    return;
  }
  const later = Object.entries(MIGRATIONS).slice(OLD_STEPS);
  for (const [name] of later) delete MIGRATIONS[name];
  await (await openDatabase(dir)).close();
  for (const [name, step] of later) MIGRATIONS[name] = step;
  const db = new SqliteDatabase(path.join(dir, 'jactum.sqlite'));
  db.prepare("insert into site values (?, 'Old', 1, '{}')").run(SITE);
  db.prepare("insert into pour values (?, ?, 1, '{}')").run(SITE, SITE);
  const entry =
    db.prepare(`insert into pour_event (id, pour_id, seq, at, recorded_at, actor, device,
    kind, body, prev_hash, hash) values (?, ?, ?, '', '', 'A', 'd', 'note', '{}', '', '')`);
  db.transaction(() => {
    for (let i = 1; i <= ROWS; i += 1) entry.run(`e${i}`, SITE, i);
  })();
  db.close();
}

const countOf = (dir: string): number => {
  const db = new SqliteDatabase(path.join(dir, 'jactum.sqlite'), { readonly: true });
  const { n } = db.prepare('select count(*) as n from pour_event').get() as { n: number };
  db.close();
  return n;
};

const start = (dir: string, port: number) =>
  spawn(process.execPath, ['dist/server/main.js'], {
    env: { ...process.env, PORT: String(port), DATA_DIR: dir, LOG_LEVEL: 'silent', BACKUPS: '0' },
    stdio: 'ignore',
  });

/** Whether a start comes to answer. */
async function answers(dir: string, port: number): Promise<boolean> {
  const child = start(dir, port);
  const exit = once(child, 'exit');
  for (let i = 0; i < 400 && child.exitCode === null; i += 1) {
    const up = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null);
    if (up?.ok) {
      child.kill('SIGTERM');
      await exit;
      return true;
    }
    await sleep(25);
  }
  child.kill('SIGKILL');
  return false;
}

/** An upgrade takes about so long from its first write on, ms. */
const SPREAD_MS = 160;

/** Waits for the first thing that an upgrade writes: the copy of the store from before. */
async function begun(dir: string): Promise<void> {
  const backups = path.join(dir, 'backups');
  for (let tries = 0; tries < 5000 && !fs.existsSync(backups); tries += 1) await sleep(1);
}

/** Kills starts that upgrade a store of an earlier version, at moments spread over it: each starts again, with all it had. */
export async function upgrade(times: number): Promise<void> {
  const verdicts = new Verdicts();
  const made = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-old-'));
  await oldStore(made);
  const before = countOf(made);
  const port = 20_000 + Math.floor(Math.random() * 5000);
  let dead = 0;
  let lost = 0;
  let within = 0;
  for (let i = 0; i < times; i += 1) {
    const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-upgrade-'));
    fs.cpSync(made, dir, { recursive: true });
    const child = start(dir, port);
    const exit = once(child, 'exit');
    await begun(dir);
    await sleep((i * SPREAD_MS) / times);
    child.kill('SIGKILL');
    await exit;
    // A journal that is not empty: it was in the middle of something.
    const wal = path.join(dir, 'jactum.sqlite-wal');
    if (fs.existsSync(wal) && fs.statSync(wal).size > 0) within += 1;
    if (!(await answers(dir, port))) dead += 1;
    else lost += before - countOf(dir);
    fs.rmSync(dir, { recursive: true, force: true });
  }
  fs.rmSync(made, { recursive: true, force: true });
  verdicts.say('upgrades killed', times);
  verdicts.say('in the middle of one', within);
  verdicts.say('that do not start again', dead, dead === 0);
  verdicts.say('entries lost', lost, lost === 0);
  verdicts.end();
}

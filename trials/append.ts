import SqliteDatabase from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuid } from 'uuid';
import { testApi } from '../server/testing/api.ts';
import { noteOf, Verdicts } from './server.ts';

/** Of many times the middle one, s. */
const middleOf = (list: number[]): number =>
  list.sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/** A row at a time into SQLite with the store's own durability: the yardstick, s an entry. */
function bareS(times: number): number {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-bare-'));
  const db = new SqliteDatabase(path.join(dir, 'bare.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.exec('create table entry (id text primary key, pour text, at text, kind text, body text)');
  const insert = db.prepare('insert into entry values (?, ?, ?, ?, ?)');
  const took = Array.from({ length: times }, (_, i) => {
    const from = performance.now();
    insert.run(uuid(), 'p', new Date().toISOString(), 'note', JSON.stringify({ text: `${i}` }));
    return (performance.now() - from) / 1000;
  });
  db.close();
  fs.rmSync(dir, { recursive: true, force: true });
  return middleOf(took);
}

/**
 * What an entry takes until it is kept for good, chained and acknowledged, against a bare row with
 * the same durability.
 */
export async function append(times: number): Promise<void> {
  const verdicts = new Verdicts();
  const api = await testApi();
  const pour = await api.idOf('P4');
  const took: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const event = { ...noteOf(uuid(), `${i}`), at: new Date().toISOString() };
    const from = performance.now();
    await api.events.append(pour, [event] as never, { actor: 'I. Brandvold', device: 'trial' });
    took.push((performance.now() - from) / 1000);
  }
  await api.end();
  const [ours, bare] = [middleOf(took), bareS(times)];
  verdicts.say('an entry kept for good, ms', (ours * 1000).toFixed(3));
  verdicts.say('a bare row with the same durability, ms', (bare * 1000).toFixed(3));
  verdicts.say('times as long, wanted 2 at most', (ours / bare).toFixed(2), ours <= 2 * bare);
  verdicts.end();
}

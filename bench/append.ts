import SqliteDatabase from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuid } from 'uuid';
import { testApi } from '../server/testing/api.ts';

const ENTRIES = 400;

/** Of many times the middle one, s. */
const middleOf = (list: number[]): number =>
  list.sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/** A row at a time into SQLite with the store's own durability: the yardstick, s an entry. */
function bareS(): number {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-bare-'));
  const db = new SqliteDatabase(path.join(dir, 'bare.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.exec('create table entry (id text primary key, pour text, at text, kind text, body text)');
  const insert = db.prepare('insert into entry values (?, ?, ?, ?, ?)');
  const took = Array.from({ length: ENTRIES }, (_, i) => {
    const from = performance.now();
    insert.run(uuid(), 'p', new Date().toISOString(), 'note', JSON.stringify({ text: `${i}` }));
    return (performance.now() - from) / 1000;
  });
  db.close();
  fs.rmSync(dir, { recursive: true, force: true });
  return middleOf(took);
}

/** What an entry takes until it is kept for good, chained and acknowledged, against a bare row with the same durability. */
export async function appendFigure(): Promise<{ s: number; bareS: number }> {
  const api = await testApi();
  const pour = await api.idOf('P4');
  const took: number[] = [];
  for (let i = 0; i < ENTRIES; i += 1) {
    const event = {
      id: uuid(),
      at: new Date().toISOString(),
      kind: 'note' as const,
      body: { text: `${i}` },
    };
    const from = performance.now();
    await api.events.append(pour, [event] as never, { actor: 'I. Brandvold', device: 'bench' });
    took.push((performance.now() - from) / 1000);
  }
  await api.end();
  return { s: middleOf(took), bareS: bareS() };
}

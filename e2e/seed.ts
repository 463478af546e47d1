import Database from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { DemoServer } from './server.ts';

/** Seeds the demo once for all tests: each starts on a copy of its own. Answers how to clear it away. */
export default async function seed(): Promise<() => void> {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-seeded-'));
  const server = new DemoServer(20_999, dir);
  await server.start();
  await server.stop('SIGTERM');
  // The demo's morning begins with each test, not with this.
  const db = new Database(path.join(dir, 'jactum.sqlite'));
  db.prepare("DELETE FROM setting WHERE name = 'clock_offset_ms'").run();
  db.close();
  process.env.JACTUM_SEEDED = dir;
  return () => {
    fs.rmSync(dir, { recursive: true, force: true });
  };
}

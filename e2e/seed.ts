import Database from 'better-sqlite3';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { SessionAnswer } from '../contract/index.ts';
import { DemoServer } from './server.ts';

/** The cookie of each of the demo's people, who have signed in before any test begins. */
async function sessionsOf(server: DemoServer): Promise<Record<string, string>> {
  const { demo } = (await (await fetch(`${server.url}/api/session`)).json()) as SessionAnswer;
  const cookies: Record<string, string> = {};
  for (const { name, pin } of demo?.accounts ?? []) {
    const answer = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ name, pin }),
    });
    cookies[name] = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
  }
  return cookies;
}

/** Seeds the demo once for all tests: each starts on a copy of its own. Answers how to clear it away. */
export default async function seed(): Promise<() => void> {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-seeded-'));
  const server = new DemoServer(20_999, dir);
  await server.start();
  process.env.JACTUM_SESSIONS = JSON.stringify(await sessionsOf(server));
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

import SqliteDatabase from 'better-sqlite3';
import express from 'express';
import fs from 'node:fs';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuid } from 'uuid';
import { noteOf, sleep, TrialServer, Verdicts } from './server.ts';

const DEVICES = 20;
const A_SECOND = 5;

/** Seconds the host has taken from this machine's cores since it started; 0 where that is not told. */
function takenByHostS(): number {
  if (!fs.existsSync('/proc/stat')) return 0;
  const steal = fs.readFileSync('/proc/stat', 'utf8').split('\n')[0]?.split(/\s+/)[8];
  return Number(steal ?? 0) / 100;
}
/** With more of a minute than this taken the waits are the host's, and say nothing of the server, s. */
const MOST_TAKEN_S = 1;

const quantile = (list: number[], q: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * q))] ?? 0;

/** Sends at a steady pace, whatever the answers take; answers how long each took, ms. */
async function pace(seconds: number, send: () => Promise<void>): Promise<number[]> {
  const times: number[] = [];
  const under: Promise<void>[] = [];
  const end = performance.now() + seconds * 1000;
  await sleep(Math.random() * (1000 / A_SECOND));
  while (performance.now() < end) {
    const started = performance.now();
    under.push(
      send().then(() => {
        times.push(performance.now() - started);
      }),
    );
    await sleep(1000 / A_SECOND - (performance.now() - started));
  }
  await Promise.all(under);
  return times;
}

/** Bare Express over SQLite with the same durability, in a process like this one: the yardstick. */
async function bare(seconds: number): Promise<number[]> {
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-bare-'));
  const db = new SqliteDatabase(path.join(dir, 'bare.sqlite'));
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.exec('create table entry (id text primary key, body text)');
  const insert = db.prepare('insert into entry values (?, ?)');
  const app = express().use(express.json());
  app.post('/', (req, res) => {
    const { events } = req.body as { events: { id: string }[] };
    for (const e of events) insert.run(e.id, JSON.stringify(e));
    res.json({ stored: events.map((e) => ({ id: e.id })) });
  });
  const server = app.listen(0, '127.0.0.1');
  await sleep(100);
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
  const all = await Promise.all(
    Array.from({ length: DEVICES }, () =>
      pace(seconds, async () => {
        const res = await fetch(url, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ events: [noteOf(uuid(), 'bare')] }),
        });
        await res.arrayBuffer();
      }),
    ),
  );
  server.closeAllConnections();
  server.close();
  db.close();
  fs.rmSync(dir, { recursive: true, force: true });
  return all.flat();
}

/** Listens to a pour; what is heard is put down by id. */
async function hear(
  server: TrialServer,
  cookie: string,
  pour: string,
  heard: Set<string>,
  stop: AbortSignal,
): Promise<void> {
  const res = await fetch(`${server.url}/api/pours/${pour}/stream?after=0`, {
    headers: { cookie },
    signal: stop,
  });
  const decoder = new TextDecoder();
  let text = '';
  try {
    for await (const part of res.body as unknown as AsyncIterable<Uint8Array>) {
      text += decoder.decode(part, { stream: true });
      const whole = text.split('\n\n');
      text = whole.pop() ?? '';
      for (const m of whole) {
        const data = /^data: (\{"id".*)$/m.exec(m)?.[1];
        if (data) heard.add((JSON.parse(data) as { id: string }).id);
      }
    }
  } catch {
    /* told to stop */
  }
}

const rssMb = (pid: number): number => {
  const status = fs.readFileSync(`/proc/${pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
};

/** Twenty devices, five entries a second each, all listening: none lost, all told, about as fast as it can be. */
export async function crowd(seconds: number): Promise<void> {
  const verdicts = new Verdicts();
  const takenBefore = takenByHostS();
  const server = await TrialServer.made();
  const cookies: string[] = [];
  for (let i = 0; i < DEVICES; i += 1) cookies.push(await server.signIn('crew'));
  const pour = await server.pourId(cookies[0] ?? '', 'P4');
  const sent = new Set<string>();
  const stop = new AbortController();
  const heard = cookies.map(() => new Set<string>());
  const ears = cookies.map((c, i) => hear(server, c, pour, heard[i] as Set<string>, stop.signal));
  await sleep(500);
  const before = rssMb(server.pid);
  let unheard = 0;
  const memory: number[] = [];
  const watch = setInterval(() => {
    memory.push(rssMb(server.pid));
  }, 10_000);
  const times = (
    await Promise.all(
      cookies.map((cookie) =>
        pace(seconds, async () => {
          const e = noteOf(uuid(), 'in a crowd');
          const res = await server
            .call(cookie, 'POST', `/api/pours/${pour}/events`, { events: [e] })
            .catch(() => null);
          if (!res) {
            // A machine that is busy with something else lets its own calls run out.
            unheard += 1;
            return;
          }
          await res.arrayBuffer();
          if (res.ok) sent.add(e.id);
        }),
      ),
    )
  ).flat();
  await sleep(1500);
  clearInterval(watch);
  const after = rssMb(server.pid);
  const log = (await (
    await server.call(cookies[0] ?? '', 'GET', `/api/pours/${pour}/events`)
  ).json()) as { id: string }[];
  stop.abort();
  await Promise.all(ears);
  await server.end();
  const there = new Set(log.map((e) => e.id));
  const lost = [...sent].filter((id) => !there.has(id)).length;
  const untold = heard.reduce((n, h) => n + [...sent].filter((id) => !h.has(id)).length, 0);
  const yard = await bare(Math.min(seconds, 60));
  const [own, least] = [quantile(times, 0.99), quantile(yard, 0.99)];
  verdicts.say('entries', sent.size);
  verdicts.say('calls that ran out', unheard);
  verdicts.say('lost', lost, lost === 0);
  verdicts.say('not told to somebody who listens', untold, untold === 0);
  verdicts.say(
    'half of them within, ms',
    `${quantile(times, 0.5).toFixed(1)} (bare ${quantile(yard, 0.5).toFixed(1)})`,
  );
  const taken = takenByHostS() - takenBefore;
  const disturbed = taken > (MOST_TAKEN_S * (seconds + Math.min(seconds, 60))) / 60;
  verdicts.say('taken from the cores by the host, s', taken.toFixed(1));
  verdicts.say(
    '99 of 100 within, ms',
    `${own.toFixed(1)} (bare ${least.toFixed(1)}, × ${(own / least).toFixed(2)})${disturbed ? ', which says nothing: try again on a quiet machine' : ''}`,
    disturbed || own <= 2 * least,
  );
  verdicts.say(
    'memory, MB',
    `${before.toFixed(0)} before, ${memory.map((m) => m.toFixed(0)).join(' ')}, ${after.toFixed(0)} after`,
  );
  verdicts.end();
}

import fs from 'node:fs';
import net from 'node:net';
import { v7 as uuid } from 'uuid';
import { noteOf, sleep, TrialServer, Verdicts } from './server.ts';

/** As many listeners as one session may have. */
const A_SESSION = 6;
/** What listeners who never read are told: more than a socket and the kernel take between them. */
const ENTRIES = 4000;
const BATCH = 20;
const WORDS = 'x'.repeat(900);
/** What they may cost the server, MB. */
const MOST_MB = 120;

const memoryMB = (pid: number): number => {
  const status = fs.readFileSync(`/proc/${pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
};

/** Asks for a pour's stream and then never reads. */
function unread(server: TrialServer, cookie: string, pour: string): net.Socket {
  const socket = net.connect(server.port, '127.0.0.1');
  socket.on('error', () => undefined);
  socket.write(
    `GET /api/pours/${pour}/stream HTTP/1.1\r\nHost: 127.0.0.1:${server.port}\r\nCookie: ${cookie}\r\n\r\n`,
  );
  socket.pause();
  return socket;
}

/** So many listeners who never read while entries come: what they cost, and that the others are served. */
export async function streams(n: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const foreman = await server.signIn('foreman');
  const pour = await server.pourId(foreman, 'P4');
  await sleep(1000);
  const before = memoryMB(server.pid);
  const sockets: net.Socket[] = [];
  while (sockets.length < n) {
    const cookie = await server.signIn('viewer');
    for (let i = 0; i < A_SESSION && sockets.length < n; i += 1)
      sockets.push(unread(server, cookie, pour));
  }
  await sleep(500);
  let most = 0;
  let refused = 0;
  for (let sent = 0; sent < ENTRIES; sent += BATCH) {
    const events = Array.from({ length: BATCH }, () => noteOf(uuid(), WORDS));
    const res = await server.call(foreman, 'POST', `/api/pours/${pour}/events`, { events });
    if (!res.ok) refused += 1;
    await res.arrayBuffer();
    most = Math.max(most, memoryMB(server.pid));
  }
  verdicts.say('listeners who never read', sockets.length);
  verdicts.say('posts refused beside them', refused, refused === 0);
  const grown = most - before;
  verdicts.say(
    'memory, MB',
    `${before.toFixed(0)} before, ${most.toFixed(0)} at most`,
    grown < MOST_MB,
  );
  for (const s of sockets) s.destroy();
  await server.end();
  verdicts.end();
}

import { v7 as uuid } from 'uuid';
import { verifyExport } from '../server/log/chain.ts';
import { noteOf, sleep, TrialServer, Verdicts } from './server.ts';

const WRITERS = 4;
const BATCH = 5;

/** Writes without pause until the server is gone; what was acknowledged is put down. */
async function write(
  server: TrialServer,
  cookie: string,
  pour: string,
  acknowledged: Set<string>,
): Promise<void> {
  for (;;) {
    const events = Array.from({ length: BATCH }, () => noteOf(uuid(), 'while it may be killed'));
    try {
      const res = await server.call(cookie, 'POST', `/api/pours/${pour}/events`, { events });
      if (!res.ok) return;
      await res.arrayBuffer();
    } catch {
      return;
    }
    for (const e of events) acknowledged.add(e.id);
  }
}

/** Kills the server at any moment while it is written to, so many times: nothing acknowledged is lost or doubled. */
export async function kill(times: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const acknowledged = new Set<string>();
  const cookie = await server.signIn('foreman');
  const pour = await server.pourId(cookie, 'P4');
  for (let i = 0; i < times; i += 1) {
    const writers = Array.from({ length: WRITERS }, () =>
      write(server, cookie, pour, acknowledged),
    );
    await sleep(20 + Math.random() * 250);
    await server.stop('SIGKILL');
    await Promise.all(writers);
    await server.start();
    if ((i + 1) % 20 === 0) console.log(`  ${i + 1} kills, ${acknowledged.size} acknowledged`);
  }
  const log = (await (await server.call(cookie, 'GET', `/api/pours/${pour}/events`)).json()) as {
    id: string;
  }[];
  const ids = log.map((e) => e.id);
  const there = new Set(ids);
  const lost = [...acknowledged].filter((id) => !there.has(id)).length;
  const text = await (await server.call(cookie, 'GET', `/api/pours/${pour}/log.jsonl`)).text();
  const chain = verifyExport(text.trim().split('\n'));
  verdicts.say('kills', times);
  verdicts.say('acknowledged', acknowledged.size, acknowledged.size > 0);
  verdicts.say('lost', lost, lost === 0);
  verdicts.say('doubled', ids.length - there.size, ids.length === there.size);
  verdicts.say('chain', chain.ok ? 'whole' : 'broken', chain.ok);
  await server.end();
  verdicts.end();
}

import { Worker } from 'node:worker_threads';
import { sleep, TrialServer, Verdicts } from './server.ts';

/** Nobody waits longer for a small thing beside it, ms. */
const MOST_BESIDE_MS = 100;

/** Tries to sign in from a thread of its own: what it takes to ask is not to be taken for a wait. */
const TRIES = `
  const { parentPort, workerData: { url, count } } = require('node:worker_threads');
  Promise.all(Array.from({ length: count }, async (_, i) => (await fetch(url + '/api/session', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Nobody ' + i, pin: '0000' }),
  })).status)).then((all) => parentPort.postMessage(all));
`;
const triesAtOnce = (url: string, count: number): Promise<number[]> =>
  new Promise((resolve, reject) => {
    const worker = new Worker(TRIES, { eval: true, workerData: { url, count } });
    worker.once('message', resolve);
    worker.once('error', reject);
  });

/** So many sign-ins that never match, at once: who is signed in goes on as if nothing were. */
export async function flood(count: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const cookie = await server.signIn('foreman');
  const ask = async () => {
    const from = performance.now();
    await (await server.call(cookie, 'GET', '/api/pours')).arrayBuffer();
    return performance.now() - from;
  };
  const waited = async (rounds: number) => {
    const waits: number[] = [];
    for (let i = 0; i < rounds; i += 1) {
      waits.push(await ask());
      await sleep(5);
    }
    return waits;
  };
  await waited(10);
  verdicts.say('longest wait before it, ms', Math.round(Math.max(...(await waited(40)))));
  let going = true;
  const tries = triesAtOnce(server.url, count).finally(() => {
    going = false;
  });
  const waits: number[] = [];
  while (going) waits.push(...(await waited(4)));
  const statuses = new Map<number, number>();
  for (const status of await tries) statuses.set(status, (statuses.get(status) ?? 0) + 1);
  const answered = [...statuses].map(([status, n]) => `${n} of ${status}`).join(', ');
  verdicts.say(
    `${count} sign-ins`,
    answered,
    [...statuses.keys()].every((s) => s < 500 || s === 503),
  );
  const worst = Math.round(Math.max(...waits));
  verdicts.say('longest wait beside them, ms', worst, worst <= MOST_BESIDE_MS);
  verdicts.end();
  await server.end();
}

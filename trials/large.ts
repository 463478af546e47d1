import fs from 'node:fs';
import { bigSite } from '../e2e/big-site.ts';
import { sleep, TrialServer, Verdicts } from './server.ts';

/** The longest that anything but a report and a card may take, and those, ms. */
const MOST_MS = 1000;
const MOST_PDF_MS = 5000;
/** Nobody else waits longer than this beside one of them, ms. */
const MOST_BESIDE_MS = 100;

interface Stored {
  id: string;
  pours: { id: string; code: string }[];
}

async function brought(server: TrialServer, cookie: string, pours: number): Promise<Stored> {
  const { file } = bigSite(32, 32, pours);
  const named = { ...(JSON.parse(file) as object), name: `${pours} pours, Stonebeck` };
  const res = await server.call(cookie, 'POST', '/api/sites/import', named);
  if (!res.ok) throw new Error(`not stored: ${res.status} ${await res.text()}`);
  return (await res.json()) as Stored;
}

/** Asks a small thing over and over until it is told to stop; answers the longest wait, ms. */
function beside(server: TrialServer, cookie: string): () => Promise<number> {
  let worst = 0;
  let over = false;
  const going = (async () => {
    while (!over) {
      const from = performance.now();
      await (await server.call(cookie, 'GET', '/api/session')).arrayBuffer();
      worst = Math.max(worst, performance.now() - from);
      await sleep(4);
    }
  })();
  return async () => {
    over = true;
    await going;
    return worst;
  };
}

/** What a server holds of the machine's memory, MB; 0 where that is not told. */
function memoryMb(pid: number): number {
  const file = `/proc/${pid}/status`;
  if (!fs.existsSync(file)) return 0;
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(file, 'utf8'))?.[1] ?? 0) / 1024);
}

/** A pour of 1 984 runs, and as many runs in so many pours: how long each request takes, and who waits beside it. */
export async function large(pours: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const cookie = await server.signIn('foreman');
  const one = await brought(server, cookie, 1);
  const many = await brought(server, cookie, pours);
  const [whole, tenth] = [one.pours[0]?.id ?? '', many.pours[0]?.id ?? ''];
  const asks = [
    '/api/sites',
    '/api/pours',
    `/api/sites/${many.id}/lanes`,
    `/api/sites/${many.id}/outline`,
    `/api/sites/${many.id}`,
    `/api/sites/${many.id}/export`,
    `/api/sites/${many.id}/calendar.ics`,
    `/api/sites/${many.id}/learned`,
    `/api/sites/${many.id}/plan.dxf`,
    ...[tenth, whole].flatMap((id) =>
      ['', '/takeoff.csv', '/rebar.csv', '/loads.csv', '/log.csv', '/figures'].map(
        (of) => `/api/pours/${id}${of}`,
      ),
    ),
    `/api/pours/${tenth}/card.pdf`,
    `/api/pours/${whole}/card.pdf`,
    `/api/pours/${whole}/report.pdf`,
  ];
  const first = performance.now();
  for (let more = true; more;) {
    const res = await server.call(cookie, 'GET', `/api/sites/${many.id}/lanes`);
    ({ more } = (await res.json()) as { more: boolean });
  }
  console.log(
    `  a list of ${pours} pours is whole after ${Math.round(performance.now() - first)} ms`,
  );
  console.log(`  memory before: ${memoryMb(server.pid)} MB`);
  for (const ask of asks) {
    const others = beside(server, cookie);
    const from = performance.now();
    const res = await server.call(cookie, 'GET', ask);
    const { byteLength } = await res.arrayBuffer();
    const took = performance.now() - from;
    const waited = await others();
    const most = ask.endsWith('.pdf') ? MOST_PDF_MS : MOST_MS;
    const name = ask.replace(whole, 'WHOLE').replace(tenth, 'TENTH').replace(many.id, 'MANY');
    verdicts.say(
      `${res.status} ${name}`,
      `${Math.round(took)} ms, ${Math.round(byteLength / 1000)} kB, others waited ${Math.round(waited)} ms`,
      res.ok && took <= most && waited <= MOST_BESIDE_MS,
    );
  }
  console.log(`  memory after: ${memoryMb(server.pid)} MB`);
  await sleep(150_000);
  console.log(`  memory two and a half minutes on: ${memoryMb(server.pid)} MB`);
  verdicts.end();
  await server.end();
}

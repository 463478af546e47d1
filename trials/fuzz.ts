import { filled, ROUTES } from './routes.ts';
import { TrialServer, Verdicts } from './server.ts';

/** A small generator of its own: the same seed asks the same. */
function dice(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s * 1664525 + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

const NASTY: unknown[] = [
  null,
  true,
  -1,
  0.1,
  1e308,
  -1e308,
  1e-308,
  Number.MAX_SAFE_INTEGER,
  '',
  'x'.repeat(5000),
  '\u0000\u0007\r\n  0\nENDSEC',
  '../../etc/passwd',
  "'; drop table pour_event; --",
  '<script>alert(1)</script>',
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: null, constructor: 'x' },
  Array.from({ length: 600 }, () => ({})),
];
const NAMES =
  'events id at kind body supersedes version settings plan rule value reason name pin role runs nodes code hold result planVersion entry old advanceMin pours mixes plants elements locked'.split(
    ' ',
  );

function body(roll: () => number, depth = 0): unknown {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)] as T;
  if (depth > 3 || roll() < 0.35) return pick(NASTY);
  if (roll() < 0.3)
    return Array.from({ length: Math.floor(roll() * 4) }, () => body(roll, depth + 1));
  return Object.fromEntries(
    Array.from({ length: 1 + Math.floor(roll() * 5) }, () => [pick(NAMES), body(roll, depth + 1)]),
  );
}

/** What is sent: JSON of any shape, or no JSON at all. */
function text(roll: () => number): string {
  if (roll() < 0.08) return '{"events":[';
  if (roll() < 0.04) return `${'['.repeat(20_000)}${']'.repeat(20_000)}`;
  return JSON.stringify(body(roll)) ?? 'null';
}

/** What moves with the time and is not stored. */
const NOT_KEPT = new Set(['seenAt', 'airBeforeC']);

/** A made-up site is made whatever is sent with the asking: no body of it is wrong. */
const MALFORMABLE = ROUTES.filter((r) => r.path !== '/api/sites/made-up');

/** Sends so many malformed requests to every address: none is stored, none breaks the server, none takes long. */
export async function fuzz(times: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const roll = dice(20260923);
  const cookie = await server.signIn('foreman');
  const pour = await server.pourId(cookie, 'P4');
  const site = (
    (await (await server.call(cookie, 'GET', '/api/sites')).json()) as { id: string }[]
  )[0];
  const state = async () =>
    Promise.all(
      [
        '/api/sites',
        '/api/pours',
        `/api/pours/${pour}`,
        `/api/pours/${pour}/events`,
        '/api/accounts',
      ].map(async (r) => {
        const rows = (await (await server.call(cookie, 'GET', r)).json()) as { seenAt?: string }[];
        return JSON.stringify(rows, (k, v: unknown) => (NOT_KEPT.has(k) ? undefined : v));
      }),
    );
  const before = await state();
  const counts = new Map<number, number>();
  let [slowest, broken] = [0, 0];
  for (let i = 0; i < times; i += 1) {
    const route = MALFORMABLE[Math.floor(roll() * MALFORMABLE.length)] as (typeof ROUTES)[number];
    // Addresses that are all right as they stand are asked amiss.
    // A report that is rightly asked for is work of seconds, and no malformed request.
    const amiss = roll() < 0.3 || route.path.endsWith('.pdf');
    const odd = amiss ? encodeURIComponent(String(NASTY[Math.floor(roll() * 12)])) : pour;
    const path = filled(route.path, odd.slice(0, 300), roll() < 0.2 ? 'none' : (site?.id ?? ''));
    const started = performance.now();
    const res = await fetch(`${server.url}${path}`, {
      method: route.method,
      headers: {
        cookie: roll() < 0.9 ? cookie : 'jactum_session=nobody',
        'Content-Type': roll() < 0.95 ? 'application/json' : 'text/plain',
      },
      ...(route.method === 'GET' ? {} : { body: text(roll) }),
    });
    // A stream never ends of itself.
    await (path.endsWith('/stream') ? res.body?.cancel() : res.arrayBuffer());
    slowest = Math.max(slowest, performance.now() - started);
    counts.set(res.status, (counts.get(res.status) ?? 0) + 1);
    if (res.status >= 500 && ![503, 507].includes(res.status)) {
      broken += 1;
      if (broken <= 5) console.log(`! ${res.status} ${route.method} ${path}`);
    }
  }
  const same = JSON.stringify(await state()) === JSON.stringify(before);
  verdicts.say('requests', times);
  verdicts.say(
    'answers',
    [...counts]
      .sort()
      .map(([s, n]) => `${s} × ${n}`)
      .join(', '),
  );
  verdicts.say('5xx but 503 and 507', broken, broken === 0);
  verdicts.say('slowest, ms', Math.round(slowest), slowest < 5000);
  verdicts.say('stored', same ? 'nothing' : 'SOMETHING', same);
  await server.end();
  verdicts.end();
}

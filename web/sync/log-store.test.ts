import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import 'fake-indexeddb/auto';
import type { StoredEvent } from '../../contract/index.ts';
import { entries } from '../../core/log/state.ts';
import type { LogStore } from './log-store.ts';
import { setSender } from './sender.ts';

/** The outbox against a server that comes, goes, answers late, refuses, and stores each id once. */
interface Sent {
  id: string;
  at: string;
  kind: string;
  body: { text?: string };
}
class FakeServer {
  readonly stored: StoredEvent[] = [];
  up = true;
  posts = 0;
  /** Tries to send, heard or not. */
  asked = 0;
  /** Stores, but its answer is lost on the way back. */
  loseAnswers = 0;
  refuse: (e: Sent) => boolean = () => false;

  readonly fetch = (url: string, init?: { method?: string; body?: string }): Promise<Response> => {
    if (init?.method === 'POST') this.asked += 1;
    if (!this.up) return Promise.reject(new TypeError('Failed to fetch'));
    if (init?.method !== 'POST') {
      const after = Number(new URL(url, 'http://x').searchParams.get('after'));
      return Promise.resolve(Response.json(this.stored.filter((e) => e.seq > after)));
    }
    this.posts += 1;
    const { events, by: sender } = JSON.parse(init.body ?? '{}') as { events: Sent[]; by: string };
    if (events.some(this.refuse))
      return Promise.resolve(
        Response.json(
          {
            type: 'about:blank',
            title: 'Bad input',
            status: 400,
            detail: 'The entry was not stored: body.text is empty.',
          },
          { status: 400 },
        ),
      );
    for (const e of events)
      if (!this.stored.some((s) => s.id === e.id))
        this.stored.push({
          ...e,
          pourId: url.split('/')[3] ?? 'p',
          seq: this.stored.length + 1,
          actor: sender,
          recordedAt: e.at,
          device: 'd',
          prevHash: '',
          hash: '',
        } as unknown as StoredEvent);
    if (this.loseAnswers > 0) {
      this.loseAnswers -= 1;
      return Promise.reject(new TypeError('network changed'));
    }
    return Promise.resolve(Response.json({ stored: [], known: [] }));
  };

  texts(): (string | undefined)[] {
    return this.stored.map((e) => (e.body as { text?: string }).text);
  }
}

let server: FakeServer;
let made = 0;
const opened: (() => void)[] = [];

/** A store of a pour of its own, as after the page was opened. */
async function openStore(pourId: string): Promise<LogStore> {
  const { LogStore: Store } = await import('./log-store.ts');
  const store = new Store(pourId);
  opened.push(store.subscribe(() => undefined));
  await until(() => store.snapshot().loaded);
  return store;
}
async function until(ok: () => boolean): Promise<void> {
  for (let i = 0; i < 400; i += 1) {
    if (ok()) return;
    await new Promise((r) => setTimeout(r, 10));
  }
  throw new Error('did not come about in four seconds');
}
const by = { actor: 'T. Oakes', nowMs: Date.parse('2026-09-23T12:00:00Z') };
const texts = (store: LogStore) => entries(store.snapshot().state, 'note').map((e) => e.body.text);

beforeEach(() => {
  setSender('T. Oakes');
  server = new FakeServer();
  made += 1;
  class Quiet extends EventTarget {
    readyState = 1;
    close() {
      this.readyState = 2;
    }
  }
  Object.assign(globalThis, {
    window: globalThis,
    fetch: server.fetch,
    EventSource: Object.assign(Quiet, { CLOSED: 2 }),
  });
  if (!('addEventListener' in globalThis))
    Object.assign(globalThis, {
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    });
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: { locks: { request: (_: string, run: () => Promise<void>) => run() } },
  });
});
afterEach(() => {
  for (const close of opened.splice(0)) close();
  jest.restoreAllMocks();
});

describe('an entry', () => {
  test('shows at once, is sent, and is confirmed', async () => {
    const store = await openStore(`p${made}`);
    await store.record('note', { text: 'first' }, by);
    expect(texts(store)).toEqual(['first']);
    await until(() => store.snapshot().unsent === 0);
    expect(server.texts()).toEqual(['first']);
    expect(store.snapshot().seq).toBe(1);
  });

  test('made without signal waits, survives a reload, and arrives once and in order', async () => {
    server.up = false;
    const store = await openStore(`p${made}`);
    for (const text of ['one', 'two', 'three'])
      await store.record('note', { text }, { ...by, nowMs: by.nowMs + store.snapshot().unsent });
    expect(store.snapshot().unsent).toBe(3);
    // The page is closed and opened again, still without signal.
    const again = await openStore(`p${made}`);
    expect(texts(again)).toEqual(['one', 'two', 'three']);
    expect(again.snapshot().unsent).toBe(3);
    server.up = true;
    await again.flush();
    await until(() => again.snapshot().unsent === 0);
    expect(server.texts()).toEqual(['one', 'two', 'three']);
  });

  test('whose answer was lost on the way is sent again and stored once', async () => {
    server.loseAnswers = 2;
    const store = await openStore(`p${made}`);
    await store.record('note', { text: 'stored, but nobody said so' }, by);
    await until(() => store.snapshot().unsent === 0);
    expect(server.posts).toBeGreaterThan(2);
    expect(server.texts()).toEqual(['stored, but nobody said so']);
    expect(texts(store)).toEqual(['stored, but nobody said so']);
  });

  test('that the server refuses does not hold back the others, and is kept with its reason', async () => {
    server.up = false;
    const store = await openStore(`p${made}`);
    for (const text of ['good', 'bad', 'also good']) await store.record('note', { text }, by);
    server.refuse = (e) => e.body.text === 'bad';
    server.up = true;
    await store.flush();
    await until(() => store.snapshot().unsent === 0);
    expect(server.texts()).toEqual(['good', 'also good']);
    expect(texts(store)).not.toContain('bad');
    const [refused] = store.snapshot().refused;
    expect(refused?.reason).toMatch(/body\.text is empty/);
    await store.dismiss(refused?.id ?? '');
    expect(store.snapshot().refused).toEqual([]);
  });

  test('of another device is taken once, with a gap filled by reading', async () => {
    const store = await openStore(`p${made}`);
    await store.record('note', { text: 'mine' }, by);
    await until(() => store.snapshot().unsent === 0);
    for (const text of ['theirs', 'theirs too'])
      await server.fetch('/api', {
        method: 'POST',
        body: JSON.stringify({
          events: [{ id: `x-${text}`, at: '2026-09-23T12:01:00Z', kind: 'note', body: { text } }],
        }),
      });
    await store.pull();
    await store.pull();
    expect(texts(store).sort()).toEqual(['mine', 'theirs', 'theirs too']);
    expect(store.snapshot().seq).toBe(3);
  });

  test('that corrects another takes its place at once', async () => {
    const store = await openStore(`p${made}`);
    const wrong = await store.record('note', { text: 'wrong' }, by);
    await store.record('note', { text: 'right' }, { ...by, supersedes: wrong });
    expect(texts(store)).toEqual(['right']);
    await until(() => store.snapshot().unsent === 0);
    expect(server.stored).toHaveLength(2);
  });
});

describe('one tablet, several hands', () => {
  test('what one person left unsent waits for them, and goes out under nobody else', async () => {
    server.up = false;
    const store = await openStore(`p${made}`);
    await store.record('note', { text: 'from Oakes' }, by);
    await until(() => server.asked > 0);
    setSender('I. Brandvold');
    server.up = true;
    await store.record('note', { text: 'from Brandvold' }, { ...by, actor: 'I. Brandvold' });
    await until(() => server.stored.length === 1);
    await until(() => store.snapshot().unsent === 1);
    expect(server.stored.map((e) => [e.actor, (e.body as { text: string }).text])).toEqual([
      ['I. Brandvold', 'from Brandvold'],
    ]);
    expect(store.snapshot()).toMatchObject({ unsent: 1, others: ['T. Oakes'] });
    setSender('T. Oakes');
    await until(() => server.stored.length === 2);
    expect(server.stored[1]).toMatchObject({ actor: 'T. Oakes', body: { text: 'from Oakes' } });
  });
});

test('without locks, as over plain http, entries are sent all the same', async () => {
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: {} });
  const store = await openStore(`p${made}`);
  await store.record('note', { text: 'over http' }, by);
  await until(() => store.snapshot().unsent === 0);
  expect(server.texts()).toEqual(['over http']);
});

describe('a server that was set back', () => {
  const add = (actor: string, text: string) => {
    const seq = server.stored.length + 1;
    server.stored.push({
      id: `${actor}${seq}`,
      at: '2026-09-23T12:00:00Z',
      kind: 'note',
      body: { text },
      supersedes: null,
      pourId: `p${made}`,
      seq,
      actor,
      recordedAt: '2026-09-23T12:00:00Z',
      device: 'd',
      prevHash: '',
      hash: '',
    } as unknown as StoredEvent);
  };
  test.each([0, 1])(
    'to %d entries is seen: its log is read anew, and one’s own is sent again',
    async (left) => {
      const store = await openStore(`p${made}`);
      add('L. Savary', 'theirs');
      await store.pull();
      await store.record('note', { text: 'mine' }, by);
      await until(() => store.snapshot().unsent === 0 && store.snapshot().seq === 2);
      server.stored.length = left;
      add('N. Haller', 'after');
      await store.pull();
      await until(() => store.snapshot().lost.length === 2 - left);
      expect(texts(store)).toEqual(left === 0 ? ['after'] : ['theirs', 'after']);
      expect(store.snapshot().seq).toBe(left + 1);
      await store.settleLost('T. Oakes');
      await until(() => store.snapshot().unsent === 0 && store.snapshot().seq === left + 2);
      expect(server.texts()).toEqual([...(left === 0 ? [] : ['theirs']), 'after', 'mine']);
      // What others made waits for them, or is left so.
      expect(store.snapshot().lost.map((e) => e.actor)).toEqual(left === 0 ? ['L. Savary'] : []);
      await store.settleLost(null);
      expect(store.snapshot().lost).toEqual([]);
      // A page that is opened now has the log as the server has it.
      expect(texts(await openStore(`p${made}`))).toEqual(texts(store));
    },
  );
  test('one that is only empty yet, or goes on, is none', async () => {
    const store = await openStore(`p${made}`);
    await store.pull();
    add('L. Savary', 'one');
    await store.pull();
    add('L. Savary', 'two');
    await store.pull();
    expect([store.snapshot().lost, texts(store)]).toEqual([[], ['one', 'two']]);
  });
});

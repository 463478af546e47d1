import type { PostEventsAnswer, StoredEvent } from '../../contract/index.ts';
import { type EventBody, type EventKind, replay, step } from '#core/log';
import { ApiProblem, getJson, isRefusal, sendJson } from './api.ts';
import { waitAfter } from './backoff.ts';
import { asNewEvent, localDb, type OutboxRow } from './local-db.ts';
import { asideOf, outboxOf, ownRows, refuseRow, waitingRows } from './outbox-rows.ts';
import { EMPTY_LOG, type LogSnapshot, type WrittenBy } from './log-snapshot.ts';
import { newEvent } from './new-event.ts';
import { onePerPour } from './one-per-pour.ts';
import { inOneTab } from './one-tab.ts';
import { openStream } from './log-stream.ts';
import { onSender } from './sender.ts';

/** Seldom wanted, and only with signal: fetched then. */
const setBack = () => import('./set-back.ts');
const BATCH = 200;
/**
 * One pour's log on this device. An entry is in IndexedDB before it shows, shows before it is sent, and stays in
 * the outbox until the server has answered for it; the same id is stored once however often it is sent.
 */
export class LogStore {
  readonly pourId: string;
  #snap: LogSnapshot = EMPTY_LOG;
  #confirmed: StoredEvent[] = [];
  #heard = new Set<() => void>();
  #stream: EventSource | null = null;
  #users = 0;
  #tries = 0;
  #timer: ReturnType<typeof setTimeout> | null = null;
  #flushing = false;
  /** Something was written while a flush was on its way: it may have looked before it was there. */
  #again = false;
  #order = Date.now();
  readonly #ready: Promise<void>;

  constructor(pourId: string) {
    this.pourId = pourId;
    this.#ready = this.#load();
    onSender(() => {
      void this.#ready.then(() => this.flush());
    });
  }

  snapshot = (): LogSnapshot => this.#snap;

  subscribe = (heard: () => void): (() => void) => {
    this.#heard.add(heard);
    this.#users += 1;
    if (this.#users === 1) {
      window.addEventListener('online', this.#wake);
      void this.#ready.then(() => {
        this.#wake();
      });
    }
    return () => {
      this.#heard.delete(heard);
      this.#users -= 1;
      if (this.#users === 0) {
        this.#stream?.close();
        this.#stream = null;
        window.removeEventListener('online', this.#wake);
      }
    };
  };

  /** Hears changes without opening a stream: for lists of pours, which only look in. */
  watch = (heard: () => void): (() => void) => {
    this.#heard.add(heard);
    return () => {
      this.#heard.delete(heard);
    };
  };

  #set(change: Partial<LogSnapshot>): void {
    this.#snap = { ...this.#snap, ...change };
    for (const heard of this.#heard) heard();
  }

  #wake = (): void => {
    this.#tries = 0;
    void this.flush();
    // What was missed is read in one go first; the stream brings what comes after.
    void this.pull()
      .catch(() => undefined)
      .then(() => {
        if (this.#users > 0 && !this.#stream) this.#listen();
      });
  };

  async #load(): Promise<void> {
    const db = await localDb();
    const kept = await db.getAll(
      'log',
      IDBKeyRange.bound([this.pourId, 0], [this.pourId, Infinity]),
    );
    const outbox = await outboxOf(this.pourId);
    this.#confirmed = kept;
    this.#set({
      state: replay([...kept, ...outbox.map((r) => r.event)]),
      seq: kept.at(-1)?.seq ?? 0,
      ...(await waitingRows(this.pourId)),
      ...(await asideOf(this.pourId)),
      loaded: true,
    });
  }

  /** Takes entries the server has stored, from a pull or the stream; each only once and without gaps. */
  async #take(events: StoredEvent[]): Promise<void> {
    const known = events.find((e) => e.seq <= this.#snap.seq);
    if (known && !this.#has(known)) {
      await this.#setBack();
      return;
    }
    const news = events.filter((e) => e.seq > this.#snap.seq).sort((a, b) => a.seq - b.seq);
    if (news.length === 0) return;
    if ((news[0]?.seq ?? 0) !== this.#snap.seq + 1) {
      await this.pull();
      return;
    }
    this.#confirmed.push(...news);
    this.#set({
      state: replay(news, this.#snap.state),
      seq: news.at(-1)?.seq ?? this.#snap.seq,
    });
    const tx = (await localDb()).transaction('log', 'readwrite');
    for (const e of news) void tx.store.put(e);
    await tx.done;
  }

  /** Reads what is new on the server. Throws when there is no signal. */
  async pull(): Promise<number> {
    await this.#ready;
    try {
      // The last one known is asked for too: a server that has another in its place was set back.
      const { seq } = this.#snap;
      const events = await this.#ask(Math.max(0, seq - 1));
      if (seq > 0 && events.length === 0) await this.#setBack();
      else await this.#take(events);
    } finally {
      // Without signal what is kept here is all that is known.
      if (!this.#snap.heard) this.#set({ heard: true });
    }
    return this.#snap.seq;
  }

  #ask(after: number): Promise<StoredEvent[]> {
    return getJson<StoredEvent[]>(`/api/pours/${this.pourId}/events?after=${after}`);
  }

  /** Whether an entry stands in the log here as it does there. */
  #has(e: StoredEvent): boolean {
    const own = this.#confirmed[e.seq - 1];
    return own?.id === e.id && own.hash === e.hash;
  }

  /**
   * The server has another log than it had: it was brought back from a backup. Its log is read anew,
   * and what it lacks of what was here is kept aside, to be sent again.
   */
  async #setBack(): Promise<void> {
    const events = await this.#ask(0);
    const { keepLost } = await setBack();
    await keepLost(this.pourId, this.#confirmed, events);
    this.#confirmed = events;
    this.#set({ seq: events.at(-1)?.seq ?? 0 });
    await this.#rebuild();
    // The stream goes on from a number that is another entry's now.
    if (!this.#stream) return;
    this.#stream.close();
    this.#listen();
  }

  #listen(): void {
    this.#stream = openStream(`/api/pours/${this.pourId}/stream?after=${this.#snap.seq}`, {
      entries: (news) => void this.#take(news),
      opened: () => void this.flush().then(() => this.pull().catch(() => 0)),
      ended: () => {
        this.#stream = null;
        setTimeout(() => {
          if (this.#users > 0 && !this.#stream) this.#listen();
        }, 3000);
      },
    });
  }

  /**
   * Writes an entry down: kept here first, shown at once, sent when it can be. `kept` is done as
   * soon as it is kept, in one with showing it.
   */
  async record<K extends EventKind>(
    kind: K,
    body: EventBody<K>,
    by: WrittenBy,
    kept?: () => void,
  ): Promise<string> {
    await this.#ready;
    this.#order += 1;
    const event = newEvent(kind, body, by);
    await (
      await localDb()
    ).put('outbox', { id: event.id, pourId: this.pourId, order: this.#order, event });
    this.#set({ state: step(this.#snap.state, event), unsent: this.#snap.unsent + 1 });
    kept?.();
    void this.flush();
    return event.id;
  }

  /** Sends what is unsent, oldest first. One tab at a time; keeps trying with longer and longer waits. */
  async flush(): Promise<void> {
    if (this.#flushing) {
      this.#again = true;
      return;
    }
    this.#flushing = true;
    this.#again = false;
    clearTimeout(this.#timer ?? undefined);
    this.#timer = null;
    try {
      await inOneTab(`jactum-outbox-${this.pourId}`, async () => {
        for (
          let rows = await ownRows(this.pourId);
          rows.length > 0;
          rows = await ownRows(this.pourId)
        )
          await this.#send(rows.slice(0, BATCH));
      });
      this.#tries = 0;
      this.#set({ ...(await waitingRows(this.pourId)), signedOut: false });
    } catch (e) {
      this.#set({
        ...(await waitingRows(this.pourId)),
        signedOut: e instanceof ApiProblem && e.problem.status === 401,
      });
      const wait = waitAfter(this.#tries);
      this.#tries += 1;
      this.#timer = setTimeout(() => {
        void this.flush();
      }, wait);
    } finally {
      this.#flushing = false;
    }
    if (this.#again && !this.#timer) await this.flush();
  }

  async #send(rows: OutboxRow[]): Promise<void> {
    const db = await localDb();
    try {
      await sendJson<PostEventsAnswer>('POST', `/api/pours/${this.pourId}/events`, {
        by: rows[0]?.event.actor,
        sentAt: new Date().toISOString(),
        events: rows.map((r) => asNewEvent(r.event)),
      });
      const tx = db.transaction('outbox', 'readwrite');
      for (const r of rows) void tx.store.delete(r.id);
      await tx.done;
      await this.pull();
    } catch (e) {
      if (!isRefusal(e)) throw e;
      // One bad entry must not hold back the others: send them one by one to find it.
      if (rows.length > 1) {
        for (const r of rows) await this.#send([r]);
        return;
      }
      await refuseRow(rows[0] as OutboxRow, e.message);
      await this.#rebuild();
    }
  }

  /** Works the state out again from what counts, after an entry had to be taken out of it. */
  async #rebuild(): Promise<void> {
    const outbox = await outboxOf(this.pourId);
    this.#set({
      state: replay([...this.#confirmed, ...outbox.map((r) => r.event)]),
      ...(await waitingRows(this.pourId)),
      ...(await asideOf(this.pourId)),
    });
  }

  /** What a server that was set back lacks: an author's own is sent again; with none, the rest is left to others. */
  async settleLost(author: string | null): Promise<void> {
    const { settleLost } = await setBack();
    this.#order = await settleLost(this.pourId, author, this.#order);
    await this.#rebuild();
    void this.flush();
  }

  /** Puts a refused entry away once somebody has read why. */
  async dismiss(id: string): Promise<void> {
    await (await localDb()).delete('refused', id);
    await this.#rebuild();
  }
}

/** The store of a pour; one for the whole page. */
export const logStore = onePerPour((pourId) => new LogStore(pourId));

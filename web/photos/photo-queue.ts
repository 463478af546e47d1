import { inOneTab } from '../sync/one-tab.ts';
import { onePerPour } from '../sync/one-per-pour.ts';
import { currentSender, onSender } from '../sync/sender.ts';
import { localDb, type PhotoRow } from '../sync/local-db.ts';

/** As much as the server takes of one picture, bytes. */
export const PHOTO_LIMIT_BYTES = 20 * 1024 * 1024;
/** Waits between tries to send, ms. */
const BACKOFF_MS = [1000, 3000, 10_000, 30_000];

interface PhotoSnapshot {
  waiting: ReadonlyMap<string, { url: string; refused: string | null }>;
  unsent: number;
}

/**
 * Pictures of one pour on their way to the server. A picture is kept here, and seen here, until the
 * server has it; the log entry that says what it shows goes its own way through the outbox, and
 * either may arrive first.
 */
class PhotoQueue {
  readonly pourId: string;
  #snap: PhotoSnapshot = { waiting: new Map(), unsent: 0 };
  #heard = new Set<() => void>();
  #flushing = false;
  #again = false;
  #tries = 0;
  #timer: ReturnType<typeof setTimeout> | null = null;
  #order = Date.now();

  constructor(pourId: string) {
    this.pourId = pourId;
    void this.#refresh().then(() => this.flush());
    onSender(() => {
      void this.flush();
    });
    window.addEventListener('online', () => {
      this.#tries = 0;
      void this.flush();
    });
  }

  snapshot = (): PhotoSnapshot => this.#snap;
  subscribe = (heard: () => void): (() => void) => {
    this.#heard.add(heard);
    return () => {
      this.#heard.delete(heard);
    };
  };

  async #rows(): Promise<PhotoRow[]> {
    return (await (await localDb()).getAllFromIndex('photos', 'pour', this.pourId)).sort(
      (a, b) => a.order - b.order,
    );
  }

  async #refresh(): Promise<void> {
    const rows = await this.#rows();
    const waiting = new Map(
      rows.map((r) => [
        r.id,
        {
          url: this.#snap.waiting.get(r.id)?.url ?? URL.createObjectURL(r.blob),
          refused: r.refused,
        },
      ]),
    );
    for (const [id, old] of this.#snap.waiting) if (!waiting.has(id)) URL.revokeObjectURL(old.url);
    this.#snap = { waiting, unsent: rows.filter((r) => r.refused === null).length };
    for (const heard of this.#heard) heard();
  }

  /** Keeps a picture here; it is sent when it can be. */
  async add(id: string, blob: Blob, keepPosition: boolean): Promise<void> {
    this.#order += 1;
    await (
      await localDb()
    ).put('photos', {
      id,
      pourId: this.pourId,
      blob,
      author: currentSender() ?? undefined,
      keepPosition,
      order: this.#order,
      refused: null,
    });
    await this.#refresh();
    void this.flush();
  }

  /** Puts a refused picture away once somebody has read why. */
  async dismiss(id: string): Promise<void> {
    await (await localDb()).delete('photos', id);
    await this.#refresh();
  }

  async flush(): Promise<void> {
    if (this.#flushing) {
      this.#again = true;
      return;
    }
    this.#flushing = true;
    this.#again = false;
    if (this.#timer) {
      clearTimeout(this.#timer);
      this.#timer = null;
    }
    try {
      await inOneTab(`jactum-photos-${this.pourId}`, async () => {
        const sender = currentSender();
        for (const row of await this.#rows())
          if (row.refused === null && (row.author ?? sender) === sender) await this.#send(row);
      });
      this.#tries = 0;
    } catch {
      this.#timer = setTimeout(
        () => {
          void this.flush();
        },
        BACKOFF_MS[Math.min(this.#tries, BACKOFF_MS.length - 1)],
      );
      this.#tries += 1;
    } finally {
      this.#flushing = false;
      await this.#refresh();
    }
    if (this.#again && !this.#timer) await this.flush();
  }

  async #send(row: PhotoRow): Promise<void> {
    const res = await fetch(
      `/api/pours/${row.pourId}/photos/${row.id}${row.keepPosition ? '?position=keep' : ''}`,
      {
        method: 'PUT',
        credentials: 'same-origin',
        headers: { 'Content-Type': row.blob.type || 'application/octet-stream' },
        body: row.blob,
      },
    );
    const db = await localDb();
    if (res.ok) await db.delete('photos', row.id);
    else if (res.status >= 400 && res.status < 500 && ![401, 408, 429].includes(res.status)) {
      const problem = (await res.json().catch(() => ({}))) as { detail?: string };
      await db.put('photos', {
        ...row,
        refused: problem.detail ?? `The server answered ${res.status}.`,
      });
    } else throw new Error(String(res.status));
    await this.#refresh();
  }
}

/** The queue of a pour; one for the whole page. */
export const photoQueue = onePerPour((pourId) => new PhotoQueue(pourId));

import type { Response } from 'express';
import { madeOncePer } from '#core/kit';
import type { StoredEvent } from '../../contract/index.ts';

/** Streams a session may have open: a few tabs. The oldest gives way. */
const MOST_A_SESSION = 6;
/** Who leaves so much unread is let go of: it comes again, and reads what it missed in one go. */
const MOST_UNREAD_BYTES = 96 * 1024;
/** Entries that come within this are sent together, ms. */
const GATHER_MS = 40;
/** What was missed is sent so many entries at a time. */
const CATCH_UP = 60;

/** An entry as it goes over the stream; written once, however many listen. */
const messageOf = madeOncePer(
  (e: StoredEvent): string => `id: ${e.seq}\nevent: entry\ndata: ${JSON.stringify(e)}\n\n`,
);

/**
 * What was gathered last, encoded: many listen to the same, and those who do not read keep one copy
 * of it between them.
 */
const encoded = new Map<string, Buffer>();
const MOST_ENCODED = 8;

function bytesOf(list: readonly StoredEvent[]): Buffer {
  const key = `${list[0]?.id ?? ''} ${list.at(-1)?.id ?? ''} ${list.length}`;
  const known = encoded.get(key);
  if (known) return known;
  const bytes = Buffer.from(list.map(messageOf).join(''));
  encoded.set(key, bytes);
  const [oldest] = encoded.keys();
  if (encoded.size > MOST_ENCODED && oldest !== undefined) encoded.delete(oldest);
  return bytes;
}

/** One device that listens to one pour. */
export class Listener {
  readonly #res: Response;
  #sent: number;
  readonly #pending: StoredEvent[] = [];
  #timer: ReturnType<typeof setTimeout> | null = null;
  constructor(res: Response, after: number) {
    this.#res = res;
    this.#sent = after;
  }

  get sent(): number {
    return this.#sent;
  }

  /** Writes when the one at the other end reads; false when it was let go of. */
  write(text: string | Buffer): boolean {
    if (this.#res.writableLength > MOST_UNREAD_BYTES) {
      this.#res.destroy();
      return false;
    }
    this.#res.write(text);
    return true;
  }

  /** Sends entries, in one go; false when the one at the other end was let go of. */
  entries(list: readonly StoredEvent[]): boolean {
    const fresh = list.filter((e) => e.seq > this.#sent);
    const last = fresh.at(-1);
    if (!last) return true;
    this.#sent = last.seq;
    return this.write(bytesOf(fresh));
  }

  /** Sends entries soon, with what comes meanwhile: in a crowd that is many at once. */
  soon(list: readonly StoredEvent[]): void {
    this.#pending.push(...list);
    this.#timer ??= setTimeout(() => {
      this.#timer = null;
      this.entries(this.#pending.splice(0));
    }, GATHER_MS);
  }

  /** Nothing more is sent. */
  end(): void {
    if (this.#timer) clearTimeout(this.#timer);
  }

  /** Waits until what was written has gone out; false when it never will. */
  drained(): Promise<boolean> {
    const res = this.#res;
    if (res.destroyed) return Promise.resolve(false);
    if (res.writableLength === 0) return Promise.resolve(true);
    return new Promise((resolve) => {
      res.once('drain', () => {
        resolve(true);
      });
      res.once('close', () => {
        resolve(false);
      });
    });
  }
}

/** Sends what was missed, as fast as it is read; false when the one at the other end has gone. */
export async function catchUp(
  listener: Listener,
  read: (after: number, most: number) => Promise<StoredEvent[]>,
): Promise<boolean> {
  for (;;) {
    const list = await read(listener.sent, CATCH_UP);
    if (!listener.entries(list)) return false;
    if (list.length < CATCH_UP) return true;
    if (!(await listener.drained())) return false;
  }
}

/** The streams that are open, by session; the oldest gives way where there are too many. */
export class OpenStreams {
  readonly #open = new Map<string, Set<Response>>();

  enter(session: string, res: Response): void {
    const own = this.#open.get(session) ?? new Set<Response>();
    this.#open.set(session, own.add(res));
    const [oldest] = own;
    if (own.size > MOST_A_SESSION) oldest?.destroy();
  }

  leave(session: string, res: Response): void {
    const own = this.#open.get(session);
    own?.delete(res);
    if (own?.size === 0) this.#open.delete(session);
  }
}

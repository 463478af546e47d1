import type { Drawn } from '#core/siteplan';
import type { UndoRow } from '../sync/local-db.ts';

/** What the work on a plan needs of the world: the server that stores versions, what is read of it, and this device. */
export interface PlanIo {
  /** Stores a plan made on a version; answers the version it made. */
  put: (version: number, plan: Drawn) => Promise<number>;
  /** Reads the plan anew from the server. */
  reread: () => Promise<unknown>;
  /** Keeps on this device what can be taken back, with the version it led to. */
  keep: (row: Omit<UndoRow, 'siteId'>) => void;
  /** An act could not be stored: it and what was done on top of it have fallen. */
  failed: (error: unknown) => void;
}

export interface PlanWorkState {
  /** What is drawn here and not read back yet; null when what was read stands. */ draft: Drawn | null;
  undo: Drawn[];
  redo: Drawn[];
}

/** Acts that can be taken back: so many on the screen, and so many that are kept on the device over a reload. */
const MOST_UNDO = 100;
const MOST_KEPT = 20;

/**
 * Acts on the plan of one site, in the order they are done: each shows at once, is stored as a
 * version one after another, and can be taken back. When one cannot be stored, it and everything
 * done on top of it falls.
 */
export class PlanWork {
  state: PlanWorkState = { draft: null, undo: [], redo: [] };
  readonly #io: PlanIo;
  readonly #changed: () => void;
  #version = 0;
  #pending = 0;
  #queue: Promise<void> = Promise.resolve();
  /** Goes up when work falls: what was queued before is not sent any more. */
  #era = 0;

  constructor(io: PlanIo, changed: () => void) {
    this.#io = io;
    this.#changed = changed;
  }

  #set(next: Partial<PlanWorkState>): void {
    this.state = { ...this.state, ...next };
    this.#changed();
  }

  /** Begins with a version that was read. What somebody else changed in between cannot be taken back over. */
  open(readVersion: number, kept: Omit<UndoRow, 'siteId'> | undefined): void {
    if (this.#pending > 0) return;
    if (this.#version !== 0 && this.#version !== readVersion) this.#set({ undo: [], redo: [] });
    this.#version = readVersion;
    if (kept?.version === readVersion && !this.state.undo.length && !this.state.redo.length)
      this.#set({ undo: kept.undo, redo: kept.redo });
  }

  /** The plan as it stands here: what is on its way, else what was read. */
  plan(read: Drawn | null): Drawn | null {
    return this.state.draft ?? read;
  }

  act(next: Drawn, read: Drawn | null, readVersion: number): void {
    const before = this.plan(read);
    if (!before) return;
    this.#set({ draft: next, undo: [...this.state.undo.slice(1 - MOST_UNDO), before], redo: [] });
    this.#store(next, readVersion);
  }

  undo(read: Drawn | null, readVersion: number): void {
    this.#back('undo', 'redo', read, readVersion);
  }
  redo(read: Drawn | null, readVersion: number): void {
    this.#back('redo', 'undo', read, readVersion);
  }

  #back(from: 'undo' | 'redo', to: 'undo' | 'redo', read: Drawn | null, readVersion: number): void {
    const before = this.plan(read);
    const last = this.state[from].at(-1);
    if (!before || !last) return;
    this.#set({
      draft: last,
      [from]: this.state[from].slice(0, -1),
      [to]: [...this.state[to], before],
    });
    this.#store(last, readVersion);
  }

  #store(plan: Drawn, readVersion: number): void {
    // What was read may be older than what was stored from here, while a new reading is on its way.
    if (this.#pending === 0) this.#version = Math.max(this.#version, readVersion);
    this.#pending += 1;
    const era = this.#era;
    this.#queue = this.#queue.then(async () => {
      if (era !== this.#era) return;
      try {
        this.#version = await this.#io.put(this.#version, plan);
        this.#io.keep({
          version: this.#version,
          undo: this.state.undo.slice(-MOST_KEPT),
          redo: this.state.redo.slice(-MOST_KEPT),
        });
        this.#pending -= 1;
      } catch (e) {
        this.#era += 1;
        this.#pending = 0;
        // The version that stands there is not known any more: the next act goes by what is read.
        this.#version = 0;
        this.#set({ undo: [], redo: [] });
        this.#io.failed(e);
      }
      if (this.#pending > 0) return;
      await this.#io.reread();
      if (this.#pending === 0) this.#set({ draft: null });
    });
  }

  /** When everything that was done has been stored, or has fallen. */
  settled(): Promise<void> {
    return this.#queue;
  }
}

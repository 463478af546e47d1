import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { NewEvent, StoredEvent } from '../../contract/index.ts';
import type { LogEvent } from '#core/log';
import type { Drawn } from '#core/siteplan';

/** What this device keeps for itself: the logs it has read, and what it has not sent yet. */
export interface OutboxRow {
  id: string;
  pourId: string;
  order: number;
  event: LogEvent;
}
/**
 * An entry the server would not take, kept until somebody has seen why; or one that it had, and lacks
 * since it was set back.
 */
export interface RefusedRow {
  id: string;
  pourId: string;
  event: LogEvent;
  reason: string;
  lost?: true;
}
/** A picture not sent yet, with why the server would not take it when it would not. */
export interface PhotoRow {
  id: string;
  pourId: string;
  blob: Blob;
  /** Who took it; rows from before this was kept have none, and go with who sends next. */
  author?: string | undefined;
  keepPosition: boolean;
  order: number;
  refused: string | null;
}
/** Acts on the plan of a site that can be taken back, with the version they led to. */
export interface UndoRow {
  siteId: string;
  version: number;
  undo: Drawn[];
  redo: Drawn[];
}
interface Schema extends DBSchema {
  undo: { key: string; value: UndoRow };
  photos: { key: string; value: PhotoRow; indexes: { pour: string } };
  log: { key: [string, number]; value: StoredEvent };
  outbox: { key: string; value: OutboxRow; indexes: { pour: string } };
  refused: { key: string; value: RefusedRow; indexes: { pour: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;
const forget = (): void => {
  opened = null;
};
export const localDb = (): Promise<IDBPDatabase<Schema>> => {
  opened ??= openDB<Schema>('jactum', 3, {
    // The device may take the connection away, or another page may want a newer store: it is opened
    // again when it is asked for next.
    terminated: forget,
    blocking(_now, _wanted, event) {
      (event.target as IDBDatabase).close();
      forget();
    },
    upgrade(db, from) {
      if (from < 3) db.createObjectStore('undo', { keyPath: 'siteId' });
      if (from < 2) db.createObjectStore('photos', { keyPath: 'id' }).createIndex('pour', 'pourId');
      if (from >= 1) return;
      db.createObjectStore('log', { keyPath: ['pourId', 'seq'] });
      db.createObjectStore('outbox', { keyPath: 'id' }).createIndex('pour', 'pourId');
      db.createObjectStore('refused', { keyPath: 'id' }).createIndex('pour', 'pourId');
    },
  });
  return opened;
};

/** Forgets logs and acts that could be taken back; what is unsent stays until it is sent. */
export async function forgetLogs(): Promise<void> {
  const db = await localDb();
  await db.clear('log');
  await db.clear('undo');
}

export const asNewEvent = (e: LogEvent): NewEvent => {
  const { actor: _actor, ...rest } = e;
  return rest;
};

import type { StoredEvent } from '../../contract/index.ts';
import { localDb } from './local-db.ts';
import { asideOf } from './outbox-rows.ts';

/** Entries that a server which was set back lacks, kept on this device until somebody has decided. */

const ofPour = (pourId: string): IDBKeyRange =>
  IDBKeyRange.bound([pourId, 0], [pourId, Number.MAX_SAFE_INTEGER]);

/** The log as the server has it takes the place of the one here; what it lacks is kept aside. */
export async function keepLost(
  pourId: string,
  own: readonly StoredEvent[],
  theirs: readonly StoredEvent[],
): Promise<void> {
  const there = new Set(theirs.map((e) => e.id));
  const tx = (await localDb()).transaction(['log', 'refused'], 'readwrite');
  const aside = tx.objectStore('refused');
  for (const event of own)
    if (!there.has(event.id))
      void aside.put({ id: event.id, pourId, event, reason: '', lost: true });
  void tx.objectStore('log').delete(ofPour(pourId));
  for (const e of theirs) {
    void tx.objectStore('log').put(e);
    void aside.delete(e.id);
  }
  await tx.done;
}

/**
 * Puts an author's own among them into the outbox again, as they were; with no author the rest is
 * left to the devices of who made it. Answers the last order given.
 */
export async function settleLost(
  pourId: string,
  author: string | null,
  order: number,
): Promise<number> {
  const rows = (await asideOf(pourId)).lost.filter((e) => author === null || e.actor === author);
  const tx = (await localDb()).transaction(['outbox', 'refused'], 'readwrite');
  let last = order;
  for (const stored of rows) {
    void tx.objectStore('refused').delete(stored.id);
    if (author === null) continue;
    const { seq: _seq, hash: _hash, prevHash: _prev, device: _device, ...rest } = stored;
    const { recordedAt: _at, planHash: _plan, pourId: _pour, ...event } = rest;
    last += 1;
    void tx.objectStore('outbox').put({ id: event.id, pourId, order: last, event });
  }
  await tx.done;
  return last;
}

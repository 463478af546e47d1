import type { StoredEvent } from '../../contract/index.ts';
import { localDb, type OutboxRow, type RefusedRow } from './local-db.ts';
import { currentSender } from './sender.ts';

/** What waits on this device for a pour, oldest first. */
export async function outboxOf(pourId: string): Promise<OutboxRow[]> {
  const rows = await (await localDb()).getAllFromIndex('outbox', 'pour', pourId);
  return rows.sort((a, b) => a.order - b.order);
}

/** What is unsent of who is signed in: only under their own session does it go out. */
export async function ownRows(pourId: string): Promise<OutboxRow[]> {
  const sender = currentSender();
  return (await outboxOf(pourId)).filter((r) => r.event.actor === sender);
}

/** How much waits here, and whose it is that somebody else has to sign in for. */
export async function waitingRows(pourId: string): Promise<{ unsent: number; others: string[] }> {
  const rows = await outboxOf(pourId);
  const sender = currentSender();
  const others = [...new Set(rows.map((r) => r.event.actor).filter((a) => a !== sender))];
  return { unsent: rows.length, others };
}

/** What the server would not take goes out of the outbox, and stays to be seen with its reason. */
export async function refuseRow({ id, pourId, event }: OutboxRow, reason: string): Promise<void> {
  const db = await localDb();
  await db.put('refused', { id, pourId, event, reason });
  await db.delete('outbox', id);
}

/** What the server would not take of a pour, and what it lacks since it was set back, oldest first. */
export async function asideOf(
  pourId: string,
): Promise<{ refused: RefusedRow[]; lost: StoredEvent[] }> {
  const rows = await (await localDb()).getAllFromIndex('refused', 'pour', pourId);
  return {
    refused: rows.filter((r) => !r.lost),
    lost: rows
      .flatMap((r) => (r.lost ? [r.event as StoredEvent] : []))
      .sort((a, b) => a.seq - b.seq),
  };
}

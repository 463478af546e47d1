import type { StoredEvent } from '../../contract/index.ts';
import { localDb, type OutboxRow } from './local-db.ts';
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

/** What a server that was set back lacks of a pour, oldest first. */
export async function lostOf(pourId: string): Promise<StoredEvent[]> {
  const rows = await (await localDb()).getAllFromIndex('lost', 'pour', pourId);
  return rows.sort((a, b) => a.seq - b.seq);
}
